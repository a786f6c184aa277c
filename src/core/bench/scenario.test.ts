import { expect, test } from 'vitest'
import { saturationPa } from '../fluids/refrigerant'
import { typicalBands } from '../prove/bands'
import { diagnose } from '../prove/diagnose'
import { steadyCycle } from '../rig/steady-cycle'
import { BENCH_TRUTH, PULLING, shut, turn } from '../tests/bench-fixture'
import { kelvin } from '../units/temperature'
import { type BenchAction, BenchRun } from './run'
import { type BenchTruth, Scenario } from './truth'

function run(truth: Partial<BenchTruth>, actions: BenchAction[], until: number) {
  const bench = new BenchRun({ ...BENCH_TRUTH, ...truth }, 2)
  return { bench, seconds: bench.runTo(actions, until) }
}
const vacuum = (seconds: ReturnType<BenchRun['runTo']>) =>
  new Map(seconds.flatMap((s) => s.readings.filter((r) => r.channel === 'vacuum').map((r) => [s.second, r.value])))

test('a core under its coupler is tight, and leaks once the coupler is off', () => {
  const leaks: BenchTruth['leaks'] = [{ at: 'core-high', airPaM3S: 1e-3 }]
  const sealed = run({ leaks }, [...PULLING, ...shut(900)], 1800).bench.car.farPa
  expect(sealed).toBeCloseTo(run({}, [...PULLING, ...shut(900)], 1800).bench.car.farPa, 6)
  const bare = run({ leaks }, [...PULLING, ...shut(900), turn(901, 'coupler-high', 'off')], 1800).bench.car.farPa
  // 900 s of 1e-3 Pa m3/s into 2.5 L
  expect((bare - sealed) / ((899 * 1e-3) / 0.00252)).toBeCloseTo(1, 1)
})

test('a bent core slows the pull, wet oil lifts the floor by 15 Pa a gram', () => {
  expect(run({ core: 'bent' }, PULLING, 600).bench.car.farPa).toBeGreaterThan(3 * run({}, PULLING, 600).bench.car.farPa)
  const floor = (oilWaterG: number) => run({ oilWaterG }, PULLING, 7200).bench.car.farPa
  expect(floor(1) - floor(0)).toBeGreaterThan(14)
  expect(floor(1) - floor(0)).toBeLessThan(17)
})

test('a gauge with a lag follows late, is silent in a drop-out and when its battery is dead', () => {
  const quiet = { noiseShare: 0, noiseFloorMicron: 0, overRangeMicron: 25_000, jumps: [] }
  const gauge = { ...quiet, lagS: 30, dropOuts: [{ fromS: 300, toS: 320 }], batteryDiesS: 700 }
  const late = vacuum(run({ gauge }, PULLING, 900).seconds)
  const prompt = vacuum(run({ gauge: { ...quiet, lagS: 0, dropOuts: [], batteryDiesS: null } }, PULLING, 900).seconds)
  expect(late.get(120) ?? 0).toBeGreaterThan(prompt.get(120) ?? 1e9)
  expect([299, 300, 319, 320, 699, 700, 899].map((s) => late.has(s))).toEqual([
    true,
    false,
    false,
    true,
    true,
    false,
    false,
  ])
})

test('a hand can knock the gauge, silence it and give it a new battery', () => {
  const states: BenchAction[] = [
    { second: 400, kind: 'gauge', state: 'knocked' },
    { second: 500, kind: 'gauge', state: 'dead' },
    { second: 600, kind: 'gauge', state: 'good' },
  ]
  const shown = vacuum(run({}, [...PULLING, ...states], 700).seconds)
  expect((shown.get(420) ?? 0) - (shown.get(390) ?? 0)).toBeGreaterThan(45)
  expect(shown.has(550)).toBe(false)
  expect(Math.abs((shown.get(650) ?? 1e9) - (shown.get(390) ?? 0))).toBeLessThan(8)
})

