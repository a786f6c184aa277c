import { readFile } from 'node:fs/promises'
import { W } from '@/core/language/pages/authority-route'
import { environment } from '@/server/environment'
import { AppError } from '@/server/errors'
import { handle } from '@/server/http'

export const dynamic = 'force-dynamic'

/** The certificate of the shop's own authority, for a phone that is to trust its addresses. */
export const GET = handle(async () => {
  const file = environment().YPEROS_AUTHORITY
  const certificate = file === '' ? null : await readFile(file).catch(() => null)
  if (!certificate) throw new AppError('not-found', W.thisServerSpeaksNoTls)
  return new Response(new Uint8Array(certificate), {
    headers: {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename=yperos-authority.crt',
    },
  })
})
