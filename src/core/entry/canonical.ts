import canonicalize from 'canonicalize'
import { W } from '../language/entry'

/**
 * Canonical JSON of RFC 8785: keys sorted by UTF-16 code units, no spaces, numbers as ECMAScript writes them.
 * @param value - JSON data; `undefined` members are left out as JSON.stringify does
 * @throws RangeError for what JSON cannot carry: NaN, infinities, half a character
 */
export function canonicalJson(value: unknown): string {
  try {
    return canonicalize(value) ?? 'null'
  } catch (error) {
    throw new RangeError(W.jsonCannotCarryThis((error as Error).message), { cause: error })
  }
}
