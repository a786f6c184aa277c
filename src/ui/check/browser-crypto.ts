import { ed25519 } from '@noble/curves/ed25519.js'
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import type { RecordCrypto } from '@/core/record/record'
import { soundKey } from '@/core/record/signing-key'

/** Cryptography for `core/record` in a browser, by plain http too, where the browser's own is switched off. */
export const browserCrypto: RecordCrypto = {
  sha256: (text) => bytesToHex(sha256(utf8ToBytes(text))),
  sha256Bytes: (bytes) => bytesToHex(sha256(bytes)),
  verify: (text, publicKey, signature) => {
    const key = soundKey(publicKey)
    if (!key) return false
    try {
      const bytes = Uint8Array.from(atob(signature), (c) => c.charCodeAt(0))
      // the strict rule of RFC 8032, as the server's own library has it
      return ed25519.verify(bytes, utf8ToBytes(text), key, { zip215: false })
    } catch {
      return false
    }
  },
}
