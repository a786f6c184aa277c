import { W } from '../language/units/duration'
/** A length of time, rounded to what matters of it. */
export function lengthWords(s: number): string {
  if (s < 120) return `${Math.round(s)} s`
  const minutes = Math.round(s / 60)
  return minutes < 120 ? W.min(minutes) : W.hMin(Math.floor(minutes / 60), minutes % 60)
}
