import { type P, spoken } from '../spoken'

export const W = spoken({
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
})
