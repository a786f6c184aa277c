import { formatDistanceStrict } from 'date-fns'
import { W } from '@/core/language/screen/shop'
import type { Instrument } from '@/core/shop/instruments'
import { serverNow } from '../server-clock'

/** An instrument that has said nothing for so long is silent, ms. */
const SILENT_MS = 20_000

/** What an instrument said last, and how long it has been silent. */
export function lastWords({ last, seenAt, battery }: Pick<Instrument, 'last' | 'seenAt' | 'battery'>): string {
  if (!last || seenAt === null) return W.hasSaidNothingYet
  const since = Date.parse(seenAt)
  const silent = serverNow() - since > SILENT_MS
  const power = battery === null ? '' : W.battery(Math.round(battery * 100))
  const ago = silent ? W.silentFor(formatDistanceStrict(since, serverNow())) : ''
  return `${last.value.toLocaleString('en')} ${last.unit}${ago}${power}`
}
