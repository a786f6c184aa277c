import { OPENED } from '../job/events'
import type { PullPlan, PullQuestion } from '../pull/planner'
import { FREE_VOLUME_L } from '../rig/free-volume'
import { PA_PER_MICRON } from '../units/constants'
import { OPENED_WORDS } from '../words/renewed'
import { air, bore, type Choice, celsius, metres, short, speed, vacuum } from './fields'
import { CORES, HOSES, rigOf } from './hose-sum'
import { even, tens } from './picture'
import { type Answer, figure, type Given, type Sum } from './sum'

const STORY: Choice = {
  key: 'opened',
  label: 'It was open',
  like: 'component',
  options: OPENED.map((value) => ({ value, label: OPENED_WORDS[value] })),
}
const EVAPORATORS: Choice = {
  key: 'evaporators',
  label: 'Evaporators',
  like: '1',
  options: [
    { value: '1', label: 'one' },
    { value: '2', label: 'two' },
  ],
}
/** Pulls that are simulated, and how far each is followed, s. */
const DRAWS = 60
const HORIZON_S = 3 * 3600
const POINTS = 360

function asked(given: Given): PullQuestion {
  const evaporators = given.c.evaporators === '2' ? 2 : 1
  const opened = OPENED.find((o) => o === given.c.opened) ?? 'component'
  return {
    car: { volumeL: FREE_VOLUME_L[evaporators], evaporators },
    rig: rigOf(given),
    story: { opened, openHours: opened === 'nothing' ? 0 : 3, drierReplaced: true },
    ambientC: figure(given, 'ambient'),
    barometerPa: figure(given, 'air'),
    targetPa: figure(given, 'target'),
    draws: DRAWS,
    seed: 7,
    horizonS: HORIZON_S,
    points: POINTS,
  }
}

const minutes = (s: number | null): string =>
  s === null ? 'over three hours' : s < 90 ? `${Math.round(s)} s` : `${short(s / 60, 2)} min`
const micron = (pa: number): string => Number((pa / PA_PER_MICRON).toPrecision(2)).toLocaleString('en')

function answered(given: Given, plan: PullPlan | null): Answer {
  const [airPa, target] = [figure(given, 'air'), figure(given, 'target')]
  const bottom = Math.min(target, figure(given, 'ultimate')) / 2
  const main = plan ? minutes(plan.p50S) : 'working it out…'
  const toS = plan ? Math.min(HORIZON_S, 1.5 * (plan.p90S ?? HORIZON_S) + 120) : 3600
  const band = plan?.band
  const at = (values: readonly number[] | undefined): [number, number][] =>
    (values ?? []).flatMap((pa, i): [number, number][] => ((band?.tS[i] ?? toS) <= toS ? [[band?.tS[i] ?? 0, pa]] : []))
  return {
    main,
    line: plan
      ? `To ${micron(target)} micron at the far side with ${given.c.pump}, hose ${given.c.bore} by ${given.c.length}, cores ${given.c.cores}: about ${minutes(plan.p50S)}, 8 of 10 between ${minutes(plan.p10S)} and ${minutes(plan.p90S)}.`
      : '',
    facts: plan
      ? [
          { name: 'Half are done by', text: minutes(plan.p50S) },
          { name: '8 of 10 between', text: `${minutes(plan.p10S)} and ${minutes(plan.p90S)}` },
          {
            name: 'Of that no rig tells',
            text: 'water beyond what the story has: a measured pull is judged as it goes',
          },
        ]
      : [],
    picture: {
      kind: 'curve',
      x: {
        from: 0,
        to: toS,
        name: 'time',
        ticks: even(0, toS, toS > 5400 ? 1800 : toS > 1800 ? 600 : 300, (s) => `${Math.round(s / 60)} min`),
      },
      y: { from: airPa, to: bottom, log: true, name: 'micron', ticks: tens(bottom, airPa, micron, PA_PER_MICRON) },
      lines: plan
        ? [
            {
              name: 'dry and tight',
              dashed: true,
              points: plan.dry.tS
                .map((t, i): [number, number] => [t, plan.dry.farPa[i] as number])
                .filter(([t]) => t <= toS),
            },
          ]
        : [],
      ...(band && { band: { name: '8 of 10 pulls', low: at(band.lowPa), high: at(band.highPa) } }),
      rules: [],
      handles: [{ field: 'target', name: 'target', along: 'y', at: target, other: plan?.p50S ?? toS * 0.9 }],
    },
    ...(plan === null && { later: asked(given) }),
  }
}

export const PULL_SUM: Sum = {
  id: 'pull',
  name: 'Pull',
  question: 'How long does this rig need to the target at the car?',
  asks: [
    vacuum({
      key: 'target',
      label: 'Target at the far side',
      like: '500 micron',
      least: 50 * PA_PER_MICRON,
      most: 2000,
    }),
    STORY,
    speed({ key: 'pump', label: 'Pump, by its plate', like: '5 cfm' }),
    vacuum({ key: 'ultimate', label: 'what it reaches blanked off', like: '40 micron', most: 400 }),
    bore({ key: 'bore', label: 'Hose, bore', like: '4.8 mm' }),
    metres({ key: 'length', label: 'and length', like: '1.5 m' }),
    HOSES,
    CORES,
    EVAPORATORS,
    celsius({ key: 'ambient', label: 'Air around', like: '22 C', least: 0, most: 55 }),
    air(),
  ],
  formula: `${DRAWS} pulls of the rig as a network of tubes and volumes, with water drawn from the story, followed for three hours`,
  source: 'rig model of this program; water by the story is assumed (0.02 to 10 g)',
  answer: (given) => answered(given, null),
  finish: answered,
}
