import { z } from 'zod'
import { canonicalJson } from './canonical'

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
  /** Ed25519; key and signature in base64 (key: raw 32 bytes in SPKI form) */
  verify: (text: string, publicKey: string, signature: string) => boolean
}

export type VerifyResult = { intact: boolean; events: number; first_broken: { place: string; reason: string } | null }

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
 * Checks a record: each event's hash and link, the count and head, the readings digest, the signature; names the first that fails.
 * @param readingsText - the exported readings file, when at hand
 * @param trustedKey - the shop's own public key, when known: without it a record re-signed with another key passes
 */
export function verifyRecord(record: RecordFile, crypto: RecordCrypto, readingsText?: string, trustedKey?: string): VerifyResult {
  const broken = (place: string, reason: string): VerifyResult => ({ intact: false, events: record.events.length, first_broken: { place, reason } })
  let previous = CHAIN_START
  for (const [i, { hash, ...event }] of record.events.entries()) {
    const place = `$.events[${i}]`
    if (event.previous !== previous) return broken(place, 'does not follow the event before it: one was dropped, added or moved')
    if (eventHash(event, crypto.sha256) !== hash) return broken(place, 'was changed after it was stored')
    previous = hash
  }
  if (record.event_count !== record.events.length) return broken('$.event_count', `says ${record.event_count}, the file has ${record.events.length} events`)
  if (record.head !== previous) return broken('$.head', 'is not the hash of the last event: the end is missing')
  if (!crypto.verify(signedText(record), record.signature.public_key, record.signature.value)) return broken('$.signature', 'does not cover this record')
  if (trustedKey !== undefined && record.signature.public_key !== trustedKey) return broken('$.signature.public_key', 'is not the key of this shop')
  if (readingsText !== undefined) {
    if (crypto.sha256(readingsText) !== record.readings.sha256) return broken('readings file', 'is not the one that was signed')
    const rows = readingsText.trimEnd().split('\n').length - 1
    if (rows !== record.readings.count) return broken('$.readings.count', `says ${record.readings.count}, the readings file has ${rows} rows`)
  }
  return { intact: true, events: record.events.length, first_broken: null }
}
