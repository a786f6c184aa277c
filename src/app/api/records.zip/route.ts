import { Readable } from 'node:stream'
import { understood } from '@/core/book/find'
import { forUser } from '@/server/accounts/session'
import { exportFound } from '@/server/book/export-found'
import { findLines } from '@/server/book/find-lines'
import { handle } from '@/server/http'
import { dayIn } from '@/ui/format'

const MOST = 100_000

/** Records, readings and photographs of what the book's search finds, as one archive. */
export const GET = handle(async (request) => {
  const scope = await forUser()
  const { timeZone } = scope.shop
  const typed = new URL(request.url).searchParams.get('q') ?? ''
  const { lines } = await findLines(scope, understood(typed, dayIn(timeZone)(Date.now())), timeZone, MOST)
  return new Response(Readable.toWeb(exportFound(scope, lines)) as ReadableStream, {
    headers: { 'content-type': 'application/zip', 'content-disposition': 'attachment; filename="records.zip"' },
  })
})
