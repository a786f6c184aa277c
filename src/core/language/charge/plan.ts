import { type P, spoken } from '../spoken'

export const W = spoken({
  theseContainersAreGShort: (shortG: P) => `These containers are ${shortG} g short of the target.`,
  thisScaleWithTheseChanges: (allowance: P, halfWidth: P) =>
    `This scale, with these changes, cannot meet ±${allowance} g: they leave ±${halfWidth} g.`,
  weighsLessThanItsOwn: (id: P) =>
    `${id} weighs less than its own empty weight: check the gross, the tare and what lay on the scale.`,
  theGrossIsNotAbove: (id: P) => `${id}: the gross is not above the net. Was the net weight taken for the gross?`,
  anEmptyWeightOfG: (id: P, tare: P, netG: P) =>
    `${id}: an empty weight of ${tare} g is unusual for a can of ${netG} g. Was the scale zeroed with something ` +
    `on it, or the hose hung on afterwards?`,
  holdsGByItsWeights: (id: P, grossG: P, netG: P) =>
    `${id} holds ${grossG} g by its weights, more than the ${netG} g of its label: check the tare.`,
  liquidGoesOnlyIntoThe:
    'Liquid goes only into the high side or a resting system with the engine off; never start against liquid, ' +
    'never liquid into the low side of a running compressor.',
})
