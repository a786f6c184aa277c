import type { CarHold, CarVisit } from './car-visit'

/** A hold among those of the years, brought to what neither its volume nor its length changes: g a year, worst case. */
export type CarHoldAt = {
  jobId: string
  atMs: number
  heldS: number
  verdict: CarHold['verdict']
  /** what it leaked by; null where no leak was found */
  leakG: number | null
  /** no leak above this would have gone unseen; null where it proved nothing */
  limitG: number | null
}

/** Every hold of a car, oldest first. */
export const holdsOf = (visits: readonly CarVisit[]): CarHoldAt[] =>
  visits
    .flatMap((v) =>
      v.holds.map((h) => ({
        jobId: v.jobId,
        atMs: Date.parse(h.at),
        heldS: h.heldS,
        verdict: h.verdict,
        leakG: h.leakGramsPerYear,
        limitG: h.provesGramsPerYear,
      })),
    )
    .sort((a, b) => a.atMs - b.atMs)

/** What became of leaks from one hold to the next: growing, gone, or nothing that can be told. */
export type HoldsSay = 'grows' | 'mended' | 'stays' | 'nothing'

/** A leak counts as grown by this factor: a hold tells its size no better (found on records of known truth). */
const GREW = 2

/** What the holds of a car say together. */
export function holdsSay(holds: readonly CarHoldAt[]): HoldsSay {
  const told = holds.filter((h) => h.leakG !== null || h.limitG !== null)
  const last = told.at(-1)
  const before = told
    .slice(0, -1)
    .filter((h) => h.leakG !== null)
    .at(-1)
  if (!last) return 'nothing'
  if (last.leakG === null) return before ? 'mended' : 'nothing'
  // a hold that could have seen half of it and saw none says that it is new
  const clean = told.slice(0, -1).at(-1)
  if (clean && clean.leakG === null && clean.limitG !== null && clean.limitG * GREW < last.leakG) return 'grows'
  if (!before?.leakG) return 'nothing'
  return last.leakG > GREW * before.leakG ? 'grows' : 'stays'
}
