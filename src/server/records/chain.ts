import { createHash, createPrivateKey, createPublicKey, sign, verify } from 'node:crypto'
import type { JobEvent } from '@/core/procedure/events'
import { eventHash, type RecordCrypto, type RecordEvent } from '@/core/record/record'

export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex')

/** Node's own cryptography for `core/record`. */
export const nodeCrypto: RecordCrypto = {
  sha256,
  verify: (text, publicKey, signature) => {
    try {
      const key = createPublicKey({ key: Buffer.from(publicKey, 'base64'), format: 'der', type: 'spki' })
      return verify(null, Buffer.from(text, 'utf8'), key, Buffer.from(signature, 'base64'))
    } catch {
      // a key or signature that is no key or signature at all covers nothing
      return false
    }
  },
}

/** Ed25519 signature in base64 by a PKCS 8 key in PEM. */
export const signText = (text: string, privateKeyPem: string): string => sign(null, Buffer.from(text, 'utf8'), createPrivateKey(privateKeyPem)).toString('base64')

/** An event as the record file writes it, without its hash. */
export const recordForm = (event: JobEvent, previous: string): Omit<RecordEvent, 'hash'> => ({
  id: event.id,
  kind: event.kind,
  happened_at: event.happenedAt,
  stored_at: event.storedAt,
  by: event.by,
  payload: event.payload,
  previous,
})

export const hashOf = (event: JobEvent, previous: string): string => eventHash(recordForm(event, previous), sha256)
