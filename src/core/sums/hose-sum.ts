import type { Rig } from '../job/written'
import { W } from '../language/sums/hose'
import { type PortSpeed, portSpeeds } from '../rig/port-speeds'
import { L_S_PER_CFM } from '../units/constants'
import { air, bore, type Choice, celsius, metres, short, speed } from './fields'
import { drawn, tens } from './picture'
import { figure, type Given, type Sum } from './sum'

export const CORES: Choice = {
  key: 'cores',
  label: W.valveCores,
  like: 'in',
  options: [
    { value: 'in', label: W.leftIn },
    { value: 'out', label: W.outThroughACoreTool },
  ],
}
export const HOSES: Choice = {
  key: 'hoses',
  label: W.hosesToTheCar,
  like: 'both',
  options: [
    { value: 'both', label: W.bothSides },
    { value: 'one', label: W.lowSideOnly },
  ],
}

/** A rig of these figures. */
export const rigOf = (given: Given, cores = given.c.cores ?? 'in'): Rig => ({
  name: W.aRig,
  pumpM3S: figure(given, 'pump'),
  ultimatePa: given.n.ultimate ?? 5,
  boreM: figure(given, 'bore'),
  lengthM: figure(given, 'length'),
  hoses: given.c.hoses === 'one' ? 1 : 2,
  cores: cores === 'out' ? 'out' : 'in',
  gauge: 'electronic',
  gaugeAt: 'far',
  resolutionPa: 0.13,
  scaleStepG: 2,
})

const cfm = (m3S: number): string => W.cfm(short((m3S * 1000) / L_S_PER_CFM, 2))
const LEAST_SHARE = 0.001
/** Bores that are drawn, m, and at how many of them it is worked out. */
const BORES_M = [0.0025, 0.014] as const
const POINTS = 8

const withBore = (given: Given, m: number): Given => ({ ...given, n: { ...given.n, bore: m } })
/** Share of the plate's speed that is left at the low port at 500 micron. */
const deepShare = (given: Given, cores: string): number =>
  portSpeeds(rigOf(given, cores), figure(given, 'ambient'), figure(given, 'air')).find(
    (s) => s.port === 'low' && s.depth === 500,
  )?.share ?? LEAST_SHARE

export const HOSE_SUM: Sum = {
  id: 'hose',
  name: W.hoseAndCore,
  question: W.whatDoTheHoseAnd,
  asks: [
    speed({ key: 'pump', label: W.pumpByItsPlate, like: '5 cfm' }),
    bore({ key: 'bore', label: W.hoseBore, like: '4.8 mm' }),
    metres({ key: 'length', label: W.andLength, like: '1.5 m' }),
    HOSES,
    CORES,
    celsius({ key: 'ambient', label: W.airAround, like: '22 C' }),
    air(),
  ],
  formula: W.viscousDP128L,
  source: W.rigModelOfThisProgram,
  answer: (given) => {
    const speeds = (cores: string) => portSpeeds(rigOf(given, cores), figure(given, 'ambient'), figure(given, 'air'))
    const [own, other] = [given.c.cores ?? 'in', given.c.cores === 'out' ? 'in' : 'out']
    const all = [own, other].flatMap((cores) =>
      speeds(cores)
        .filter((s) => s.port === 'low')
        .map((s) => ({ ...s, cores })),
    )
    const depthWords = (s: PortSpeed) => (s.depth === 'air' ? W.atTheAir : W.atMicron(s.depth.toLocaleString('en')))
    const deep = all.find((s) => s.depth === 500 && s.cores === own) ?? all[0]
    const gain = all.find((s) => s.depth === 500 && s.cores === other)
    const main = deep ? W.at500Micron(cfm(deep.speedM3S)) : ''
    return {
      main,
      line: W.line(
        given.c.pump ?? '',
        given.c.bore ?? '',
        given.c.length ?? '',
        own,
        all
          .filter((s) => s.cores === own)
          .map((s) => W.speedAt(cfm(s.speedM3S), depthWords(s)))
          .join(', '),
      ),
      facts: [
        {
          name: W.atTheLowPort500,
          text: deep ? W.ofThePlate(cfm(deep.speedM3S), short(100 * deep.share, 2)) : '',
        },
        {
          name: W.withTheCores(other),
          text: gain && deep ? W.timesThat(cfm(gain.speedM3S), short(gain.speedM3S / deep.speedM3S, 2)) : '',
        },
        {
          name: W.theDeeperTheNarrower,
          text: W.aHosePassesGasBy,
        },
      ],
      picture: {
        kind: 'curve',
        x: {
          from: BORES_M[0],
          to: BORES_M[1],
          log: true,
          name: 'bore',
          ticks: [0.003, 0.0048, 0.0065, 0.0095, 0.0127].map((at) => ({ at, text: W.mm(short(at * 1000)) })),
        },
        y: {
          from: LEAST_SHARE,
          to: 1,
          log: true,
          name: W.ofThePlate2,
          ticks: tens(LEAST_SHARE, 1, (v) => `${100 * v} %`),
        },
        lines: [own, other].map((cores) => ({
          name: W.cores2(cores),
          dashed: cores !== own,
          points: drawn(...BORES_M, POINTS, (m) => Math.max(LEAST_SHARE, deepShare(withBore(given, m), cores)), true),
        })),
        rules: [],
        handles: [
          {
            field: 'bore',
            name: 'bore',
            along: 'x',
            at: figure(given, 'bore'),
            other: Math.max(LEAST_SHARE, deep?.share ?? LEAST_SHARE),
          },
        ],
      },
    }
  },
}
