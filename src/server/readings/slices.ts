import type { Point } from '@/core/views'

/** The least and the greatest reading of a slice of time, and how many it has. */
export type Slice = { least: Point; greatest: Point; count: number }

/** A channel cut into slices of equal time: the first begins at `fromMs`, job time; those without a reading are missing. */
export type Slices = { fromMs: number; eachMs: number; slices: Map<number, Slice> }

/** The slice a moment falls into; below 0 where it lies before the first. */
export const sliceAt = ({ fromMs, eachMs }: Slices, atMs: number): number => Math.floor((atMs - fromMs) / eachMs)

/** One reading as a slice of its own. */
export function sliceOf(at: number, value: number): Slice {
  const point = { at, value, count: 1 }
  return { least: point, greatest: point, count: 1 }
}

/** Counts readings of one slice of time among the others. */
export function addTo(cut: Slices, more: Slice): void {
  const place = sliceAt(cut, more.least.at)
  const slice = cut.slices.get(place)
  cut.slices.set(
    place,
    slice
      ? {
          least: more.least.value < slice.least.value ? more.least : slice.least,
          greatest: more.greatest.value > slice.greatest.value ? more.greatest : slice.greatest,
          count: slice.count + more.count,
        }
      : more,
  )
}

/** Two points of each slice in the order they were read, or the one there is; each says how many it stands for. */
export function pointsOf(cut: Slices): Point[] {
  const places = [...cut.slices.keys()].sort((a, b) => a - b)
  return places.flatMap((place) => {
    const { least, greatest, count } = cut.slices.get(place) as Slice
    const pair = [least, greatest].map(({ at, value }) => ({ at, value, count })).sort((a, b) => a.at - b.at)
    return count === 1 ? pair.slice(0, 1) : pair
  })
}
