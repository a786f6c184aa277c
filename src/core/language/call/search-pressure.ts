import { type P, spoken } from '../spoken'

export const W = spoken({
  letItOutToThe: 'Let it out to the air of the room before the pump runs, and before a joint is opened.',
  hereItShowsInAnd: (percent: P) => `Here it shows in ${percent}, and it takes two minutes.`,
  itIsTheLetIt: (p1: P) => `It is the ${p1}. Let it out.`,
  everyPlaceABrushReaches: 'Every place a brush reaches was soaped.',
  thenMendIt: 'Then mend it.',
  letItSoakAsLong: 'Let it soak as long as it takes: the longer, the smaller the leak it shows.',
  itFallsLetItOut: 'It falls. Let it out.',
  itStandsLetItOut: 'It stands. Let it out.',
  letItSoakThenLet: 'Let it soak, then let it out.',
  pressureAndTemperatureAreBeing: 'Pressure and temperature are being read; some minutes are needed.',
  noTemperatureOfTheGas: (fromS: P, toS: P) =>
    `No temperature of the gas between minute ${fromS} and ${toS}: type it. What falls may be only cooling.`,
  down: 'down',
  up: 'up',
  asRead: (pressure: P, p2: P) => `${pressure} ${p2} as read`,
  inTheVacuumHoldOne: (aYear: P) => `, in the vacuum hold one of ${aYear}`,
  byNowALeakOf: (aYear: P, beside: P) =>
    `By now a leak of ${aYear} would show${beside}; vacuum opens other leaks than pressure does.`,
  inWithTheTemperatureTaken: (held: P, raw: P, aYear: P) =>
    `In ${held} ${raw}; with the temperature taken out it falls: up to ${aYear}, worst case.`,
  itStands: 'it stands',
  itCannotBeToldYet: 'it cannot be told yet',
  inWithTheTemperatureTakenOut: (held: P, raw: P, p3: P) => `In ${held} ${raw}; with the temperature taken out ${p3}.`,
  letOutAtZero: 'Let out, at zero',
})
