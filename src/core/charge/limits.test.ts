import { expect, test } from 'vitest'
import { alarmsOf } from '../call/alarms'
import { callFor } from '../call/call'
import type { Live } from '../call/types'
import { typicalBands } from '../prove/bands'
import { CAR, CYLINDER_PLANNED, HOLDING, job, later, minutes, part } from '../tests/job-fixture'
import { chargePressure, highCeilingPaG } from './limits'

const AIR = CAR.place.barometerPa
/** A car into which a cylinder flows by the low side. */
const FLOWING = later(
  job(CAR, ...HOLDING),
  75,
  { kind: 'hold-skipped', payload: { why: 'x' } },
  CYLINDER_PLANNED,
  { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 9000 } },
  part('container-valve', 'open'),
  part('valve-low', 'open'),
)

test('the ceiling lies above every reading that is as it should be, and below what a relief valve opens at', () => {
  for (const ambientC of [10, 25, 40, 48])
    for (const refrigerant of ['R-134a', 'R-1234yf'] as const) {
      const ceiling = highCeilingPaG(refrigerant, ambientC, 101_325)
      expect(ceiling).toBeGreaterThan(typicalBands(refrigerant, ambientC, 101_325, { idle: true }).highPaG[1])
      // relief valves of these systems open at some 3.4 MPa
      expect(ceiling).toBeLessThan(3_400_000)
    }
  const now = { refrigerant: 'R-134a' as const, ambientC: 25, barometerPa: 101_325 }
  expect(chargePressure({ ...now, lowPa: 300_000, highPa: 1_500_000 })).toBeNull()
  expect(chargePressure({ ...now, lowPa: 300_000, highPa: 2_400_000 })).toBe('high-over')
  expect(chargePressure({ ...now, lowPa: 80_000, highPa: 900_000 })).toBe('low-vacuum')
  expect(chargePressure({ ...now, lowPa: undefined, highPa: undefined })).toBeNull()
})

test('while it charges, the high side over its limit closes the valve and stops the engine, and rings', () => {
  const charging = later(FLOWING, 75, part('engine', 'on'))
  const live = (lowPa: number, highPa: number): Live => ({
    nowMs: minutes(80),
    clock: String,
    scaleG: 8800,
    flowGMin: 30,
    lowPa: AIR + lowPa,
    highPa: AIR + highPa,
  })
  const over = callFor(charging, live(250_000, 2_200_000))
  expect(over.sentence).toBe('Close it, engine off. Air over the condenser.')
  const deeds = over.action.does.do === 'record' ? over.action.does.deeds : []
  expect(later(charging, 81, ...deeds).rig).toMatchObject({ 'valve-low': 'closed', engine: 'off' })
  expect(alarmsOf(charging, live(250_000, 2_200_000)).map((a) => a.id)).toEqual(['pressure:high-over:cylinder-7'])
  expect(callFor(charging, live(-30_000, 700_000)).sentence).toMatch(/low side is in a vacuum/)
  // a compressor that goes on and off is usual while little is in, and a sign once most of it is
  const cycles = (scaleG: number) =>
    callFor(charging, { ...live(250_000, 1_000_000), cycling: true, scaleG }).why.join(' ')
  expect(cycles(8900)).toMatch(/usual while little is in/)
  expect(cycles(8550)).toMatch(/with most of it in: its switch, a restriction/)
  const fine = callFor(charging, live(250_000, 1_000_000))
  expect(fine.sentence).toMatch(/Hand on the low valve/)
  expect(alarmsOf(charging, live(250_000, 1_000_000))).toEqual([])
})

test('a scale that says nothing while it flows calls; one that is read by eye does not', () => {
  const at = (m: number, more: Partial<Live> = {}): Live => ({
    nowMs: minutes(m),
    clock: String,
    scaleG: 8900,
    scaleAtMs: minutes(78),
    ...more,
  })
  expect(alarmsOf(FLOWING, at(79))).toEqual([])
  expect(alarmsOf(FLOWING, at(80)).map((a) => a.sentence)).toEqual([expect.stringMatching(/scale says nothing/)])
  expect(alarmsOf(FLOWING, at(80, { scaleByHand: true }))).toEqual([])
  expect(alarmsOf(later(FLOWING, 79, part('container-valve', 'closed')), at(80))).toEqual([])
})
