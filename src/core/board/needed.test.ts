import { expect, test } from 'vitest'
import { gaugeSeat } from '../job/gauge-seat'
import type { BoardRow } from '../views'
import { carPressurePa } from './car-pressure'
import { boardAlarm, neededMs, readFirst } from './needed'

const T0 = Date.parse('2026-03-02T10:00:00.000Z')
const at = (m: number) => new Date(T0 + m * 60_000).toISOString()
const row = (more: object = {}, summary: object = {}): BoardRow =>
  ({
    id: '',
    simulated: false,
    vacuumPa: 500,
    vacuumAt: at(10),
    byHand: false,
    found: null,
    clock: [{ wallMs: 0, jobMs: 0, factor: 1 }],
    summary: { step: 'pull', comeBackAt: at(60), targetPa: 66, signed: false, gauge: 'far', ...summary },
    ...more,
  }) as BoardRow
const now = (m: number) => T0 + m * 60_000

test('a car that reached its target calls, and hands are needed now', () => {
  expect(boardAlarm(row(), now(10))).toBeNull()
  expect(boardAlarm(row({ vacuumPa: 60 }), now(10))).toBe('target')
  expect(neededMs(row({ vacuumPa: 60 }), now(10))).toBe(-1)
  expect(neededMs(row(), now(10))).toBe(T0 + 3600_000)
})

test('a gauge at the pump, or a needle, is not taken at its word', () => {
  for (const gauge of ['pump', 'needle']) {
    expect(boardAlarm(row({ vacuumPa: 60 }, { gauge }), now(10))).toBeNull()
    expect(neededMs(row({ vacuumPa: 60 }, { gauge }), now(10))).toBe(T0 + 3600_000)
  }
  // inches typed on a rig with an electronic gauge are some needle's too
  expect(boardAlarm(row({ vacuumPa: 0, unit: 'inHgV' }), now(10))).toBeNull()
  expect(carPressurePa('pump', 60, 240)).toBe(240)
  expect(carPressurePa('far', 60, 240)).toBe(60)
  expect(gaugeSeat({ gauge: 'needle', gaugeAt: 'pump' })).toBe('needle')
  expect(gaugeSeat({ gauge: 'electronic' })).toBe('far')
})

test('a hold that the watching server found decided calls before its time', () => {
  const holding = { step: 'hold' }
  expect(boardAlarm(row({}, holding), now(10))).toBeNull()
  expect(boardAlarm(row({ found: 'leak' }, holding), now(10))).toBe('decided')
  expect(neededMs(row({ found: 'leak' }, holding), now(10))).toBe(-1)
})

test('a gauge that is read by hand is never silent; an instrument is', () => {
  expect(boardAlarm(row(), now(13))).toBe('silent')
  expect(boardAlarm(row({ byHand: true }), now(13))).toBeNull()
  expect(boardAlarm(row({ vacuumAt: at(61) }), now(61))).toBe('time')
  expect(boardAlarm(row({ clock: [{ wallMs: 0, jobMs: 0, factor: 60 }] }), now(0) / 60)).toBeNull()
})

test('a signed car calls for nothing and is needed by nobody', () => {
  expect(boardAlarm(row({ vacuumPa: 60 }, { signed: true }), now(10))).toBeNull()
  expect(neededMs(row({}, { signed: true }), now(10))).toBe(Number.POSITIVE_INFINITY)
})

test('a pull that is forecast wants somebody when half of such pulls are there, never before the procedure’s minutes', () => {
  const forecast = (p50: number | null) => ({ forecast: { p50Ms: p50 && now(p50), p90Ms: p50 && now(p50 + 20) } })
  expect(neededMs(row(forecast(75)), now(10))).toBe(now(75))
  expect(boardAlarm(row({ ...forecast(75), vacuumAt: at(61) }), now(61))).toBeNull()
  expect(boardAlarm(row({ ...forecast(75), vacuumAt: at(75) }), now(75))).toBe('time')
  expect(neededMs(row(forecast(30)), now(10))).toBe(now(60))
  // one that most likely never gets there ends by its minutes, for a person to decide
  expect(neededMs(row(forecast(null)), now(10))).toBe(now(60))
  // a hold knows nothing of it
  expect(neededMs(row(forecast(75), { step: 'hold' }), now(10))).toBe(now(60))
})

test('a gauge that is read by eye wants somebody at its times, and none once the hold is decided', () => {
  // holding since 10:00 to 11:00, read at 10:10: the next times are 15 and 20 minutes in
  const hand = (more: object = {}) => row({ byHand: true, ...more }, { step: 'hold', waitsFrom: at(0) })
  expect(neededMs(hand(), now(11))).toBe(now(15))
  expect(boardAlarm(hand(), now(14))).toBeNull()
  expect(boardAlarm(hand(), now(15))).toBe('read')
  expect(readFirst(hand(), now(11))).toBe(true)
  expect(boardAlarm(hand({ found: 'leak' }), now(15))).toBe('decided')
  expect(readFirst(hand({ found: 'leak' }), now(15))).toBe(false)
  // the last reading is the end of the wait: then it is judged
  expect(boardAlarm(hand({ vacuumAt: at(46) }), now(60))).toBe('time')
  // an instrument reads by itself
  expect(neededMs(row({}, { step: 'hold', waitsFrom: at(0) }), now(11))).toBe(now(60))
})
