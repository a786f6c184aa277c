import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Deed } from '../call/types'
import { hoseContentG } from '../fluids/hose'
import { chargedG, type JobState } from '../job/state'
import { CAR, HOLDING, job, later } from '../tests/job-fixture'
import { formatPoundsOunces, parseMass } from '../units/mass'
import { levelsOf } from './levels'
import { type Container, heelG } from './plan'
import { type ChargeChoices, chargePlanned, stopNow, stopsNow, usualChoices } from './plan-for-job'

const CAN: Container = { id: 'can-1', kind: 'can', grossG: 474, netG: 340 }
const SECOND: Container = { id: 'can-2', kind: 'can', grossG: 470, netG: 340 }
const CYLINDER: Container = { id: 'cylinder-7', kind: 'cylinder', grossG: 9120, tareG: 3410 }

const charging = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
const planned = (containers: Container[], choices: Partial<ChargeChoices> = {}, state: JobState = charging): JobState =>
  later(state, 71, {
    kind: 'charge-planned',
    payload: chargePlanned(state, containers, { ...usualChoices(state), ...choices }),
  })
const on = (id: string, grossG: number, differs?: 'hose-hung-on' | 'another-container'): Deed => ({
  kind: 'container-started',
  payload: { id, grossG, ...(differs && { differs }) },
})
const off = (id: string, grossG: number): Deed => ({ kind: 'container-ended', payload: { id, grossG } })
const stopOf = (state: JobState, id: string): number => stopNow(state, id)?.stopGrossG ?? Number.NaN

describe('the stops follow what was weighed', () => {
  test('a can that gave less than planned leaves its grams to the next container', () => {
    const state = planned([CAN, CYLINDER])
    const before = stopOf(state, 'cylinder-7')
    const short = later(state, 80, on('can-1', 474), off('can-1', 234))
    // 240 left the can, 3 of them purged: 303 of 540 are still wanted, and 3 more are purged at the change
    expect(stopOf(short, 'cylinder-7')).toBeCloseTo(9120 - 303 - 3, 9)
    expect(stopOf(short, 'cylinder-7')).toBeLessThan(before)
  })

  test('a hose that hangs on the scale moves start and stop alike; so does another full can', () => {
    const state = planned([CAN, CYLINDER])
    const usual = stopOf(later(state, 72, on('can-1', 474)), 'can-1')
    expect(stopOf(later(state, 72, on('can-1', 512, 'hose-hung-on')), 'can-1')).toBeCloseTo(usual + 38, 9)
    expect(stopOf(later(state, 72, on('can-1', 480, 'another-container')), 'can-1')).toBeCloseTo(usual + 6, 9)
    const cylinder = planned([CYLINDER])
    expect(stopOf(later(cylinder, 72, on('cylinder-7', 9158, 'hose-hung-on')), 'cylinder-7')).toBeCloseTo(9158 - 543, 9)
  })

  test('a partly used can is emptied to its own empty weight, hose and all', () => {
    const used: Container = { id: 'can-1', kind: 'can', grossG: 260, tareG: 132 }
    const state = planned([used, CYLINDER])
    const usual = stopOf(later(state, 72, on('can-1', 260)), 'can-1')
    expect(usual).toBeCloseTo(132 + heelG(used, 'R-134a', 11), 9)
    expect(stopOf(later(state, 72, on('can-1', 298, 'hose-hung-on')), 'can-1')).toBeCloseTo(usual + 38, 9)
  })

  test('a second plan asks for the rest only, purges once more unless the hose stayed shut, and keeps what was used', () => {
    const once = later(planned([CAN]), 80, on('can-1', 474), off('can-1', 146))
    expect(chargedG(once)).toBe(325)
    const again = planned([SECOND], {}, once)
    expect(stopOf(again, 'can-2')).toBeCloseTo(470 - (540 - 325) - 3, 9)
    expect(chargedG(again)).toBe(325)
    // the one that was used stays known, with its empty weight
    expect(again.plan?.containers.map((c) => c.id)).toEqual(['can-1', 'can-2'])
    expect(stopOf(planned([SECOND], { purgeOnChange: false }, once), 'can-2')).toBeCloseTo(470 - (540 - 325), 9)
  })

  test('whatever the order of the containers, what is weighed out to the stops is the target in the car', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray([CAN, SECOND, CYLINDER], { minLength: 3 }),
        fc.integer({ min: 300, max: 1400 }),
        fc.integer({ min: 0, max: 9 }),
        fc.boolean(),
        fc.boolean(),
        fc.constantFrom<ChargeChoices['way']>('vapour-low', 'liquid-high'),
        (containers, targetG, purgeEachG, purgeOnChange, drawnDown, way) => {
          let state = planned(containers, {
            targetG,
            reason: 'test',
            purgeEachG,
            purgeOnChange,
            way,
            hose: { boreM: 0.0048, lengthM: 1.5, drawnDown },
          })
          for (let next = stopsNow(state)[0]; next; next = stopsNow(state)[0])
            state = later(state, 80, on(next.id, next.startGrossG), off(next.id, next.stopGrossG))
          expect(chargedG(state)).toBeCloseTo(targetG, 6)
        },
      ),
      { numRuns: 60 },
    )
  })

  test('the same weights typed in ounces or pounds give the same stop to a twentieth of an ounce', () => {
    fc.assert(
      fc.property(fc.integer({ min: 380, max: 600 }), (grossG) => {
        const ounces = parseMass(`${(grossG / 28.349523).toFixed(1)} oz`).grams
        const pounds = parseMass(formatPoundsOunces(grossG)).grams
        const stop = (gross: number) => stopOf(planned([{ ...CAN, grossG: gross }, CYLINDER]), 'can-1')
        expect(Math.abs(stop(ounces) - stop(grossG))).toBeLessThanOrEqual(0.05 * 28.35 + 1e-6)
        expect(Math.abs(stop(pounds) - stop(grossG))).toBeLessThanOrEqual(0.05 * 28.35 + 1e-6)
      }),
    )
  })
})

