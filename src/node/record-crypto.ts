import { createHash, createPublicKey, verify } from 'node:crypto'
import type { RecordCrypto } from '@/core/record/record'

export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex')

/** Node's own cryptography for `core/record`: the server's and the command line's. */
export const nodeCrypto: RecordCrypto = {
  sha256,
  sha256Bytes: (bytes) => createHash('sha256').update(bytes).digest('hex'),
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
