import { BenchTrouble, storeTrouble } from '@/server/bench/trouble'
import { database } from '@/server/db/pool'
import { handle, parseInput, readJson } from '@/server/http'
import { requireBench } from '@/server/readings/ingest'

/** The bench names the car it cannot play, and when it can again; for the bench's own token only. */
export const POST = handle(async (request) => {
  const db = database()
  await requireBench(db, request)
  await storeTrouble(db, parseInput(BenchTrouble, await readJson(request)))
  return Response.json({ ok: true })
})
