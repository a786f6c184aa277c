/** An axis: its ends in base units, whether by powers of ten, and what is written along it. */
export type Axis = {
  from: number
  to: number
  log?: boolean
  name: string
  ticks: readonly { at: number; text: string }[]
}

/**
 * Something that is dragged, and by that changes an entry; `entry` where the axis counts otherwise than the entry,
 * `text` where it writes the entry itself.
 */
export type Handle = {
  field: string
  name: string
  at: number
  entry?: (onAxis: number) => number
  text?: (onAxis: number) => string
}

export type Tone = 'air' | 'needle' | 'drying' | 'deep' | 'floor'

/** One scale with bands and marks; by depth it stands upright, the surface at the top. */
export type ScalePicture = {
  kind: 'scale'
  deep?: boolean
  axis: Axis
  /** a second row of figures along the same scale */
  beside?: readonly { at: number; text: string }[]
  bands: readonly { from: number; to: number; name: string; tone: Tone; hatched?: boolean }[]
  marks: readonly { at: number; text: string; strong?: boolean }[]
  handles: readonly Handle[]
}

/** Curves over two axes. */
export type CurvePicture = {
  kind: 'curve'
  x: Axis
  y: Axis
  lines: readonly { name: string; points: readonly (readonly [number, number])[]; dashed?: boolean }[]
  /** between two curves */
  band?: { name: string; low: readonly (readonly [number, number])[]; high: readonly (readonly [number, number])[] }
  rules: readonly { x?: number; y?: number; text: string }[]
  handles: readonly (Handle & { along: 'x' | 'y'; other: number })[]
}

/** Bars one below the other, each a weight, a speed, an amount. */
export type BarsPicture = {
  kind: 'bars'
  axis: Axis
  rows: readonly { name: string; from: number; to: number; text: string; pale?: boolean }[]
  target?: { at: number; low: number; high: number; text: string }
  handles: readonly Handle[]
}

export type Picture = ScalePicture | CurvePicture | BarsPicture

/** Place on an axis, 0 to 1, held to its ends. */
export function shareOn({ from, to, log }: Axis, value: number): number {
  const share = log ? Math.log(value / from) / Math.log(to / from) : (value - from) / (to - from)
  return Number.isFinite(share) ? Math.min(1, Math.max(0, share)) : 0
}

/** The value at a place of an axis. */
export function valueOn({ from, to, log }: Axis, share: number): number {
  const s = Math.min(1, Math.max(0, share))
  return log ? from * (to / from) ** s : from + s * (to - from)
}

/** Ticks by powers of ten. @param text - how a value is written */
export function tens(
  from: number,
  to: number,
  text: (value: number) => string,
  unit = 1,
): { at: number; text: string }[] {
  const ticks = []
  for (let e = Math.ceil(Math.log10(from / unit) - 1e-9); unit * 10 ** e <= to * (1 + 1e-9); e++)
    ticks.push({ at: unit * 10 ** e, text: text(unit * 10 ** e) })
  return ticks
}

/** Even ticks. */
export function even(
  from: number,
  to: number,
  step: number,
  text: (value: number) => string,
): { at: number; text: string }[] {
  const ticks = []
  for (let v = Math.ceil(from / step - 1e-9) * step; v <= to + 1e-9 * step; v += step)
    ticks.push({ at: v || 0, text: text(v || 0) })
  return ticks
}

/** A function drawn from one end to the other. */
export const drawn = (from: number, to: number, n: number, f: (x: number) => number, log = false): [number, number][] =>
  Array.from({ length: n + 1 }, (_, i) => {
    const x = valueOn({ from, to, log, name: '', ticks: [] }, i / n)
    return [x, f(x)]
  })
