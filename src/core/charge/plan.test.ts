import fc from 'fast-check'
import { expect, test } from 'vitest'
import { hoseContentG } from '../fluids/hose'
import { type ChargePlanInput, heelG, planCharge } from './plan'

const BASE: ChargePlanInput = {
  refrigerant: 'R-134a',
  target: { lowG: 540, highG: 540 },
  toleranceG: 15,
  ambientC: 22,
  scaleStepG: 2,
  hose: { boreM: 0.0048, lengthM: 1.5, phase: 'vapour', drawnDown: true },
  purgeEachG: 3,
  containers: [
    { id: 'can-1', kind: 'can', grossG: 474, netG: 340 },
    { id: 'cyl-7', kind: 'cylinder', grossG: 9120, tareG: 3410 },
  ],
}

test('a can is emptied to its heel, the cylinder gives the rest, by hand', () => {
  // tare 134; volume 340 x 1.18 mL = 0.4012 L; vapour at 22 C about 29.5 kg/m3: heel about 11.9 g
  const heel = heelG(BASE.containers[0] as never, 'R-134a', 22)
  expect(heel).toBeCloseTo(11.9, 0)
  const plan = planCharge(BASE)
  expect(plan.steps[0]).toMatchObject({ id: 'can-1', emptied: true, purgeG: 3 })
  expect(plan.steps[0]?.stopGrossG).toBeCloseTo(134 + heel, 6)
  expect(plan.steps[1]?.stopGrossG).toBeCloseTo(9120 - (540 + 6 - (340 - heel)), 6)
  expect(plan.deliveredG).toBeCloseTo(540, 9)
  expect(plan.meetsTolerance).toBe(true)
})

test('what is weighed out is what the car gets, what was purged and what stays in the hose', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 200, max: 1500 }),
      fc.integer({ min: 0, max: 8 }),
      fc.boolean(),
      fc.constantFrom<'vapour' | 'liquid'>('vapour', 'liquid'),
      (target, purge, drawnDown, phase) => {
        const plan = planCharge({
          ...BASE,
          target: { lowG: target, highG: target },
          purgeEachG: purge,
          hose: { ...BASE.hose, drawnDown, phase },
        })
        const purged = plan.steps.reduce((sum, s) => sum + s.purgeG, 0)
        expect(plan.weighedOutG).toBeCloseTo(plan.deliveredG + purged + plan.hoseHoldUpG, 6)
        expect(plan.shortG).toBe(0)
        for (const s of plan.steps) expect(s.takenG).toBeCloseTo(s.startGrossG - s.stopGrossG, 9)
      },
    ),
  )
})

test('a liquid-filled 1.5 m hose of 4.8 mm hides about 33 g, a vapour-filled one under 1 g', () => {
  expect(hoseContentG({ ...BASE.hose, phase: 'liquid' })).toBeCloseTo(32.6, 0)
  expect(hoseContentG(BASE.hose)).toBeLessThan(1)
})

test('too little at hand says how much is missing', () => {
  const plan = planCharge({ ...BASE, containers: BASE.containers.slice(0, 1) })
  expect(plan.shortG).toBeCloseTo(540 - (340 - 11.9 - 3), 0)
  expect(plan.meetsTolerance).toBe(false)
  expect(plan.warnings.join()).toMatch(/short of the target/)
})

test('a coarse scale cannot meet a narrow tolerance, and says so', () => {
  const plan = planCharge({ ...BASE, scaleStepG: 10, toleranceG: 10 })
  expect(plan.meetsTolerance).toBe(false)
  expect(plan.warnings.join()).toMatch(/leave ±2\d g/)
})

test('the net weight taken for the gross is noticed', () => {
  const plan = planCharge({ ...BASE, containers: [{ id: 'can-1', kind: 'can', grossG: 340, netG: 340 }] })
  expect(plan.warnings.join()).toMatch(/net weight taken for the gross/)
})
