import { expect, test } from 'vitest'
import { CUBIC_METRES_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { type Composed, composeRig, farNode, throughManifold } from './compose'
import { simulate } from './simulate'

const STRAIGHT = {
  name: 'P2',
  boreM: 0.0095,
  lengthM: 1.2,
  hoses: 2,
  pumpM3S: 4 * CUBIC_METRES_S_PER_CFM,
  ultimatePa: 25 * PA_PER_MICRON,
  gauge: 'electronic' as const,
  scaleStepG: 2,
}
const CHARGING = { ...STRAIGHT, name: 'P1', boreM: 0.0048, lengthM: 1.5 }
const WISH: Composed = {
  car: { volumeL: 5.1, evaporators: 2 },
  rig: STRAIGHT,
  ambientC: 11,
  barometerPa: 75_815,
  water: { liquidG: 1, boundG: 0.5 },
}

test('the car’s volume is all there, whatever its evaporators', () => {
  for (const evaporators of [1, 2] as const) {
    const rig = composeRig({ ...WISH, car: { volumeL: 5.1, evaporators } })
    const inside = rig.nodes
      .filter((n) => ['low', 'evaporator', 'rear', 'high'].includes(n.id))
      .reduce((sum, n) => sum + n.volume_L, 0)
    expect(inside).toBeCloseTo(5.1, 9)
    expect(rig.gauges[0]?.at).toBe(farNode({ volumeL: 5.1, evaporators }))
  }
})

test('charging hoses leave the cores in and old rubber on, wide ones go straight', () => {
  expect([throughManifold(CHARGING), throughManifold(STRAIGHT)]).toEqual([true, false])
  const charging = composeRig({ ...WISH, rig: CHARGING })
  expect(charging.links.find((l) => l.id === 'core-low')).toMatchObject({ bore_mm: 1.8, length_m: 0.015 })
  expect(charging.links.find((l) => l.id === 'hose-low')?.kind).toBe('rubber-old')
  expect(composeRig(WISH).links.find((l) => l.id === 'core-low')?.bore_mm).toBe(9.5)
})

test('a rig with one hose has no high side port, and a second hose gives it one', () => {
  const one = { ...STRAIGHT, hoses: 1 }
  expect(composeRig({ ...WISH, rig: one }).nodes.some((n) => n.id === 'port-high')).toBe(false)
  expect(composeRig({ ...WISH, rig: one, options: { secondHose: true } }).nodes.some((n) => n.id === 'port-high')).toBe(
    true,
  )
})

test('the pump’s gauge reads below the far side while anything flows', () => {
  const run = simulate(composeRig({ ...WISH, rig: CHARGING }), { seconds: 1800, everyS: 300 })
  const [far, pump] = ['rear', 'pump'].map((id) => run.nodes.indexOf(id)) as [number, number]
  for (const s of run.samples.slice(1)) expect(s.totalPa[pump] as number).toBeLessThan(0.8 * (s.totalPa[far] as number))
})

test('a warmer bay is warmer where the water is, and a leak sits on the high side', () => {
  const rig = composeRig({ ...WISH, leakPaM3S: 1e-5, options: { warmerK: 10 } })
  expect(rig.nodes.find((n) => n.id === 'rear')?.temperature_C).toBe(21)
  expect(rig.nodes.find((n) => n.id === 'low')?.temperature_C).toBe(11)
  expect(rig.sources.leaks).toEqual([{ at: 'high', air_Pa_m3_s: 1e-5 }])
})
