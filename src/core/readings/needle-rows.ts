import { codedProblem } from '../hold/problem'
import type { HoldSample, Problem } from '../hold/types'
import { W } from '../language/readings/needle-rows'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_INHG } from '../units/constants'

/** Readings of one needle, Pa absolute as its dial says it: off its zero it may show less than nothing. */
export type NeedleReadings = { side: string; readings: { elapsedS: number; shownPa: number }[] }

/** Two needles read each to half an inch agree when they differ by no more than both errors, Pa. */
const BOTH_ERRORS_PA = 2 * NEEDLE_HALF_WIDTH_PA
/** A hair of slack: half an inch typed in decimals is half an inch. */
const HAIR_PA = 1e-6
const inches = (pa: number): string => W.inhg((Math.abs(pa) / PA_PER_INHG).toFixed(1))

/**
 * A hold's samples from one needle or from both, and what is wrong with them. What a needle shows beyond the air of the
 * place is its zero: the whole of it is lifted, since it is the rise that is judged. Two needles are read as one; the
 * one that moves while the other stands has a hose or a spring of its own and is left out.
 */
export function needleSamples(needles: readonly NeedleReadings[]): { samples: HoldSample[]; problems: Problem[] } {
  const problems = needles.flatMap(beyondTheAir)
  const [a, b] = needles.map(lifted)
  if (!a) return { samples: [], problems }
  if (!b) return { samples: merged([a]), problems }
  const [moverA, moverB] = [moved(a), moved(b)]
  const apart = Math.abs(moverA - moverB)
  if (apart > BOTH_ERRORS_PA && Math.min(Math.abs(moverA), Math.abs(moverB)) <= NEEDLE_HALF_WIDTH_PA) {
    const [alone, still] = Math.abs(moverA) > Math.abs(moverB) ? [a, b] : [b, a]
    const what = W.onlyTheNeedleMovedBy(alone.side, inches(moved(alone)))
    return { samples: merged([still]), problems: [...problems, over(alone, codedProblem('one-needle-moves', what))] }
  }
  const offset = middle(b) - middle(a)
  if (Math.abs(offset) > BOTH_ERRORS_PA) {
    const what = W.theAndTheNeedleStand(a.side, b.side, inches(offset))
    problems.push(over(a, codedProblem('off-zero', what)))
  }
  return { samples: merged([shifted(a, offset / 2), shifted(b, -offset / 2)]), problems }
}

/** Spans in which a needle shows more than the air of the place and its own error allow. */
function beyondTheAir({ side, readings }: NeedleReadings): Problem[] {
  const spans: { fromS: number; toS: number; deepestPa: number }[] = []
  let open = false
  for (const { elapsedS, shownPa } of readings) {
    const beyond = shownPa < -NEEDLE_HALF_WIDTH_PA - HAIR_PA
    const last = spans[spans.length - 1]
    if (beyond && open && last) Object.assign(last, { toS: elapsedS, deepestPa: Math.min(last.deepestPa, shownPa) })
    else if (beyond) spans.push({ fromS: elapsedS, toS: elapsedS, deepestPa: shownPa })
    open = beyond
  }
  return spans.map(({ fromS, toS, deepestPa }) => ({
    fromS,
    toS,
    ...codedProblem('beyond-the-air', W.theNeedleShowsMoreThan(side, inches(deepestPa))),
  }))
}

function lifted(needle: NeedleReadings): NeedleReadings {
  const lowest = needle.readings.reduce((low, r) => Math.min(low, r.shownPa), 0)
  return shifted(needle, -lowest)
}

const shifted = ({ side, readings }: NeedleReadings, byPa: number): NeedleReadings => ({
  side,
  readings: readings.map((r) => ({ ...r, shownPa: Math.max(0, r.shownPa + byPa) })),
})

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length)
const middle = ({ readings }: NeedleReadings): number => mean(readings.map((r) => r.shownPa))

/** From the mean of its first third to that of its last, Pa. */
function moved({ readings }: NeedleReadings): number {
  const third = Math.max(1, Math.floor(readings.length / 3))
  const shown = readings.map((r) => r.shownPa)
  return mean(shown.slice(-third)) - mean(shown.slice(0, third))
}

const over = ({ readings }: NeedleReadings, problem: ReturnType<typeof codedProblem>): Problem => ({
  fromS: readings[0]?.elapsedS ?? 0,
  toS: readings[readings.length - 1]?.elapsedS ?? 0,
  ...problem,
})

/** All readings in order of time; those of one moment become their mean. */
function merged(needles: readonly NeedleReadings[]): HoldSample[] {
  const at = new Map<number, number[]>()
  for (const { readings } of needles)
    for (const r of readings) at.set(r.elapsedS, [...(at.get(r.elapsedS) ?? []), r.shownPa])
  return [...at].sort(([a], [b]) => a - b).map(([elapsedS, shown]) => ({ elapsedS, pressurePa: mean(shown) }))
}
