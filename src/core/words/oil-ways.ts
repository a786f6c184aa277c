import type { OIL_WAYS } from '../job/events'

type OilWay = (typeof OIL_WAYS)[number]

export const OIL_WAY_WORDS: Record<OilWay, string> = {
  'into-part': 'into the open part',
  injector: 'by injector, before the vacuum',
  'by-vacuum': 'drawn in by the vacuum, low side',
  can: 'out of a can that also holds refrigerant',
}

/** What a hand has to know of the way it chose. */
export const OIL_WAY_TELLS: Record<OilWay, string> = {
  'into-part': 'Into the new part before it is closed: the surest way.',
  injector: 'Into the low side before the vacuum, with the label’s oil only; a pull takes no oil with it.',
  'by-vacuum': 'Drawn in through the low side by the vacuum at the end of the pull, without air behind it.',
  can: 'The grams of refrigerant in that can count: the charge is planned by so much less.',
}
