import { formatDistanceStrict } from 'date-fns'
import type { Instrument } from '@/core/shop/instruments'
import { serverNow } from '../server-clock'

/** An instrument that has said nothing for so long is silent, ms. */
const SILENT_MS = 20_000

/** What an instrument said last, and how long it has been silent. */
export function lastWords({ last, seenAt, battery }: Pick<Instrument, 'last' | 'seenAt' | 'battery'>): string {
  if (!last || seenAt === null) return 'has said nothing yet'
  const since = Date.parse(seenAt)
  const silent = serverNow() - since > SILENT_MS
  const power = battery === null ? '' : `, battery ${Math.round(battery * 100)} %`
  const ago = silent ? `, silent for ${formatDistanceStrict(since, serverNow())}` : ''
  return `${last.value.toLocaleString('en')} ${last.unit}${ago}${power}`
}
