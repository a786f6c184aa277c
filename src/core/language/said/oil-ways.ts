import { spoken } from '../spoken'

export const W = spoken({
  intoTheOpenPart: 'into the open part',
  byInjectorBeforeTheVacuum: 'by injector, before the vacuum',
  drawnInByTheVacuum: 'drawn in by the vacuum, low side',
  outOfACanThat: 'out of a can that also holds refrigerant',
  intoTheNewPartBefore: 'Into the new part before it is closed: the surest way.',
  intoTheLowSideBefore: 'Into the low side before the vacuum, with the label’s oil only; a pull takes no oil with it.',
  drawnInThroughTheLow: 'Drawn in through the low side by the vacuum at the end of the pull, without air behind it.',
  theGramsOfRefrigerantIn: 'The grams of refrigerant in that can count: the charge is planned by so much less.',
})
