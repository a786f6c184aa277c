import { type P, spoken } from '../spoken'

export const W = spoken({
  from50G: 'from 50 g',
  upTo50Kg: 'up to 50 kg',
  canOf340G: 'can of 340 g',
  canOf250G: 'can of 250 g',
  aboutMoreAsVapour: (mass: P) => `: about ${mass} more as vapour`,
  aSwitchIsBridgedOnly: 'A switch is bridged only as a last step of diagnosis, by the service manual, and recorded.',
  thisContainerIsEmpty: 'This container is empty.',
  thisContainerIsAtIts: 'This container is at its heel: what is left in it is vapour that stays.',
  shutItWeighItAnd: 'Shut it, weigh it, and put the next one on.',
  theFlowStoppedEngineOn: 'The flow stopped. Engine on.',
  theCarStandsAt: (gauge: P) => `: the car stands at ${gauge}`,
  thePressuresHaveMet: (p1: P) => `The pressures have met${p1}.`,
  engineOnCoolingAtMaximum: 'Engine on, cooling at maximum; the rest by the low side.',
  theCompressorDoesNotRun: 'The compressor does not run.',
  inTheCarItsSwitch: (gauge: P, waitsFor: P, missing: P) =>
    `${gauge} in the car, its switch waits for ${waitsFor}${missing}.`,
  letMoreInByThe: 'Let more in by the container’s own pressure: engine off, warm water, 50 °C (122 °F) at most.',
  bothSidesStandNearWith: (gauge: P) => `Both sides stand near ${gauge} with the engine on.`,
  connectorFirstThenThePressure: (bridge: P) =>
    `Connector first, then the pressure switch and fuse; the charge last. ${bridge}`,
  theFlowHasFaded: 'The flow has faded.',
  ifTheCompressorDoesNot: (next: P, bridge: P) =>
    `${next} If the compressor does not run: connector first, then the switch. ${bridge}`,
  theContainerIsCold: 'The container is cold.',
  theContainerHasCooledItself: 'The container has cooled itself by giving vapour.',
  standItInWarmWater: 'Stand it in warm water, 50 °C (122 °F) at most, no flame; or wait.',
  aboutAssumed: (pressure: P) => `about ${pressure} (assumed)`,
  manyYears: 'many years',
  lessThanADay: 'less than a day',
  days: (days: P) => `${days} days`,
  months: (days: P) => `${days} months`,
  years: (days: P) => `${days} years`,
  theseContainersAreGShort: (shortG: P) => `These containers are ${shortG} g short of the target.`,
  thisScaleWithTheseChanges: (allowance: P, halfWidth: P) =>
    `This scale, with these changes, cannot meet ±${allowance} g: they leave ±${halfWidth} g.`,
  weighsLessThanItsOwn: (id: P) =>
    `${id} weighs less than its own empty weight: check the gross, the tare and what lay on the scale.`,
  theGrossIsNotAbove: (id: P) => `${id}: the gross is not above the net. Was the net weight taken for the gross?`,
  anEmptyWeightOfG: (id: P, tare: P, netG: P) =>
    `${id}: an empty weight of ${tare} g is unusual for a can of ${netG} g. Was the scale zeroed with something on it, or the hose hung on afterwards?`,
  holdsGByItsWeights: (id: P, grossG: P, netG: P) =>
    `${id} holds ${grossG} g by its weights, more than the ${netG} g of its label: check the tare.`,
  liquidGoesOnlyIntoThe:
    'Liquid goes only into the high side or a resting system with the engine off; never start against liquid, never liquid into the low side of a running compressor.',
  theScaleWasSwitchedTo: (p1: P) => `the scale was switched to ${p1}: read as such from here on`,
  theScaleShowsGramsAgain: 'the scale shows grams again',
  theScaleWasBumpedThose: 'the scale was bumped: those readings are left out',
  theContainerWasLiftedOff: 'the container was lifted off: put it back as it stood',
  apartCountedOut: (words: P) => `, ${words} apart: counted out`,
  theContainerWasLiftedOffAnd: (p1: P) => `the container was lifted off and put back${p1}`,
  theScaleJumpedByAnd: (words: P) =>
    `the scale jumped by ${words} and stays: a hose leans or something lies on it; counted out`,
  withTheValveShutIt: (
    way: P,
    perMinute: P,
  ) => `with the valve shut it ${way} ${perMinute} g a minute: the scale drifts,
          or gas escapes before the valve`,
  theMiddleOfTo: (both: P, both2: P) => `, the middle of ${both} to ${both2}`,
  nothingStaysInTheHose: 'nothing stays in the hose, it is drawn down',
  ofStayInTheHose: (both: P, phase: P) => `${both} of ${phase} stay in the hose`,
  onTheScaleEmptySo: (id: P, both: P, both2: P, both3: P) =>
    `${id}: ${both} on the scale, empty ${both2}, so it holds ${both3}`,
  itsHeelOfStays: (both: P) => `its heel of ${both} stays; `,
  takesOutOfItPurged: (holds: P, p2: P, both: P, both2: P, stop: P) =>
    `${holds}; ${p2}takes out ${both}, ${both2} of it purged; ${stop}.`,
  target: (massWords: P, range: P) => `Target ${massWords}${range}.`,
  weighedOutIntoTheCar: (both: P, both2: P, held: P, both3: P) =>
    `Weighed out: ${both} into the car + ${both2} purged; ${held}: ${both3}.`,
  intoTheCarAt95: (massWords: P, both: P, both2: P) =>
    `Into the car ${massWords}, at 95 % between ${both} and ${both2}.`,
  within: (both: P) => `Within ±${both}.`,
  notWithinForCertain: (both: P) => `Not within ±${both} for certain.`,
  change: 'change',
  close: 'close',
  atWord: (p1: P, massWords: P) => `${p1} at ${massWords}`,
})
