/**
 * Canonical JSON of RFC 8785: keys sorted by UTF-16 code units, no spaces, numbers as ECMAScript writes them.
 * @param value - JSON data; `undefined` members are left out as JSON.stringify does
 * @throws RangeError for numbers JSON cannot carry (NaN, infinities)
 */
export function canonicalJson(value: unknown): string {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new RangeError('JSON carries finite numbers only')
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null'
  if (Array.isArray(value)) return `[${value.map((item) => canonicalJson(item ?? null)).join(',')}]`
  const entries = Object.entries(value)
    .filter(([, member]) => member !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
  return `{${entries.map(([key, member]) => `${JSON.stringify(key)}:${canonicalJson(member)}`).join(',')}}`
}
