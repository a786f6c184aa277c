import { z } from 'zod'
import { JobOpened } from '@/core/procedure/events'
import { requireUser } from '@/server/accounts/session'
import { database, transaction } from '@/server/db/pool'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { openJob } from '@/server/jobs/open-job'
import { selectShop } from '@/server/shop/shop'

const Body = z.strictObject({ id: z.uuid(), eventId: z.uuid(), payload: JobOpened })

export const POST = handle(async (request) => {
  const user = await requireUser()
  const body = parseInput(Body, await readJson(request))
  const db = database()
  if (body.payload.simulated && !(await selectShop(db)).demo) {
    throw new AppError('bad-input', 'The simulated bench belongs to the demo place.', [{ path: 'payload.simulated', reason: 'only in the demo place' }])
  }
  const opened = await transaction(db, (tx) => openJob(tx, user, body))
  return Response.json(opened, { status: opened.repeated ? 200 : 201 })
})
