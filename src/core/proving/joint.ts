import type { Judged } from '../hold/judged'
import { type LogUniform, logSum } from '../hold/normal'
import { weigh } from '../hold/posterior'

/** The whole range of leaks in so many equal factors. */
const CELLS = 48

/** What a record says of each state of the car: ln of its likelihood, dry and wet, without a leak and in each cell. */
type Evidence = { tight: [dry: number, wet: number]; leaks: [dry: number, wet: number][] }

function evidenceOf({ products, bends, prior }: Judged, { low, high }: LogUniform): Evidence {
  const step = (high / low) ** (1 / CELLS)
  const even = { ...prior, leak: 0.5, damp: { tight: 0.5, leaks: 0.5 } }
  const of = (cell: number) => {
    const from = low * step ** cell
    const only = [{ low: from, high: from * step, share: 1 }]
    const weighed = weigh(products, bends, { ...even, slopes: { dry: only, wet: only } })
    const sum = (shape: string) => logSum(weighed.filter((h) => h.shape === shape).map((h) => h.log))
    return { tight: [sum('tight'), sum('damp')], leaks: [sum('leak'), sum('leak-and-damp')] } as const
  }
  const cells = Array.from({ length: CELLS }, (_, i) => of(i))
  return {
    tight: [...(cells[0] as (typeof cells)[number]).tight],
    leaks: cells.map(({ leaks }) => [...leaks]),
  }
}

/** What a leak may be by what was presumed of it in either record, Pa/s. */
const rangeOf = (records: readonly Judged[]): LogUniform => ({
  low: Math.min(...records.flatMap(({ prior }) => prior.slopes.dry.map((s) => s.low))),
  high: Math.max(...records.flatMap(({ prior }) => prior.slopes.dry.map((s) => s.high))),
})

/** Chances before both records: a leak; water in the first; and in the second, where the first was dry and wet. */
export type Before = { leak: number; damp: number; dampAgain: [afterDry: number, afterWet: number] }

/**
 * Chances of leak and of water in the second of two records of one car, both weighed together: the leak the same in
 * both, cell by cell of its size, the water of the second what the first left. By sums over every state, where the
 * judge hands on quantiles.
 */
export function jointChances(
  [first, second]: readonly [Judged, Judged],
  { leak, damp, dampAgain }: Before,
): { leak: number; damp: number } {
  const [a, b] = [first, second].map((one) => evidenceOf(one, rangeOf([first, second]))) as [Evidence, Evidence]
  const states: { log: number; leaks: boolean; wet: boolean }[] = []
  for (const wetBefore of [false, true])
    for (const wet of [false, true]) {
      const again = dampAgain[wetBefore ? 1 : 0]
      const water = Math.log(wetBefore ? damp : 1 - damp) + Math.log(wet ? again : 1 - again)
      const add = (own: Evidence['tight'], next: Evidence['tight'], chance: number, leaks: boolean) =>
        states.push({ log: own[wetBefore ? 1 : 0] + next[wet ? 1 : 0] + Math.log(chance) + water, leaks, wet })
      add(a.tight, b.tight, 1 - leak, false)
      for (const [i, own] of a.leaks.entries()) add(own, b.leaks[i] as [number, number], leak / CELLS, true)
    }
  const all = logSum(states.map((s) => s.log))
  const share = (of: (s: (typeof states)[number]) => boolean) =>
    Math.exp(logSum(states.filter(of).map((s) => s.log)) - all)
  return { leak: share((s) => s.leaks), damp: share((s) => s.wet) }
}
