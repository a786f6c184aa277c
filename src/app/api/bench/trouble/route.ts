import { BenchTrouble, storeTrouble } from '@/server/bench/trouble'
import { handle, parseInput, readJson } from '@/server/http'
import { forBench } from '@/server/readings/ingest'

/** The bench names the car it cannot play, and when it can again; for the bench's own token only. */
export const POST = handle(async (request) => {
  const scope = await forBench(request)
  await storeTrouble(scope, parseInput(BenchTrouble, await readJson(request)))
  return Response.json({ ok: true })
})
