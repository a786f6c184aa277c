import type { JobOpened } from '../job/events'
import { W } from '../language/readings/vacuum-seen'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_MICRON } from '../units/constants'
import { fromPascal } from '../units/pressure'
import { shownVacuum, type Units } from '../units/shown'

/** A vacuum as its gauge lets one know it: the figure, its unit, and what it can mean. */
export type VacuumSeen = { text: string; unit: string; means: string; byNeedle: boolean }

const micron = (pa: number): string => Math.round(pa / PA_PER_MICRON).toLocaleString('en')
/** Two figures are all a needle bears; depths it stands for are not said in its own inches. */
const roughly = (pa: number, unit: Units['vacuum']): string =>
  Number(fromPascal(pa, depthUnit(unit)).toPrecision(2)).toLocaleString('en')
const depthUnit = (unit: Units['vacuum']) => (unit === 'inHgV' ? 'micron' : unit)

/**
 * What a vacuum gauge shows in its own unit: micron of an electronic one, inches of a needle with the span of depths
 * they stand for. A needle knows half an inch; below that it stands at its stop.
 * @param pa - Pa absolute
 * @param unit - that whoever looks thinks in; an electronic gauge is shown in it, with micron beside
 */
export function vacuumSeen(
  pa: number,
  gauge: 'electronic' | 'needle',
  barometerPa: number,
  unit: Units['vacuum'] = 'micron',
): VacuumSeen {
  if (gauge === 'electronic') {
    const means = unit === 'micron' ? pascals(pa) : W.micron(micron(pa))
    return { ...shownVacuum(pa, unit, barometerPa), means, byNeedle: false }
  }
  const low = pa - NEEDLE_HALF_WIDTH_PA
  const high = `${roughly(pa + NEEDLE_HALF_WIDTH_PA, unit)} ${depthUnit(unit)}`
  return {
    text: fromPascal(pa, 'inHgV', barometerPa).toFixed(1),
    unit: W.inHgBelowTheAir,
    byNeedle: true,
    means: low <= 0 ? W.atItsStopSomewhereFrom(high) : W.somewhereFromTo(roughly(low, unit), high),
  }
}

const pascals = (pa: number): string => W.pa(pa < 100 ? pa.toPrecision(2) : Math.round(pa))

/**
 * A job's vacuum as its own gauge lets one know it. @param sentUnit - of the reading, where it is known: inches are a
 * needle's
 */
export const vacuumSeenIn =
  (
    { rig, place }: { rig: Pick<JobOpened['rig'], 'gauge'>; place: Pick<JobOpened['place'], 'barometerPa'> },
    sentUnit?: string,
    unit?: Units['vacuum'],
  ) =>
  (pa: number): VacuumSeen =>
    vacuumSeen(pa, sentUnit === 'inHgV' ? 'needle' : rig.gauge, place.barometerPa, unit)

/** The same in one breath, such as `812 micron` or `29.5 inHg below the air, at its stop: …`. */
export function vacuumLine({ text, unit, means, byNeedle }: VacuumSeen): string {
  return byNeedle ? `${text} ${unit}, ${means}` : `${text} ${unit}`
}
