import { OPENED } from '../job/events'
import { W } from '../language/sums/pull'
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
  label: W.itWasOpen,
  like: 'component',
  options: OPENED.map((value) => ({ value, label: OPENED_WORDS[value] })),
}
const EVAPORATORS: Choice = {
  key: 'evaporators',
  label: W.evaporators,
  like: '1',
  options: [
    { value: '1', label: W.one },
    { value: '2', label: W.two },
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
  s === null ? W.overThreeHours : s < 90 ? `${Math.round(s)} s` : W.min(short(s / 60, 2))
const micron = (pa: number): string => Number((pa / PA_PER_MICRON).toPrecision(2)).toLocaleString('en')

function answered(given: Given, plan: PullPlan | null): Answer {
  const [airPa, target] = [figure(given, 'air'), figure(given, 'target')]
  const bottom = Math.min(target, figure(given, 'ultimate')) / 2
  const main = plan ? minutes(plan.p50S) : W.workingItOut
  const toS = plan ? Math.min(HORIZON_S, 1.5 * (plan.p90S ?? HORIZON_S) + 120) : 3600
  const band = plan?.band
  const at = (values: readonly number[] | undefined): [number, number][] =>
    (values ?? []).flatMap((pa, i): [number, number][] => ((band?.tS[i] ?? toS) <= toS ? [[band?.tS[i] ?? 0, pa]] : []))
  return {
    main,
    line: plan
      ? W.line(
          micron(target),
          given.c.pump ?? '',
          given.c.bore ?? '',
          given.c.length ?? '',
          given.c.cores ?? '',
          minutes(plan.p50S),
          minutes(plan.p10S),
          minutes(plan.p90S),
        )
      : '',
    facts: plan
      ? [
          { name: W.halfAreDoneBy, text: minutes(plan.p50S) },
          { name: W.n8Of10Between, text: `${minutes(plan.p10S)} and ${minutes(plan.p90S)}` },
          {
            name: W.ofThatNoRigTells,
            text: W.waterBeyondWhatTheStory,
          },
        ]
      : [],
    picture: {
      kind: 'curve',
      x: {
        from: 0,
        to: toS,
        name: 'time',
        ticks: even(0, toS, toS > 5400 ? 1800 : toS > 1800 ? 600 : 300, (s) => W.min(Math.round(s / 60))),
      },
      y: { from: airPa, to: bottom, log: true, name: 'micron', ticks: tens(bottom, airPa, micron, PA_PER_MICRON) },
      lines: plan
        ? [
            {
              name: W.dryAndTight,
              dashed: true,
              points: plan.dry.tS
                .map((t, i): [number, number] => [t, plan.dry.farPa[i] as number])
                .filter(([t]) => t <= toS),
            },
          ]
        : [],
      ...(band && { band: { name: W.n8Of10Pulls, low: at(band.lowPa), high: at(band.highPa) } }),
      rules: [],
      handles: [{ field: 'target', name: 'target', along: 'y', at: target, other: plan?.p50S ?? toS * 0.9 }],
    },
    ...(plan === null && { later: asked(given) }),
  }
}

export const PULL_SUM: Sum = {
  id: 'pull',
  name: W.pull,
  question: W.howLongDoesThisRig,
  asks: [
    vacuum({
      key: 'target',
      label: W.targetAtTheFarSide,
      like: '500 micron',
      least: 50 * PA_PER_MICRON,
      most: 2000,
    }),
    STORY,
    speed({ key: 'pump', label: W.pumpByItsPlate, like: '5 cfm' }),
    vacuum({ key: 'ultimate', label: W.whatItReachesBlankedOff, like: '40 micron', most: 400 }),
    bore({ key: 'bore', label: W.hoseBore, like: '4.8 mm' }),
    metres({ key: 'length', label: W.andLength, like: '1.5 m' }),
    HOSES,
    CORES,
    EVAPORATORS,
    celsius({ key: 'ambient', label: W.airAround, like: '22 C', least: 0, most: 55 }),
    air(),
  ],
  formula: W.pullsOfTheRigAs(DRAWS),
  source: W.rigModelOfThisProgram,
  answer: (given) => answered(given, null),
  finish: answered,
}