test('a stop for a valve loses no water and no air: played with needless turns it ends where it ended without', () => {
  const busy = [
    ...PULLING,
    ...Array.from({ length: 40 }, (_, i) => turn(10 + 13 * i, 'exhaust-cap', i % 2 ? 'on' : 'off')),
  ]
  const calm = run({ waterG: 1.5 }, PULLING, 3000).bench.car.farPa
  expect(run({ waterG: 1.5 }, busy, 3000).bench.car.farPa / calm).toBeCloseTo(1, 1.5)
})

test('a can cools as it gives vapour, its flow fades, and it warms again when shut', () => {
  const charging = [
    ...PULLING,
    ...shut(600),
    { second: 610, kind: 'container-on', grossG: 472, tareG: 132 } as BenchAction,
  ]
  const open = [
    ...charging,
    turn(610, 'centre-hose', 'container'),
    turn(611, 'container-valve', 'open'),
    turn(611, 'valve-low', 'open'),
    turn(640, 'engine', 'on'),
  ]
  const { bench } = run({}, open, 760)
  expect(bench.car.containerC).toBeLessThan(15)
  const cold = bench.car.containerC
  bench.runTo([...open, turn(760, 'container-valve', 'closed')], 1800)
  expect(bench.car.containerC).toBeGreaterThan(cold + 3)
})

/** A can put on an evacuated car at second 610 and opened; what of it is in the car at second 700, g. */
function inAfter(more: BenchAction[], pose: string, side: 'low' | 'high'): number {
  const onto: BenchAction[] = [
    ...PULLING,
    ...shut(600),
    { second: 610, kind: 'container-on', grossG: 472, tareG: 132 },
    turn(610, 'centre-hose', 'container'),
    turn(610, 'container-pose', pose),
  ]
  return run({}, [...onto, ...more, turn(611, 'container-valve', 'open'), turn(611, `valve-${side}`, 'open')], 700)
    .bench.car.chargeG
}

test('liquid from an inverted can runs faster than vapour, by the high side too; warm water keeps vapour flowing', () => {
  const vapour = inAfter([], 'upright', 'low')
  expect(vapour).toBeGreaterThan(20)
  expect(inAfter([], 'inverted', 'high')).toBeGreaterThan(1.5 * vapour)
  expect(inAfter([{ second: 610, kind: 'container-warmed', celsius: 45 }], 'upright', 'low')).toBeGreaterThan(
    1.05 * vapour,
  )
})

test('a bumped scale is wrong for two seconds, a leaning hose stays, ounces are shown as if they were grams', () => {
  const onto: BenchAction[] = [{ second: 5, kind: 'container-on', grossG: 472, tareG: 132 }]
  const states: BenchAction[] = (
    [
      [20, 'bumped'],
      [30, 'leaning'],
      [40, 'ounces'],
      [50, 'good'],
    ] as const
  ).map(([second, state]) => ({ second, kind: 'scale', state }))
  const shown = new Map(
    run({}, [...onto, ...states], 60).seconds.flatMap((s) =>
      s.readings.filter((r) => r.channel === 'scale').map((r) => [s.second, r.value]),
    ),
  )
  expect(shown.get(15)).toBe(472)
  expect(shown.get(21)).toBeGreaterThan(540)
  expect(shown.get(27)).toBe(472)
  expect([shown.get(33), shown.get(38)]).toEqual([514, 514])
  expect(shown.get(45)).toBeCloseTo(472 / 28.35, 0)
  expect(shown.get(55)).toBe(472)
})

