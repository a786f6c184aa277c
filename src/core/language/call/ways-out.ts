import { type P, spoken } from '../spoken'

export const W = spoken({
  chargedNotProved: 'Charged, not proved',
  nobodyHasSeenItCool:
    'Nobody has seen it cool: the engine cannot run, or it waits for a part. The weight alone speaks for it.',
  checkedForLeaksOnly: 'Checked for leaks only',
  nothingWasChargedWhatThe: 'Nothing was charged: what the holds found is all it says.',
  handedOverToOthers: 'Handed over to others',
  whatWasDoneHereIs: 'What was done here is kept; whoever goes on with it begins by reading both gauges.',
  givenUp: 'Given up',
  theCarGoesAsIt: 'The car goes as it stands; the record says why.',
  stayInTheCarThe: (mass: P) => ` ${mass} stay in the car: the ports have to be capped.`,
  upToWorstCaseCharged: (aYear: P, lifeWords: P) =>
    `Up to ${aYear}, worst case: charged to the middle of its label it is short of it after ${lifeWords}. ` +
    `Topping up year after year is against the law in many places; local codes decide.`,
})
