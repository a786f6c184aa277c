import { type P, spoken } from '../spoken'

export const W = spoken({
  takeIn: (p1: P) => `take in ${p1}`,
  readBothGaugesOf: (p1: P) => `read both gauges of ${p1}`,
  repair: (p1: P) => `repair ${p1}`,
  with2: (rig: P) => ` with ${rig}`,
  rigUp: (p1: P, p2: P) => `rig up ${p1}${p2}`,
  startThePullOf: (p1: P) => `start the pull of ${p1}`,
  isolate: (p1: P) => `isolate ${p1}`,
  judgeTheHoldOf: (p1: P) => `judge the hold of ${p1}`,
  charge: (p1: P) => `charge ${p1}`,
  prove: (p1: P) => `prove ${p1}`,
  handOver: (p1: P) => `hand over ${p1}`,
  then2: (deed: P) => `, then ${deed}`,
  min: (m: P) => `${m} min`,
  nothingElseMoves: 'Nothing else moves.',
  andMore: (more: P) => `, and ${more} more`,
  plannedForAt: (car: P, clock: P) => `planned for ${car} at ${clock}`,
  untilAbout: (clock: P) => ` until about ${clock}`,
  hangsOn: (car: P, p2: P) => `hangs on ${car}${p2}`,
  whatIsLeftOfIt: (minutes: P, minutes2: P) =>
    `What is left of it takes ${minutes} of hands and ${minutes2} that it waits by itself`,
  nothingHoldsItUp: (takes: P) => `${takes}; nothing holds it up.`,
  cannotBePlannedNoRig: (carName: P) => `${carName} cannot be planned: no rig is in use.`,
  cannotBePlannedNobodyWorks: (carName: P) => `${carName} cannot be planned: nobody works here.`,
  comesAfterAllThatAre: (carName: P) =>
    `${carName} comes after all that are planned: there are more cars than one plan holds.`,
  ofWasSetByHand: (step: P, carName: P) =>
    `${step} of ${carName} was set by hand for somebody who is away then: planned anew.`,
  ofWasSetByHandFor: (step: P, carName: P) =>
    `${step} of ${carName} was set by hand for somebody who works here no more: planned anew.`,
  ofWasSetByHandForA: (step: P, carName: P) =>
    `${step} of ${carName} was set by hand for a rig that is out of use: planned anew.`,
  later: 'later',
  sooner: 'sooner',
})
