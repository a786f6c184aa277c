import { type P, spoken } from '../spoken'

export const W = spoken({
  asItShouldBe: 'As it should be.',
  readItAgainAfterFive: 'Read it again after five minutes at 1,500 rpm, then leave it in order.',
  shortOfCharge: 'Short of charge.',
  weighAgainWhatWentIn: 'Weigh again what went in; find where it goes before adding any.',
  aRestrictionAtTheExpansion: 'A restriction at the expansion device or evaporator.',
  lookForFrostAtOne: 'Look for frost at one place of the liquid line; the filter and the expansion device.',
  tooMuchInIt: 'Too much in it.',
  recoverItAndChargeBy: 'Recover it and charge by weight; recovery is the only honest way back.',
  airInIt: 'Air in it.',
  restPressureAgainstAmbientTells: 'Rest pressure against ambient tells; recover, evacuate, hold, charge again.',
  noAirOverTheCondenser: 'No air over the condenser.',
  fanBonnetSealsLeavesBetween:
    'Fan, bonnet seals, leaves between condenser and radiator; a hose of water over it tells at once.',
  theCompressorDoesNotPump: 'The compressor does not pump as it should.',
  clutchGapAndSlipControl: 'Clutch gap and slip, control valve, belt; with the engine off the sides meet at once.',
  theWeightIsRightThe: 'The weight is right, the fault is elsewhere.',
  blendDoorCabinFilterHeater: 'Blend door, cabin filter, heater valve, sensor; connector and pressure switch.',
  theWeightIsInSo: 'the weight is in, so it is not short',
  shortByWeight: (mass: P) => `${mass} short by weight`,
  overByWeight: (mass: P) => `${mass} over by weight`,
  atRestAboveSaturation: '; at rest above saturation',
  atRestBelowSaturationSo: '; at rest below saturation, so no liquid',
  atRestAsItShould: '; at rest as it should be',
  inVacuum: 'in vacuum',
  itsBand: (side: P) => `${side} its band`,
  notRead: 'not read',
  theCompressorCycles: '; the compressor cycles',
  lowSideHighSideVent: (p1: P, p2: P, side: P, weight: P, atRest: P, p6: P) =>
    `Low side ${p1}, high side ${p2}, vent ${side}; ${weight}${atRest}${p6}.`,
})
