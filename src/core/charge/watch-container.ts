import type { ScaleReading, Watched } from './scale-watch'
import { watchScale } from './scale-watch'

/** A container on the scale: since when, until when (open while it is on), job time in ms. */
export type OnScale = { fromMs: number; toMs?: number | undefined; shutSinceMs?: number | undefined }
export type WatchedContainer = Watched & {
  /** job time of a reading of it, ms */
  atMs: (tS: number) => number
  /** the hand's own seconds of a job-time moment, since the container went on */
  seconds: (atMs: number) => number
}

/**
 * Watches the scale under one container, in the hand's own seconds: a job's clock that runs faster makes no hand and no
 * valve quicker. The one way from a job's scale readings to what its container weighs: the call, the countdown and the
 * ascent's curve take it alike.
 * @param readings - job time in ms, g
 * @param factor - how fast the job's clock runs
 * @param stepG - smallest step of the scale, g
 */
export function watchContainer(
  readings: readonly { at: number; value: number }[],
  on: OnScale,
  factor: number,
  stepG: number,
): WatchedContainer {
  const seconds = (atMs: number) => (atMs - on.fromMs) / 1000 / factor
  const atMs = (tS: number) => on.fromMs + tS * 1000 * factor
  const shown = readings
    .filter((p) => p.at >= on.fromMs && p.at <= (on.toMs ?? Number.POSITIVE_INFINITY))
    .map((p): ScaleReading => ({ tS: seconds(p.at), grams: p.value }))
  const last = shown[shown.length - 1]
  const shut: [number, number][] =
    last && on.shutSinceMs !== undefined && on.shutSinceMs > on.fromMs ? [[seconds(on.shutSinceMs), last.tS]] : []
  return { ...watchScale(shown, stepG, shut), atMs, seconds }
}
