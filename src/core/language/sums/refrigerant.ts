import { type P, spoken } from '../spoken'

export const W = spoken({
  refrigerant: 'Refrigerant',
  pressures: 'Pressures',
  whatShouldTheGaugesShow: 'What should the gauges show, at rest and running?',
  airAroundTheCar: 'Air around the car',
  atRestTheSaturationPressure:
    'at rest the saturation pressure less the air; running: condensing 15 to 30 K above the air around, ' +
    'evaporating −2 to 10 °C',
  tillnerRothAndBaehr1994:
    'Tillner-Roth and Baehr (1994) for R-134a, a Wagner form for R-1234yf; running bands are assumed, the ' +
    'maker’s chart comes first',
  atAtRestWithLiquid: (fluid: P, celsius: P, main: P, span: P, span2: P, celsius2: P, celsius3: P) =>
    `${fluid} at ${celsius}: at rest with liquid in it ${main}; running low ${span}, high ${span2}, vent ` +
    `${celsius2} to ${celsius3} (typical, assumed).`,
  atRestLiquidLeft: 'At rest, liquid left',
  aboveIt: 'Above it',
  airInsideBelowItNo: 'air inside; below it, no liquid left',
  runningLowSide: 'Running, low side',
  runningHighSide: 'Running, high side',
  runningMiddleVent: 'Running, middle vent',
  liquid: 'Liquid',
  gPerMl: (liquidKgM3: P) => `${liquidKgM3} g per mL`,
  airAroundTheCar2: 'air around the car',
  atRest: (fluid: P) => `${fluid} at rest`,
  highSideRunning: 'high side, running',
})
