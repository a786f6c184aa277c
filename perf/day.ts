import highs from 'highs'
import type { Day, DayCar } from '@/core/day/day'
import { costOf, groundOf } from '@/core/day/layout'
import { planDay } from '@/core/day/plan-day'
import { listRules } from '@/core/day/search'
import { randomDay } from '@/core/tests/day-fixture'
import { atMost, type Measure } from './measure'

/** Days small enough for a general solver to prove their best: seed, cars, people, rigs. */
const PROVED: readonly (readonly [seed: number, cars: number, people: number, rigs: number])[] = [
  [1, 3, 1, 1],
  [2, 3, 2, 1],
  [3, 3, 1, 2],
  [4, 4, 1, 1],
  [5, 4, 1, 2],
  [6, 4, 2, 2],
  [7, 4, 2, 1],
  [8, 5, 1, 2],
  [7, 4, 1, 1],
  [20, 3, 1, 1],
]
const SOLVER_S = 60
const BIG = 3000
/** So much later than the proven best a plan may be: minutes, or a share of the best's, whichever is more. */
const LATER_MIN = 5
const LATER_SHARE = 0.05
/** A minute late against a minute of the ends, for the solver: more than all ends together can be. */
const LATE_WEIGHS = 100

/**
 * The day's plan: how long it takes, and how near its plans are to the best that a mixed-integer solver proves on small
 * days; beside a shop's simple lists on days of ten cars.
 */
export async function measureDay(): Promise<Measure[]> {
  const solver = await highs()
  const proofs = PROVED.flatMap(([seed, cars, people, rigs]) => {
    const day = randomDay(seed, cars, people, rigs)
    const solved = solver.solve(programOf(day), { time_limit: SOLVER_S })
    if (solved.Status !== 'Optimal') return []
    const { late, ends } = planDay(day).plan.cost
    const bestLate = Object.entries(solved.Columns).reduce(
      (sum, [name, column]) => sum + (name.startsWith('l_') && 'Primal' in column ? column.Primal : 0),
      0,
    )
    const bestEnds = solved.ObjectiveValue - LATE_WEIGHS * bestLate
    // where it is later than the best by what is allowed, its ends say nothing
    return [{ over: late - bestLate - Math.max(LATER_MIN, LATER_SHARE * bestLate), ends: ends / bestEnds }]
  })
  const ten = Array.from({ length: 6 }, (_, i) => randomDay(20 + i, 10, 2 + (i % 2), 2 + (i % 2)))
  const gains = ten.map((day) => {
    const ground = groundOf(day)
    const lists = listRules(ground).map((order) => costOf(ground, order))
    const best = lists.reduce((a, b) => (b.late < a.late || (b.late === a.late && b.ends < a.ends) ? b : a))
    const { ends } = planDay(day).plan.cost
    return { best: ends / best.ends, oneByOne: ends / oneAfterTheOther(day) }
  })
  const mean = (of: (g: (typeof gains)[number]) => number) => gains.reduce((s, g) => s + of(g), 0) / gains.length
  return [
    atMost(
      'a day of 12 cars planned',
      timed(() => planDay(randomDay(2, 12, 2, 3))),
      's',
      2,
    ),
    atMost(
      'a day of 40 cars planned',
      timed(() => planDay(randomDay(1, 40, 4, 5, 2))),
      's',
      10,
    ),
    atMost(
      `lateness beyond the 5 min or 5 % allowed over the proven best, worst of ${proofs.length} days`,
      Math.max(...proofs.map((p) => p.over)),
      'min',
      0,
    ),
    {
      ...atMost(
        `sum of the ends, worst of ${proofs.length} days of 3 to 5 cars`,
        Math.max(...proofs.map((p) => p.ends)),
        'of the proven best',
        1.06,
      ),
      reference: `a mixed-integer program of the same day, proved by HiGHS within ${SOLVER_S} s; ${PROVED.length - proofs.length} not proved`,
      ratio: Math.max(...proofs.map((p) => p.ends)),
    },
    {
      ...atMost(
        'sum of the ends on days of 10 cars, against the best of twelve lists',
        mean((g) => g.best),
        'of it',
        1,
      ),
      reference: 'cars one after the other, each from its arrival to its end',
      ratio: mean((g) => g.oneByOne),
    },
  ]
}

const timed = (work: () => void): number => {
  const began = Date.now()
  work()
  return (Date.now() - began) / 1000
}

/** One car at a time, in the order they come: what a shop does that leaves its hands idle. */
function oneAfterTheOther({ cars }: Day): number {
  let [now, ends] = [0, 0]
  for (const car of [...cars].sort((a, b) => a.arrives - b.arrives)) {
    now = Math.max(now, car.arrives) + car.steps.reduce((s, x) => s + (x.hands ?? x.wait ?? 0), 0)
    ends += now
  }
  return ends
}

