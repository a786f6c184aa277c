import { expect, test } from 'vitest'
import type { Rig } from '../job/written'
import { composeRig } from '../rig/compose'
import { simulate } from '../rig/simulate'
import { CUBIC_METRES_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { follow } from './ahead'
import type { PullAsked } from './asked'
import { changesOf } from './changes'
import { type Explanation, rigOf } from './explanation'
import { weighedBy } from './fit'
import { whereItStands } from './running-pull'
import { soonerBy } from './sooner'

const CART: Rig = {
  name: 'Cart P1',
  boreM: 0.0095,
  lengthM: 1.2,
  hoses: 1,
  pumpM3S: 5 * CUBIC_METRES_S_PER_CFM,
  ultimatePa: 60 * PA_PER_MICRON,
  gauge: 'electronic',
  hoseKind: 'barrier-new',
  scaleStepG: 5,
}
const composed = (options = {}) =>
  composeRig({
    car: { volumeL: 2.5, evaporators: 1 },
    rig: CART,
    ambientC: 14,
    barometerPa: 101_325,
    water: { liquidG: 0, boundG: 0 },
    options,
  })
const ASKED: PullAsked = {
  rig: composed(),
  changes: changesOf(CART).map(({ kind, options }) => ({ kind, rig: composed(options) })),
  story: { opened: 'overnight', openHours: 12, drierReplaced: true },
  ballastOpen: false,
  gaugeNode: 'evaporator',
  farNode: 'evaporator',
  targetPa: 500 * PA_PER_MICRON,
  nowS: 1800,
  readings: [],
  noiseFraction: 0.01,
  resolutionPa: PA_PER_MICRON,
  seed: 1,
}
const DRY: Explanation = {
  water: { node: 'evaporator', liquidG: 0.001, boundG: 0, tauS: 1000 },
  leak: null,
  pumpTimes: 1,
  otherHoses: false,
  boreTimes: 1,
  ballast: false,
}
const soonerOf = (asked: PullAsked, e: Explanation) => {
  const said = soonerBy(asked, [follow(asked, e, weighedBy(asked))])
  return { best: said[0], of: (kind: string) => said.find((s) => s.kind === kind) }
}

test('while water boils warmth brings the most, and the oil has nothing to do with it', () => {
  const { best, of } = soonerOf({ ...ASKED, nowS: 600 }, { ...DRY, water: { ...DRY.water, liquidG: 3 } })
  expect(best?.kind).toBe('warmer')
  expect(best?.savesS as number).toBeGreaterThan(120)
  expect(of('fresh-oil')?.savesS ?? 0).toBeLessThan((best?.savesS as number) / 4)
})

test('where the oil took the water the car hangs above the target: fresh oil gets there, warmth does not', () => {
  // six grams through a closed ballast: fifteen pascal each, 690 micron
  const wet = { ...DRY, water: { ...DRY.water, liquidG: 6 } }
  const { best, of } = soonerOf({ ...ASKED, nowS: 4 * 3600 }, wet)
  expect(best).toMatchObject({ kind: 'fresh-oil', reaches: 1 })
  expect(of('warmer')).toMatchObject({ savesS: null, reaches: 0 })
})

test('by its readings alone: how much the oil took, and that it holds the car where it hangs', () => {
  const wet = { ...DRY, water: { ...DRY.water, liquidG: 6 } }
  const nowS = 4 * 3600
  const run = simulate(rigOf(ASKED, wet), { seconds: nowS, everyS: 120 })
  const far = run.nodes.indexOf('evaporator')
  const readings = run.samples.filter((r) => r.tS > 0).map((r) => ({ tS: r.tS, pa: r.totalPa[far] as number }))
  const { oil, stands } = whereItStands({ ...ASKED, nowS, readings, changes: [] })
  expect(stands[0]?.kind).toBe('pump')
  expect(oil.lowG).toBeLessThan(6)
  expect(oil.highG).toBeGreaterThan(5)
  expect(oil.reachesPa / (readings.at(-1)?.pa as number)).toBeGreaterThan(0.8)
  expect(oil.reachesPa / (readings.at(-1)?.pa as number)).toBeLessThan(1.1)
}, 60_000)

test('a pump as good as fresh oil makes it is offered fresh oil too: what it took goes with it', () => {
  expect(changesOf({ ...CART, ultimatePa: 20 * PA_PER_MICRON }).find((c) => c.kind === 'fresh-oil')?.options).toEqual({
    ultimatePa: 20 * PA_PER_MICRON,
  })
})

test('a ballast whose floor lies above the target brings nobody there', () => {
  const { of } = soonerOf({ ...ASKED, targetPa: 250 * PA_PER_MICRON, nowS: 20 }, DRY)
  expect(of('ballast')).toMatchObject({ savesS: null, reaches: 0 })
  expect(of('second-hose')?.reaches).toBe(1)
})

test('another rig goes on from the same gas, water, oil and time', async () => {
  const { Stepper } = await import('../rig/stepper')
  const wet = composeRig({
    car: { volumeL: 2.5, evaporators: 1 },
    rig: CART,
    ambientC: 14,
    barometerPa: 101_325,
    water: { liquidG: 2, boundG: 0.5 },
  })
  const one = new Stepper(wet, 1e-3)
  one.advanceTo(900)
  const other = new Stepper(wet, 1e-3)
  other.continueFrom(one)
  expect(other.t).toBe(900)
  expect(other.network.waterLeft(other.y)).toEqual(one.network.waterLeft(one.y))
  one.advanceTo(1800)
  other.advanceTo(1800)
  const at = one.network.nodes.indexOf('evaporator')
  expect(other.network.totalPa(other.y, at) / one.network.totalPa(one.y, at)).toBeCloseTo(1, 2)
})
