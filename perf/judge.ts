import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { judgeHold } from '@/core/hold/judge'
import { RunningHold } from '@/core/hold/running-hold'
import { type KnownRecord, knownRecord } from '@/core/proving/records'
import { atMost, type Measure, percentile } from './measure'

const SEEDS = [1, 2, 3, 4, 6, 8]
const RUNS = 7
const FIRSTS = 30
const FIRSTS_FROM = 1001
const UPDATES = 400
const DAY_MINUTES = 1440

/**
 * The judge: an hour at a reading a second, one more reading, a day; beside a plain fit of the same four curves with a
 * general package.
 */
export function measureJudge(): Measure[] {
  const hours = SEEDS.map((seed) => hour(seed))
  for (let i = 0; i < 3; i++) for (const r of hours) judgeHold(r.samples, r.context)
  // a record nobody has judged before: its earlier moments are judged too, where this one alone does not say enough
  const first = Array.from({ length: FIRSTS }, (_, i) => hour(FIRSTS_FROM + i)).map((r) =>
    timed(() => judgeHold(r.samples, r.context)),
  )
  const scratch = hours.flatMap((r) => Array.from({ length: RUNS }, () => timed(() => judgeHold(r.samples, r.context))))
  const plain = hours.map((r) => timed(() => plainFits(r)))
  const { updates, looks } = running(hours)
  const day = knownRecord(3, { minutes: DAY_MINUTES, everyS: 1 })
  judgeHold(day.samples, day.context)
  const days = Array.from({ length: RUNS }, () => timed(() => judgeHold(day.samples, day.context)))
  return [
    {
      ...atMost(
        `${hours[0]?.samples.length} samples of a hold judged from scratch, median of ${scratch.length}`,
        percentile(scratch, 0.5),
        'ms',
        60,
      ),
      reference:
        'one fit each of the four curves to the same samples with ml-levenberg-marquardt 5.1, no probabilities; times as long',
      ratio: percentile(plain, 0.5) / percentile(scratch, 0.5),
    },
    atMost(`the same of records seen for the first time, median of ${FIRSTS}`, percentile(first, 0.5), 'ms', 60),
    atMost('· nine of ten of them', percentile(first, 0.9), 'ms', 1000),
    atMost(`one new sample to a running hold, median of ${updates.length}`, percentile(updates, 0.5), 'ms', 5),
    atMost('the same, 99 of 100', percentile(updates, 0.99), 'ms', 10),
    atMost(
      `a running hold looked at afresh, of up to ${hours[0]?.samples.length} samples, worst`,
      Math.max(...looks),
      'ms',
      150,
    ),
    atMost(
      `${day.samples.length} samples of a hold judged from scratch, median of ${RUNS}`,
      percentile(days, 0.5),
      'ms',
      150,
    ),
  ]
}

/** A record of an hour without drop-outs, so that it has all its samples. */
function hour(seed: number): KnownRecord {
  for (let s = seed; ; s += 100) {
    const r = knownRecord(s, { minutes: 60, everyS: 1 })
    if (r.samples.length >= 3600) return r
  }
}

function timed(work: () => void): number {
  const began = performance.now()
  work()
  return performance.now() - began
}

/** Readings one by one after the first half hour, as a screen gets them; a fresh look whenever one is due. */
function running(hours: readonly KnownRecord[]): { updates: number[]; looks: number[] } {
  const updates: number[] = []
  const looks: number[] = []
  for (const r of hours) {
    const hold = new RunningHold(r.context, r.samples.slice(0, 1800))
    hold.look()
    for (const sample of r.samples.slice(1800, 1800 + UPDATES)) {
      updates.push(timed(() => hold.add(sample)))
      if (hold.isDue) looks.push(timed(() => hold.look()))
    }
  }
  return { updates, looks }
}

type Curve = (p: number[]) => (t: number) => number
const CURVES: { of: Curve; start: (p0: number, p1: number, span: number) => number[] }[] = [
  { of: (p) => () => p[0] as number, start: (p0) => [p0] },
  { of: (p) => (t) => (p[0] as number) + (p[1] as number) * t, start: (p0, p1, span) => [p0, (p1 - p0) / span] },
  {
    of: (p) => (t) => (p[0] as number) + (p[1] as number) * (1 - Math.exp(-t / Math.abs(p[2] as number))),
    start: (p0, p1) => [p0, p1 - p0, 600],
  },
  {
    of: (p) => (t) =>
      (p[0] as number) + (p[1] as number) * (1 - Math.exp(-t / Math.abs(p[2] as number))) + (p[3] as number) * t,
    start: (p0, p1, span) => [p0, (p1 - p0) / 2, 600, (p1 - p0) / 2 / span],
  },
]

/** What a general package does with the same record: best fits of level, line, bend and both. */
function plainFits({ samples }: KnownRecord): void {
  const data = { x: samples.map((s) => s.elapsedS), y: samples.map((s) => s.pressurePa) }
  const [first, last] = [data.y[0] as number, data.y[data.y.length - 1] as number]
  for (const { of, start } of CURVES) {
    levenbergMarquardt(data, (p: number[]) => of(p), {
      initialValues: start(first, last, data.x[data.x.length - 1] as number),
      damping: 1e-2,
      maxIterations: 30,
      gradientDifference: 1e-4,
    })
  }
}