/**
 * The same day as a mixed-integer program: starts, who does what, and for two that want one thing which comes first.
 */
function programOf(day: Day): string {
  const rules: string[] = []
  const binaries = new Set<string>()
  const free: string[] = []
  const s = (c: number, k: number) => `s_${c}_${k}`
  const length = (car: DayCar, k: number) => car.steps[k]?.hands ?? car.steps[k]?.wait ?? 0
  const objective: string[] = []
  day.cars.forEach((car, c) => {
    const last = car.steps.length - 1
    rules.push(`${s(c, 0)} >= ${Math.max(0, car.arrives)}`)
    for (let k = 1; k <= last; k++) rules.push(`${s(c, k)} - ${s(c, k - 1)} >= ${length(car, k - 1)}`)
    objective.push(`${s(c, last)}`)
    if (car.promised !== null) {
      rules.push(`l_${c} - ${s(c, last)} >= ${length(car, last) - car.promised}`)
      objective.push(`${LATE_WEIGHS} l_${c}`)
      free.push(`l_${c} >= 0`)
    }
  })
  const hands = day.cars.flatMap((car, c) =>
    car.steps.flatMap((x, k) => (x.hands === undefined ? [] : [{ c, k, d: x.hands, step: x.step }])),
  )
  for (const { c, k } of hands) {
    const own = day.people.map((_, p) => `x_${c}_${k}_${p}`)
    for (const x of own) binaries.add(x)
    rules.push(`${own.join(' + ')} = 1`)
  }
  for (const [i, a] of hands.entries())
    for (const b of hands.slice(i + 1)) {
      if (a.c === b.c) continue
      const y = `y_${a.c}_${a.k}_${b.c}_${b.k}`
      binaries.add(y)
      day.people.forEach((_, p) => {
        const both = `${BIG} x_${a.c}_${a.k}_${p} - ${BIG} x_${b.c}_${b.k}_${p}`
        rules.push(`${s(b.c, b.k)} - ${s(a.c, a.k)} - ${both} - ${BIG} ${y} >= ${a.d - 3 * BIG}`)
        rules.push(`${s(a.c, a.k)} - ${s(b.c, b.k)} - ${both} + ${BIG} ${y} >= ${b.d - 2 * BIG}`)
      })
      if (a.step === 'charge' && b.step === 'charge' && day.scales.length === 1) {
        const q = `q_${a.c}_${b.c}`
        binaries.add(q)
        rules.push(`${s(b.c, b.k)} - ${s(a.c, a.k)} - ${BIG} ${q} >= ${a.d - BIG}`)
        rules.push(`${s(a.c, a.k)} - ${s(b.c, b.k)} + ${BIG} ${q} >= ${b.d}`)
      }
    }
  const bound = day.cars.flatMap((car, c) => {
    const from = car.steps.findIndex((x) => x.step === 'rig')
    const to = car.steps.findIndex((x) => x.freesRig || (x.step === 'hold' && !car.steps.some((y) => y.freesRig)))
    return from < 0 || to < 0 ? [] : [{ c, from, to, d: length(car, to) }]
  })
  for (const { c } of bound) {
    const own = day.rigs.map((_, r) => `z_${c}_${r}`)
    for (const z of own) binaries.add(z)
    rules.push(`${own.join(' + ')} = 1`)
  }
  for (const [i, a] of bound.entries())
    for (const b of bound.slice(i + 1)) {
      const w = `w_${a.c}_${b.c}`
      binaries.add(w)
      day.rigs.forEach((_, r) => {
        const both = `${BIG} z_${a.c}_${r} - ${BIG} z_${b.c}_${r}`
        rules.push(`${s(b.c, b.from)} - ${s(a.c, a.to)} - ${both} - ${BIG} ${w} >= ${a.d - 3 * BIG}`)
        rules.push(`${s(a.c, a.from)} - ${s(b.c, b.to)} - ${both} + ${BIG} ${w} >= ${b.d - 2 * BIG}`)
      })
    }
  // the ends are the last starts and their lengths, which stand fast
  const ends = day.cars.reduce((sum, car) => sum + length(car, car.steps.length - 1), 0)
  return [
    'Minimize',
    ` obj: ${objective.join(' + ')} + ${ends} one`,
    'Subject To',
    ...rules.map((rule, i) => ` r${i}: ${rule}`),
    ' r_one: one = 1',
    'Bounds',
    ...free.map((f) => ` ${f}`),
    'Binary',
    ` ${[...binaries].join('\n ')}`,
    'End',
  ].join('\n')
}
