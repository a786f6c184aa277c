import { W } from '../language/record/check-file'
import { type Broken, fingerprintOf, type RecordCrypto, RecordFile, verifyRecord } from './record'
import { namesKey } from './signing-key'

/** A larger record is of no job that was ever made here, bytes; it is refused before it is read to its end. */
export const LARGEST_RECORD = 50 * 1024 * 1024

/** What a paper says of the record it belongs to: the end of its chain and the key it was signed with. */
export type OnPaper = { head: string; key: string }

/** What was found of a file that was dropped to be checked. */
export type Checked =
  | { kind: 'no-record'; why: string }
  | {
      kind: 'checked'
      record: RecordFile
      fingerprint: string | null
      broken: Broken | null
      /** whether a readings file was held against it */
      withReadings: boolean
      /** whether it is the one the paper was printed of; null where no paper was at hand */
      onPaper: boolean | null
    }

/**
 * Checks a record as a file: whether it is one at all, whether it holds, and whether it is the one a paper names.
 * @param readings - the exported readings file, where it is at hand
 * @param trusted - the shop's key or its fingerprint, where somebody typed it
 */
export function checkRecord(
  text: string,
  crypto: RecordCrypto,
  { readings, trusted, paper }: { readings?: string | undefined; trusted?: string | undefined; paper?: OnPaper | null },
): Checked {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    return { kind: 'no-record', why: W.thisIsNoRecordIt }
  }
  const format = (json as { format?: unknown } | null)?.format
  if (format !== 'yperos-record')
    return {
      kind: 'no-record',
      why: typeof format === 'string' ? W.thisFileCallsItselfIt(format.slice(0, 40)) : W.thisFileDoesNotSay,
    }
  const parsed = RecordFile.safeParse(json)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    return { kind: 'no-record', why: W.thisRecordCannotBe(`$.${issue?.path.join('.')}`, issue?.message ?? '') }
  }
  const record = parsed.data
  const result = verifyRecord(record, crypto, readings, trusted?.trim() ? trusted.trim() : undefined)
  const fingerprint = fingerprintOf(record.signature.public_key, crypto)
  return {
    kind: 'checked',
    record,
    fingerprint,
    broken: result.first_broken,
    withReadings: readings !== undefined,
    onPaper: paper
      ? record.head === paper.head &&
        fingerprint !== null &&
        namesKey(paper.key, record.signature.public_key, fingerprint)
      : null,
  }
}

/** What the code on a paper says behind its `#`; null where it says nothing of the kind. */
export function paperOf(hash: string): OnPaper | null {
  const said = new URLSearchParams(hash.replace(/^#/, ''))
  const [head, key] = [said.get('head') ?? '', said.get('key') ?? '']
  return /^[0-9a-f]{64}$/.test(head) && /^[0-9a-f]{64}$/.test(key) ? { head, key } : null
}
export const paperHash = ({ head, key }: OnPaper): string => `#${new URLSearchParams({ head, key })}`
