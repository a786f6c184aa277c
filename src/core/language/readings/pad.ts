import { type P, spoken } from '../spoken'

export const W = spoken({
  lowSide: 'low side',
  highSide: 'high side',
  airTemperature: 'air temperature',
  gasTemperatureOnAPipe: 'gas temperature, on a pipe',
  mbarInhg: (stored: P, stored2: P) => `${stored} mbar, ${stored2} inHg`,
  kpaPsig: (stored: P, fromPascal: P) => `${stored} kPa, ${fromPascal} psig`,
  suchAs295Or: 'such as 29.5; or with its unit, 776 micron',
  suchAs776400u21: 'such as 776, 400u, 21.6 inHg or 0.1 kPa',
  suchAs3232Psi: 'such as 32, 32 psi or 220 kPa',
  suchAs180180Psi: 'such as 180, 180 psi or 1250 kPa',
  suchAs374GOr: 'such as 374 g or 13.2 oz',
  suchAs22Or72: 'such as 22 or 72 F',
  suchAs8Or46: 'such as 8 or 46 F',
  asItReadsHere1008: 'as it reads here: 1008, 1008 mbar or 29.8 inHg',
  micronKpaAbsoluteInhgBelow: (fromPascal: P, toPrecision: P, fromPascal2: P) =>
    `${fromPascal} micron, ${toPrecision} kPa absolute, ${fromPascal2} inHg below the air`,
  inhgMoreThanTheAir: (beyond: P) =>
    `${beyond} inHg more than the air here can give: is it off its zero, or the altitude wrong? It is kept as typed.`,
})
