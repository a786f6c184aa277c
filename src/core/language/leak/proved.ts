import { type P, spoken } from '../spoken'

export const W = spoken({
  theRiseWentFromTo: (rate: P, rate2: P) => `: the rise went from ${rate} to ${rate2}`,
  theWasOneOfThem: (place: P, fell: P) => `The ${place} was one of them${fell}. Another is left.`,
  theWasNotIt: (place: P, fell: P) => `The ${place} was not it${fell}.`,
  nothingAboveIsLeft: (aYear: P) => ` Nothing above ${aYear} is left.`,
  itHeldBeforeTheWas: (place: P) =>
    `It held before the ${place} was mended, too: this hold cannot tell whether that was it. The weight will.`,
  theWasIt: (place: P, fell: P, nothing: P) => `The ${place} was it${fell}.${nothing}`,
  noHoldWasMadeAfter: 'No hold was made after it.',
  of100Sure: (p1: P) => `${p1} of 100 sure`,
  leak: 'Leak',
  dyeGoesInWithThe: ' Dye goes in with the charge.',
  leakNotFound: 'Leak not found',
  nothingWasLookedAt: 'nothing was looked at',
  ended: (seen: P, why: P, by: P, dye: P) => `${seen}. Ended: ${why}; ${by}.${dye}`,
})
