import { W } from '../language/prove/trend'
import { USUAL_SAY } from '../units/say'
import { recentSlope } from '../units/slope'

type Point = { at: number; value: number }

/** How the middle vent goes: K a minute over the last two minutes, and what that means. */
export type VentTrend = { kind: 'falling' | 'steady' | 'rising'; perMinuteK: number; lowestC: number }

/** Slower than this a vent is steady, K a minute (assumed). */
const STEADY_K_MIN = 0.3
const WINDOW_MS = 120_000

/** @param vent - Celsius against job time in ms, in order; undefined while there is too little of it */
export function ventTrend(vent: readonly Point[]): VentTrend | undefined {
  const slope = recentSlope(vent, WINDOW_MS)
  if (slope === undefined) return undefined
  const perMinuteK = slope * 60
  const kind = perMinuteK < -STEADY_K_MIN ? 'falling' : perMinuteK > STEADY_K_MIN ? 'rising' : 'steady'
  return { kind, perMinuteK, lowestC: Math.min(...vent.map((p) => p.value)) }
}

/** A compressor that goes on and off: how often, how long between, and between which low sides. */
export type Cycling = { cycles: number; periodS: number; fromPa: number; toPa: number }

/** A swing of the low side larger than this is the compressor and not the engine's speed, Pa (assumed). */
const SWING_PA = 60_000
/** So many times on and off is a habit. */
const CYCLES = 3

/**
 * Counts how often the low side went up and came down again.
 * @param low - low side, Pa, against job time in ms, in order
 * @returns null while it is steady, or has not gone up and down three times
 */
export function cyclingOf(low: readonly Point[]): Cycling | null {
  if (low.length < 6) return null
  // tenths, not extremes: the moment the engine starts is no part of the swing
  const sorted = low.map((p) => p.value).sort((a, b) => a - b)
  const [fromPa, toPa] = [0.1, 0.9].map((share) => sorted[Math.floor(share * (sorted.length - 1))] as number) as [
    number,
    number,
  ]
  if (toPa - fromPa < SWING_PA) return null
  // a third and two thirds of the way: a needle that trembles in the middle is counted once
  const [down, up] = [fromPa + (toPa - fromPa) / 3, fromPa + (2 * (toPa - fromPa)) / 3]
  let high = (low[0] as Point).value > up
  const ups: number[] = []
  for (const p of low) {
    if (!high && p.value > up) {
      high = true
      ups.push(p.at)
    } else if (high && p.value < down) high = false
  }
  if (ups.length < CYCLES) return null
  return {
    cycles: ups.length,
    periodS: ((ups[ups.length - 1] as number) - (ups[0] as number)) / 1000 / (ups.length - 1),
    fromPa,
    toPa,
  }
}

/** How the air conditioner runs, in a sentence. */
export function runningWords(
  trend: VentTrend | undefined,
  cycling: Cycling | null,
  barometerPa: number,
  say = USUAL_SAY,
): string[] {
  const said: string[] = []
  if (trend) {
    const rate = W.aMinute(say.difference(Math.abs(trend.perMinuteK)))
    if (trend.kind === 'falling') said.push(W.theVentStillFallsRead(rate))
    else if (trend.kind === 'rising') said.push(W.theVentRisesItWas(rate, say.celsius(trend.lowestC, 1)))
    else said.push(W.theVentIsSteady)
  }
  if (cycling) {
    said.push(
      W.theCompressorGoesOnAnd(
        Math.round(cycling.periodS),
        say.pressureText(cycling.fromPa - barometerPa),
        say.pressure(cycling.toPa - barometerPa),
      ),
    )
  }
  return said
}
