import { type P, spoken } from '../spoken'

export const W = spoken({
  gauge: 'Gauge',
  electronic: 'electronic',
  needle: 'needle',
  min: (short: P) => `${short} min`,
  hold: 'Hold',
  howLongMustItHold: 'How long must it hold to show a leak, and what does a rise mean?',
  theLeakThatIsTo: 'The leak that is to be seen',
  aHoldOf: 'A hold of',
  itRisesBy: 'It rises by',
  volumeShutIn: 'Volume shut in',
  fromAVacuumOf: 'From a vacuum of',
  gramsAYearVRise:
    'grams a year = V × rise × (p² − B²)/B² × η air/η refrigerant for a viscous hole (worst case), (p − B)/B × ' +
    '√(M air/M) for a molecular one; a rise is told from zero at 95 of 100',
  modelOfASingleHole:
    'model of a single hole under vacuum and under service pressure at 25 °C; gauge noise 1 %, gas that warms ' +
    '1.5 K, half an inch of needle (assumed)',
  aNeedle: 'a needle',
  anElectronicGauge: 'an electronic gauge',
  moreThanTwoDays: 'more than two days',
  hold2: (needs: P) => `hold ${needs}`,
  toSeeGAYear: (short: P) => `To see ${short} g a year`,
  holdOn: (needs: P, gauge: P) => `hold ${needs} on ${gauge}`,
  aHoldOf2: (long: P) => `A hold of ${long}`,
  showsGAYearAnd: (short: P) => `shows ${short} g a year and more, worst case`,
  toGAYearIf: (short: P, short2: P) => `${short} to ${short2} g a year, if it does not die`,
  noHoldShows: 'No hold shows',
  aCoreUnderItsCoupler: 'a core under its coupler, a seal that opens under pressure only',
  gAYear: 'g a year',
  theLeastThatShows: (gauge: P) => `the least that ${gauge} shows`,
  thatRiseWorstCase: 'that rise, worst case',
  leakToBeSeen: 'leak to be seen',
  line: (leak: P, volume: P, gauge: P, needs: P, held: P, proves: P, rise: P, low: P, high: P) =>
    `To see ${leak} g a year on ${volume} L with ${gauge}: hold ${needs}. ${held} show ${proves} g a year and more. ` +
    `${rise} that does not die: ${low} to ${high} g a year.`,
})
