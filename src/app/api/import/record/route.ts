import { W } from '@/core/language/pages/record-route'
import { requireRight } from '@/server/accounts/roles'
import { forUser } from '@/server/accounts/session'
import { AppError } from '@/server/errors'
import { handle, parseInput, readBytes } from '@/server/http'
import { importRecord, OwnRecord } from '@/server/records/import-record'

/** A record with its readings, bytes at most. */
const LARGEST = 50 * 1024 * 1024

/** Brings a signed job of this shop back from its record file. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  requireRight(scope.user, 'edit-shop')
  const bytes = await readBytes(request, LARGEST, W.aRecordWithItsReadings)
  let body: unknown
  try {
    body = JSON.parse(bytes.toString('utf8'))
  } catch (cause) {
    throw new AppError('bad-input', W.theBodyIsNotJson, [{ path: '', reason: (cause as Error).message }], cause)
  }
  return Response.json(await importRecord(scope, parseInput(OwnRecord, body)), { status: 201 })
})
