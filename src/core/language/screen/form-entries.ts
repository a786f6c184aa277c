import { type P, spoken } from '../spoken'

export const W = spoken({
  typeAsANumber: (what: P) => `type ${what} as a number`,
  mustLieBetween0And: (what: P, most: P) => `${what} must lie between 0 and ${most}`,
  flOz: 'fl oz',
  theOilInMlOr: 'the oil in mL or fl oz',
  mlFlOz: (value: P, value2: P) => `${value} mL, ${value2} fl oz`,
  toGTo: (lowG: P, highG: P, formatPoundsOunces: P, formatPoundsOunces2: P) =>
    `${lowG} to ${highG} g · ${formatPoundsOunces} to ${formatPoundsOunces2}`,
  airNeedleCanRead: (kpa: P, inches: P) => `air ${kpa} kPa; a needle can read ${inches} inHg at the deepest`,
  inhgBelowTheAirKpa: (fromPascal: P, absolute: P) => `${fromPascal} inHg below the air, ${absolute} kPa absolute`,
  kpaPsigKpaAbsolute: (value: P, psig: P, absolute: P) => `${value} kPa, ${psig} psig, ${absolute} kPa absolute`,
})