test('what stays in a hose that is taken off full is not in the car, and is counted once', () => {
  const hose = { boreM: 0.0048, lengthM: 1.5, drawnDown: false }
  const held = hoseContentG({ boreM: 0.0048, lengthM: 1.5, phase: 'liquid' })
  const state = planned([CAN, CYLINDER], { way: 'liquid-high', hose })
  const first = later(state, 80, on('can-1', 474), off('can-1', 174))
  expect(chargedG(first)).toBeCloseTo(300 - 3 - held, 9)
  const levels = levelsOf(first)
  expect(levels[0]?.toG).toBeCloseTo(300 - 3 - held, 9)
  expect(levelsOf(state)[1]?.toG).toBeCloseTo(540, 9)
  const both = later(first, 90, on('cylinder-7', 9120), off('cylinder-7', 8917))
  expect(chargedG(both)).toBeCloseTo(300 - 3 - held + 200, 9)
})

test('a car colder or hotter than the tables is planned at their edge, and its page goes on', () => {
  for (const ambientC of [-35, 70]) {
    const car = { ...CAR, place: { ...CAR.place, ambientC } }
    const state = planned(
      [CAN, CYLINDER],
      {},
      later(job(car, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } }),
    )
    expect(stopsNow(state)).toHaveLength(2)
    expect(chargedG(later(state, 80, on('can-1', 474), off('can-1', 174)))).toBe(297)
  }
})

test('the layers of the ascent join, the done ones at what was weighed, the last one at the target', () => {
  const state = later(
    planned([CAN, SECOND, CYLINDER], { targetG: 900, reason: 'test' }),
    80,
    on('can-1', 474),
    off('can-1', 150),
    on('can-2', 470),
  )
  const levels = levelsOf(state)
  expect(levels.map((l) => [l.id, l.state])).toEqual([
    ['can-1', 'done'],
    ['can-2', 'now'],
    ['cylinder-7', 'coming'],
  ])
  expect(levels[0]).toMatchObject({ fromG: 0, toG: 321, startGrossG: 474, stopGrossG: 150 })
  expect(levels[1]?.fromG).toBe(321)
  // emptied to its heel, 3 g purged
  expect(levels[1]?.toG).toBeCloseTo(321 + 340 - heelG(SECOND, 'R-134a', 11) - 3, 9)
  expect(levels[2]?.fromG).toBe(levels[1]?.toG)
  expect(levels[2]?.toG).toBeCloseTo(900, 9)
})
