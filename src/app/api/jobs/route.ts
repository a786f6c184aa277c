import { z } from 'zod'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { JobOpened } from '@/core/job/events'
import { requireUser } from '@/server/accounts/session'
import { database, transaction } from '@/server/db/pool'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { datedBack, openJob } from '@/server/jobs/open-job'
import { selectShop } from '@/server/shop/shop'

/** `openedAt`: when a car that is entered later came in, up to 14 days back; now when left out. */
const Body = z.strictObject({
  id: Id,
  eventId: Id,
  payload: JobOpened.omit({ datedBack: true }),
  openedAt: Instant.optional(),
})

export const POST = handle(async (request) => {
  const user = await requireUser()
  const body = parseInput(Body, await readJson(request))
  const db = database()
  if (body.payload.simulated && !(await selectShop(db)).demo) {
    throw new AppError('bad-input', 'The simulated bench belongs to the demo place.', [
      { path: 'payload.simulated', reason: 'only in the demo place' },
    ])
  }
  const { openedAt, ...draft } = body
  const earlier = openedAt === undefined ? undefined : datedBack(openedAt, body.payload.simulated, Date.now())
  const payload = { ...body.payload, ...(earlier && { datedBack: true as const }) }
  const opened = await transaction(db, (tx) => openJob(tx, user, { ...draft, payload }, earlier))
  return Response.json(opened, { status: opened.repeated ? 200 : 201 })
})
