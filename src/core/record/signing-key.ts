/** How an Ed25519 public key is written in SPKI form: this, then its 32 bytes (RFC 8410). */
const SPKI_PREFIX = [0x30, 0x2a, 0x30, 0x05, 0x06, 0x03, 0x2b, 0x65, 0x70, 0x03, 0x21, 0x00]

/**
 * y of the points of small order besides 0, 1 and -1, little-endian hex: with one of those as key a signature can cover
 * any text.
 */
const SMALL_ORDER = [
  'c7176a703d4dd84fba3c0b760d10670f2a2053fa2c39ccc64ec7fd7792ac037a',
  '26e8958fc2b227b045c3f489f2ef98f0d5dfac05d3c63339b13802886d53fc05',
]
/** The field's prime, 2^255 - 19. */
const P = 2n ** 255n - 19n

/**
 * The 32 bytes of a sound Ed25519 public key.
 * @param publicKey - SPKI in base64
 * @returns null for another kind of key, one that is not in its one canonical form, or one of small order
 */
export function soundKey(publicKey: string): Uint8Array | null {
  const der = bytesOf(publicKey)
  if (der?.length !== SPKI_PREFIX.length + 32 || SPKI_PREFIX.some((byte, i) => der[i] !== byte)) return null
  const raw = der.subarray(SPKI_PREFIX.length)
  const yHex = hexOf(raw.map((byte, i) => (i === 31 ? byte & 0x7f : byte)))
  const y = BigInt(`0x${(yHex.match(/../g) ?? []).reverse().join('')}`)
  const weak = y >= P || y === 0n || y === 1n || y === P - 1n || SMALL_ORDER.includes(yHex)
  return weak ? null : raw
}

function bytesOf(base64: string): Uint8Array | null {
  try {
    return Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))
  } catch {
    return null
  }
}

const hexOf = (bytes: Uint8Array): string => [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('')

/** What somebody names a key by, its fingerprint without blanks and colons or the key itself. */
export const namesKey = (named: string, publicKey: string, fingerprint: string): boolean =>
  named === publicKey || named.replace(/[\s:]/g, '').toLowerCase() === fingerprint

/** A fingerprint in groups of four, as it is printed and read aloud. */
export const groupedFingerprint = (fingerprint: string): string => (fingerprint.match(/.{1,4}/g) ?? []).join(' ')
