import { W } from '@/core/language/screen/ledger'
import type { LedgerKind } from '@/core/shop/ledger'

/** What a line of the book moved, as people say it. */
export const KIND_WORDS: Record<LedgerKind, string> = {
  bought: W.bought2,
  charged: W.intoACar,
  purged: W.purged,
  recovered: W.recovered,
  heel: W.heelOfAnEmptyCan,
  'handed-in': W.handedIn,
  reused: W.usedAgain,
  lost: W.lost2,
  weighed: W.weighedAnew,
  corrected: W.corrected,
}

/** Grams with their sign: into its container above zero. */
export const signedGrams = (g: number): string =>
  `${g > 0 ? '+' : g < 0 ? '−' : ''}${Math.abs(Math.round(g)).toLocaleString('en')}`
