import { Apart } from '../watch/apart'
import type { CertificateAsked } from './certificate-asked'

const shared = globalThis as unknown as { yperosPdf?: Apart<CertificateAsked, Uint8Array> }

/** A certificate as a PDF, laid out in a thread of its own, never on the event loop that answers requests. */
export function certificateApart(asked: CertificateAsked): Promise<Uint8Array> {
  shared.yperosPdf ??= new Apart('web/pdf-thread', async (question) =>
    (await import('./certificate-pdf')).certificatePdf(question),
  )
  return shared.yperosPdf.ask(asked)
}
