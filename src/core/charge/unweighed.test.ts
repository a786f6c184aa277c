import { describe, expect, test } from 'vitest'
import { callFor } from '../call/call'
import { cautionsBefore } from '../call/cautions'
import { countWords } from '../call/charge-counted'
import type { Deed } from '../call/types'
import { saturationPa } from '../fluids/refrigerant'
import { refusalOf } from '../job/refusals'
import { chargedG } from '../job/state'
import { CAR, HOLDING, job, later, minutes, part } from '../tests/job-fixture'
import { USUAL_SAY } from '../units/say'
import { chargeInputOf, labelTargetG, usualChoices } from './plan-for-job'
import { cansGive, countAgainst } from './unweighed'

/** A generator of its own: the estimate is not tested with what it was made of. */
function seeded(seed: number) {
  let s = seed >>> 0
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0
    return s / 4294967296
  }
}

/**
 * One unweighed fill from the gas law: the can's vapour by its own temperature, which the boiling has pulled down, the
 * liquid that was not noticed, a hiss of a second or two through a quarter-inch hose, a lot that is filled a little
 * off.
 */
function fill(count: number, netG: number, ambientC: number, random: () => number): number {
  const lot = (random() + random() + random() - 1.5) * 0.0115
  let into = 0
  for (let i = 0; i < count; i++) {
    const inside = netG * (1 + lot + (random() + random() + random() - 1.5) * 0.0115)
    const canC = ambientC - 18 * random()
    const volumeM3 = (netG * 1.18) / 1e6
    const vapour = (saturationPa('R-134a', canC + 273.15) * 0.102 * volumeM3) / (8.314 * (canC + 273.15) * 0.93)
    const unnoticed = random() < 0.75 ? 8 * random() : 4 + 16 * random()
    const hiss = 2 + 5 * random()
    into += inside - vapour * 1000 - unnoticed - hiss
  }
  return into
}

describe('whole cans, counted', () => {
  test.each([
    [1, 340, 22],
    [2, 340, 30],
    [3, 250, 15],
    [2, 340, 5],
  ])(
    'the band of %i cans of %i g at %i °C covers 95 %% of 500 fills, and is no wider than it has to be',
    (count, netG, ambientC) => {
      const band = cansGive(count, netG, 'R-134a', ambientC)
      const random = seeded(count * 7919 + netG + ambientC)
      const fills = Array.from({ length: 500 }, () => fill(count, netG, ambientC, random))
      const inside = fills.filter((g) => g >= band.lowG && g <= band.highG).length
      expect(inside / fills.length).toBeGreaterThanOrEqual(0.95)
      const sorted = fills.sort((a, b) => a - b)
      const needed = (sorted[487] as number) - (sorted[12] as number)
      expect((band.highG - band.lowG) / needed).toBeLessThan(1.8)
    },
  )

  test('against the label it lands, may miss, or cannot: half a kilogram is between one can and two', () => {
    const one = cansGive(1, 340, 'R-134a', 22)
    expect(countAgainst(one, 327, 30)).toBe('lands')
    expect(countAgainst(one, 345, 15)).toBe('may-miss')
    expect(countAgainst(one, 540, 15)).toBe('short')
    expect(countAgainst(cansGive(2, 340, 'R-134a', 22), 540, 15)).toBe('over')
    const words = countWords(job(CAR), 1, 340, USUAL_SAY)
    expect(words).toMatch(/too little for certain.*kitchen scale in steps of 1 g/)
  })

  test('it is guided can by can, counted in the car, and too much for certain is cautioned first', () => {
    const skipped: Deed = { kind: 'hold-skipped', payload: { why: 'x' } }
    const atCharge = later(job(CAR, ...HOLDING), 75, skipped)
    const planned = (count: number): Deed => ({ kind: 'cans-planned', payload: { count, netG: 340, targetG: 540 } })
    expect(cautionsBefore(atCharge, planned(2)).map((c) => c.code)).toEqual(['cans-over'])
    expect(cautionsBefore(atCharge, planned(1))).toEqual([])
    let state = later(atCharge, 76, planned(1))
    const said: string[] = []
    for (let m = 77; state.step === 'charge' && m < 84; m++) {
      const call = callFor(state, { nowMs: minutes(m), clock: String })
      said.push(call.sentence)
      if (call.action.does.do !== 'record') break
      for (const deed of call.action.does.deeds) {
        expect(cautionsBefore(state, deed), call.sentence).toEqual([])
        state = later(state, m, deed)
      }
    }
    expect(said).toEqual([
      'Can 1 of 1 on. Purge, then open.',
      'Can 1 of 1: until it is empty.',
      '1 can is in. Prove it.',
    ])
    expect(state.step).toBe('prove')
    expect(chargedG(state)).toBeGreaterThan(300)
    expect(chargedG(state)).toBeLessThan(340)
    const more: Deed = { kind: 'can-emptied', payload: { netG: 340, estimateG: 320, plusMinusG: 20 } }
    expect(refusalOf(state, more)?.reason).toMatch(/empty already/)
    expect(refusalOf(atCharge, more)?.reason).toMatch(/say how many/)
    // what the needles say weighs more where no scale spoke
    expect(
      callFor(later(state, 85, part('engine', 'on')), { nowMs: minutes(95), clock: String }).why.join(' '),
    ).toMatch(/Nothing was weighed/)
  })
})

test('refrigerant that came in a can with oil is counted: the charge is planned by so much less', () => {
  const fixed = (oil: object): Deed => ({
    kind: 'fix-logged',
    payload: { renewed: [], openHours: 1, oilOwedMl: 60, oilReason: 'condenser', ...oil },
  })
  const plain = later(job(CAR), 1, fixed({ oilWay: 'injector' }))
  const canned = later(job(CAR), 1, fixed({ oilWay: 'can', oilCanG: 57 }))
  expect(labelTargetG(plain) - labelTargetG(canned)).toBe(57)
  expect(chargeInputOf(canned, [], usualChoices(canned)).target.lowG).toBe(CAR.label.lowG - 57)
})
