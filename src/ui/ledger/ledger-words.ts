import type { LedgerKind } from '@/core/shop/ledger'

/** What a line of the book moved, as people say it. */
export const KIND_WORDS: Record<LedgerKind, string> = {
  bought: 'bought',
  charged: 'into a car',
  purged: 'purged',
  recovered: 'recovered',
  heel: 'heel of an empty can',
  'handed-in': 'handed in',
  reused: 'used again',
  lost: 'lost',
  weighed: 'weighed anew',
  corrected: 'corrected',
}

/** Grams with their sign: into its container above zero. */
export const signedGrams = (g: number): string =>
  `${g > 0 ? '+' : g < 0 ? '−' : ''}${Math.abs(Math.round(g)).toLocaleString('en')}`
