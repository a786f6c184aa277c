import * as z from 'zod'
import { canonicalJson } from '../entry/canonical'
import { W } from '../language/record/record'
import { namesKey, soundKey } from './signing-key'

const Hex = z.string().regex(/^[0-9a-f]{64}$/)

export const RecordEvent = z.strictObject({
  id: z.string(),
  kind: z.string(),
  happened_at: z.string(),
  stored_at: z.string(),
  by: z.string(),
  payload: z.unknown(),
  previous: z.string(),
  hash: z.string(),
})
export type RecordEvent = z.infer<typeof RecordEvent>

/** Where a fault lies that is in the readings beside a record: a place of no JSON path. */
export const READINGS_FILE = 'readings file'

/** The record file of a job, version 1. */
export const RecordFile = z.strictObject({
  format: z.literal('yperos-record'),
  version: z.literal(1),
  job: z.record(z.string(), z.unknown()),
  events: z.array(RecordEvent).min(1),
  event_count: z.number().int(),
  head: z.string(),
  readings: z.strictObject({ count: z.number().int().min(0), sha256: Hex }),
  signed: z.strictObject({ by: z.string(), certificate: z.string(), at: z.string() }),
  signature: z.strictObject({ algorithm: z.literal('Ed25519'), public_key: z.string(), value: z.string() }),
})
export type RecordFile = z.infer<typeof RecordFile>

/** `previous` of the first event. */
export const CHAIN_START = '0'.repeat(64)

/** The cryptography a record needs, handed in so that the same check runs in a browser, a server and a script. */
export type RecordCrypto = {
  /** SHA-256 of UTF-8 text, lower-case hex */
  sha256: (text: string) => string
  /** the same of bytes */
  sha256Bytes: (bytes: Uint8Array) => string
  /** Ed25519; key and signature in base64 (key: raw 32 bytes in SPKI form) */
  verify: (text: string, publicKey: string, signature: string) => boolean
}

/** The key a record is signed with: SHA-256 of its 32 bytes, and whether it was compared with the key of the shop. */
export type KeyFound = { fingerprint: string; checked: boolean }
export type Broken = { place: string; reason: string }
export type VerifyResult = { intact: boolean; events: number; first_broken: Broken | null; key: KeyFound | null }

/** Hash of an event: SHA-256 of the previous hash and the event's canonical JSON without `hash`. */
export function eventHash(event: Omit<RecordEvent, 'hash'>, sha256: RecordCrypto['sha256']): string {
  return sha256(event.previous + canonicalJson(event))
}

/** What the signature covers: everything before it, as canonical JSON. */
export function signedText(record: Omit<RecordFile, 'signature'>): string {
  const { format, version, job, events, event_count, head, readings, signed } = record
  return canonicalJson({ format, version, job, events, event_count, head, readings, signed })
}

/**
 * Fingerprint of a signing key (SPKI in base64): SHA-256 of its 32 bytes, hex; null when it is no sound Ed25519 key.
 */
export function fingerprintOf(publicKey: string, crypto: RecordCrypto): string | null {
  const raw = soundKey(publicKey)
  return raw && crypto.sha256Bytes(raw)
}

/** The first place where a chain does not hold: a link, a hash, its length or its end; null when all of it does. */
export function brokenLink(
  { events, event_count, head }: Pick<RecordFile, 'events' | 'event_count' | 'head'>,
  sha256: RecordCrypto['sha256'],
): Broken | null {
  let previous = CHAIN_START
  for (const [i, { hash, ...event }] of events.entries()) {
    const place = `$.events[${i}]`
    if (event.previous !== previous) return { place, reason: W.doesNotFollowTheEvent }
    if (eventHash(event, sha256) !== hash) return { place, reason: W.wasChangedAfterItWas }
    previous = hash
  }
  if (event_count !== events.length)
    return { place: '$.event_count', reason: W.saysThereAreEvents(event_count, events.length) }
  if (head !== previous) return { place: '$.head', reason: W.isNotTheHashOf }
  return null
}

/**
 * Checks a record: each event's hash and link, the count and head, the readings digest, the signature; names the first
 * that fails.
 * @param readingsText - the exported readings file, when at hand
 * @param trustedKey - the shop's own public key or its fingerprint, when known: without it whoever has a key can have
 *   signed it anew
 */
export function verifyRecord(
  record: RecordFile,
  crypto: RecordCrypto,
  readingsText?: string,
  trustedKey?: string,
): VerifyResult {
  const fingerprint = fingerprintOf(record.signature.public_key, crypto)
  const key = fingerprint === null ? null : { fingerprint, checked: trustedKey !== undefined }
  const broken =
    brokenLink(record, crypto.sha256) ??
    brokenSignature(record, crypto, fingerprint, trustedKey) ??
    (readingsText === undefined ? null : brokenReadings(record, crypto, readingsText))
  return { intact: broken === null, events: record.events.length, first_broken: broken, key }
}

function brokenSignature(
  record: RecordFile,
  crypto: RecordCrypto,
  fingerprint: string | null,
  trustedKey: string | undefined,
): Broken | null {
  const { public_key, value } = record.signature
  if (fingerprint === null) return { place: '$.signature.public_key', reason: W.isNoSoundEd25519Key }
  if (!crypto.verify(signedText(record), public_key, value))
    return { place: '$.signature', reason: W.doesNotCoverThisRecord }
  if (trustedKey !== undefined && !namesKey(trustedKey, public_key, fingerprint))
    return { place: '$.signature.public_key', reason: W.isNotTheKeyOf }
  return null
}

function brokenReadings({ readings }: RecordFile, crypto: RecordCrypto, text: string): Broken | null {
  // records signed before notes were guarded against spreadsheets have the digest of the text without the guards
  const forms = [text, withoutGuards(text)]
  if (!forms.some((form) => crypto.sha256(form) === readings.sha256))
    return { place: READINGS_FILE, reason: W.isNotTheOneThat }
  const rows = text.trimEnd().split('\n').length - 1
  return rows === readings.count
    ? null
    : { place: '$.readings.count', reason: W.saysTheReadingsFileHas(readings.count, rows) }
}

/** A readings file without the quote that keeps a spreadsheet from running a note as a formula. */
const withoutGuards = (text: string): string =>
  text.replace(/,(")?'(?=[=+\-@\t\r])/g, (_guard, quote: string | undefined) => `,${quote ?? ''}`)