test('the running car: short of charge both sides are low, a hot humid day lifts all three, an unplugged switch moves nothing', () => {
  const normal = {
    refrigerant: 'R-134a' as const,
    ambientC: 25,
    humidity: 0.5,
    chargeShare: 1,
    restPa: saturationPa('R-134a', kelvin(25)),
    switchGood: true,
  }
  const good = steadyCycle(normal)
  // a warm day, gauge: low 170 to 310 kPa, high 1000 to 1750 kPa, vents 4 to 12 C
  expect(good.lowPa - 101_325).toBeGreaterThan(170_000)
  expect(good.lowPa - 101_325).toBeLessThan(310_000)
  expect(good.highPa - 101_325).toBeGreaterThan(1_000_000)
  expect(good.highPa - 101_325).toBeLessThan(1_750_000)
  expect(good.ventC).toBeGreaterThan(4)
  expect(good.ventC).toBeLessThan(12)
  const short = steadyCycle({ ...normal, chargeShare: 0.6 })
  expect(short.lowPa).toBeLessThan(good.lowPa)
  expect(short.highPa).toBeLessThan(good.highPa)
  expect(short.ventC).toBeGreaterThan(good.ventC)
  const hot = steadyCycle({ ...normal, ambientC: 38, humidity: 0.8 })
  expect([hot.lowPa > good.lowPa, hot.highPa > good.highPa, hot.ventC > good.ventC]).toEqual([true, true, true])
  expect(steadyCycle({ ...normal, switchGood: false })).toMatchObject({
    engaged: false,
    lowPa: normal.restPa,
    highPa: normal.restPa,
  })
})

test('a scenario with a fault in it is refused by its path', () => {
  const good: Scenario = { format: 'yperos-scenario', version: 1, name: 'x', told: 'y', seed: 1, hidden: { leaks: [] } }
  expect(Scenario.parse(good)).toEqual(good)
  const bad = Scenario.safeParse({ ...good, hidden: { ...good.hidden, leaks: [{ at: 'boot', airPaM3S: 1 }] } })
  expect(bad.success).toBe(false)
  expect(bad.error?.issues.map((i) => i.path.join('.'))).toContain('hidden.leaks.0.at')
})

test('a blocked device runs its low side into a vacuum at the right weight; recovered and renewed it cools', () => {
  const charged: BenchAction[] = [
    ...PULLING,
    ...shut(600),
    { second: 610, kind: 'container-on', grossG: 9000, tareG: 4000 },
    turn(610, 'centre-hose', 'container'),
    turn(611, 'container-pose', 'inverted'),
    turn(611, 'container-valve', 'open'),
    turn(611, 'valve-high', 'open'),
    turn(700, 'valve-high', 'closed'),
    { second: 701, kind: 'container-off' },
    turn(1400, 'engine', 'on'),
  ]
  // full with whatever went in: the weight is right
  const fullG = run({}, charged, 1399).bench.car.chargeG
  const proof = (blocked: number, actions = charged, until = 2000) => {
    const { car } = run({ blocked, fullG }, actions, until).bench
    const reading = {
      lowPaG: car.sides.lowPa - BENCH_TRUTH.barometerPa,
      highPaG: car.sides.highPa - BENCH_TRUTH.barometerPa,
      ventC: car.sides.ventC,
    }
    const { refrigerant, ambientC, barometerPa } = BENCH_TRUTH
    const bands = typicalBands(refrigerant, ambientC, barometerPa)
    const history = { chargedG: fullG, targetG: fullG, toleranceG: 15, holdProved: true }
    return { reading, cause: diagnose([{ reading, bands }], history)[0]?.kind, chargeG: car.chargeG }
  }
  expect(proof(0).cause).toBe('as-it-should-be')
  const blocked = proof(0.9)
  expect(blocked.reading.lowPaG).toBeLessThan(0)
  expect(blocked.cause).toBe('restriction')
  const mended: BenchAction[] = [...charged, turn(2001, 'engine', 'off'), { second: 2100, kind: 'opened-again' }]
  expect(proof(0.9, mended, 2200).chargeG).toBe(0)
  // what blocked it is renewed: filled again it cools
  const refilled = [
    ...mended,
    ...charged.filter((a) => a.second >= 610).map((a) => ({ ...a, second: a.second + 2000 })),
  ]
  expect(proof(0.9, refilled, 4000).reading.lowPaG).toBeGreaterThan(0)
})
