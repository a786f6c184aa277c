import { type P, spoken } from '../spoken'

export const W = spoken({
  toTheBoard: 'To the board',
  withTheCouplersOnIt: (rate: P) => `; with the couplers on it was ${rate}`,
  doesItRiseMoreWithout: 'Does it rise more without them?',
  leaveThemOffLookAt: 'Leave them off. Look at',
  inMin: (p1: P) => `in ${p1} min`,
  typeWhatTheGaugeShows: 'Type what the gauge shows, twice, minutes apart.',
  itRisesByNow: (rate: P, told: P) => `It rises by ${rate} now${told}.`,
  moreWithoutThemACore:
    'More without them: a core, which its coupler sealed. The same: neither core nor coupler. Less: a coupler, ' +
    'or our own hoses.',
  aGaugeOnTheManifold:
    'A gauge on the manifold sees nothing of the car meanwhile: put them back on after the time, and compare.',
  more: 'More',
  theSame: 'The same',
  less: 'Less',
  thenTheNextCheck: 'Then the next check.',
  lowCouplerBackOnAnd: 'Low coupler back on, and watch it.',
  itRisesByNow2: (rate: P) => `It rises by ${rate} now.`,
  pushedOnItSealsThe: 'Pushed on it seals the low core. Five to ten minutes tell: it rises on, or it stops.',
  itsValveShutNothingIs: 'Its valve shut: nothing is let in.',
  itStoppedTheLowCore: 'It stopped: the low core',
  itRisesOnTheHigh: 'It rises on: the high core',
  theOtherCoreIsThe: 'The other core is the one then.',
})
