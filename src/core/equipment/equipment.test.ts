import { expect, test } from 'vitest'
import { composeRig } from '../rig/compose'
import { OUTGASSING } from '../rig/outgassing'
import { portSpeeds } from '../rig/port-speeds'
import { simulate } from '../rig/simulate'
import { CUBIC_METRES_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { assembleRig, PartMissing, type RigParts } from './assemble'
import { judgeBlankOff, judgeHoseHold } from './checks'
import {
  type EquipmentDeed,
  EquipmentWritten,
  equipmentRead,
  equipmentWritten,
  type PressureReading,
  type Shelved,
} from './equipment'
import { duesOf, duesOfRig } from './upkeep'

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
const micron = (...values: number[]): PressureReading[] =>
  values.map((v, i) => ({ atS: i * 60, pa: v * PA_PER_MICRON, typed: `${v}` }))
const deed = (n: number, kind: EquipmentDeed['kind'], happenedAt: string, payload: object = {}) =>
  ({ id: id(n), kind, happenedAt, by: 'x', payload }) as EquipmentDeed
const PLATE = { speedM3S: 4 * CUBIC_METRES_S_PER_CFM, stages: 2 as const, ultimatePa: 25 * PA_PER_MICRON }
const NEW_HOSE = {
  boreM: 0.0095,
  lengthM: 1.2,
  hoseKind: 'barrier-new' as const,
  boughtOn: '2026-01-01',
  sealsRenewedOn: '2026-01-01',
}

const pump = (deeds: EquipmentDeed[] = [], use = { hours: 0, wetJobs: 0, jobs: 0 }): Shelved => ({
  id: id(1),
  name: 'Pump',
  kind: 'pump',
  spec: PLATE,
  retired: false,
  deeds,
  use,
})
const hose = (n: number, deeds: EquipmentDeed[] = [], spec = {}): Shelved => ({
  id: id(n),
  name: `Hose ${n}`,
  kind: 'hose',
  spec: { ...NEW_HOSE, ...spec },
  retired: false,
  deeds,
})
const gauge: Shelved = {
  id: id(8),
  name: 'Gauge',
  kind: 'gauge',
  spec: { gaugeKind: 'electronic', resolutionPa: PA_PER_MICRON, calibratedOn: '2026-06-01' },
  retired: false,
  deeds: [],
}
const scale: Shelved = {
  id: id(9),
  name: 'Scale',
  kind: 'scale',
  spec: { stepG: 2, calibratedOn: '2026-06-01' },
  retired: false,
  deeds: [],
}
const PARTS: RigParts = {
  pump: id(1),
  lowHose: id(2),
  highHose: id(3),
  pumpHose: null,
  gauge: id(8),
  gaugeAt: 'far',
  scale: id(9),
  cores: 'out',
}

/** A hose that gives what model.md says of its kind, held for half an hour after ten minutes under vacuum. */
function held(kind: 'barrier-new' | 'rubber-old', lengthM: number, volumeL: number, leakPaM3S = 0): PressureReading[] {
  const [first, steady] = OUTGASSING[kind]
  return Array.from({ length: 7 }, (_, i) => {
    const t = i * 300
    const gas = (first * 3600 ** 0.7 * ((600 + t) ** 0.3 - 600 ** 0.3)) / 0.3 + steady * t
    return { atS: t, pa: 6 + (lengthM * gas + leakPaM3S * t) / (volumeL / 1000), typed: '' }
  })
}

/** A shop on Greenwich time. */
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10)

test('a pump that has settled near its plate is healthy, far above it needs oil, and still falling it says so', () => {
  expect(judgeBlankOff(micron(400, 60, 26, 25, 25), PLATE)).toMatchObject({
    verdict: 'healthy',
    ultimatePa: 25 * PA_PER_MICRON,
  })
  expect(judgeBlankOff(micron(900, 300, 131, 128, 127), PLATE)).toMatchObject({ verdict: 'needs-oil' })
  expect(judgeBlankOff(micron(900, 300, 140), PLATE)).toMatchObject({ verdict: 'not-settled', settled: false })
})

test('a hose held alone gives what its kind gives: the gas found lies near the law it was made by', () => {
  const fresh = judgeHoseHold(held('barrier-new', 1.2, 0.1), 0.1, NEW_HOSE)
  expect(fresh.verdict).toBe('as-new')
  // between what it gives at 15 min and at the end of the hold
  const law = (t: number) => 1.2 * (2e-7 * (t / 3600) ** -0.7 + 2e-9)
  expect(fresh.gasPaM3S.value).toBeGreaterThan(law(2400))
  expect(fresh.gasPaM3S.value).toBeLessThan(law(1200))
  expect(judgeHoseHold(held('rubber-old', 1.5, 0.05), 0.05, { ...NEW_HOSE, lengthM: 1.5 }).verdict).toBe('old-rubber')
  expect(judgeHoseHold(held('barrier-new', 1.2, 0.1, 1e-4), 0.1, NEW_HOSE).verdict).toBe('leaks')
  expect(fresh.gasPaM3S.low).toBeLessThan(fresh.gasPaM3S.value)
})

test('a rig has what its parts have been found to be: ultimate by the test after the oil, hoses by their hold alone', () => {
  const test25 = deed(20, 'blank-off', '2026-11-01T10:00:00Z', { readings: micron(500, 44, 44, 44) })
  const alone = (n: number) =>
    deed(30 + n, 'hose-hold', '2026-11-01T10:00:00Z', { readings: held('barrier-new', 1.2, 0.1), volumeL: 0.1 })
  const shelf = [pump([test25]), hose(2, [alone(2)]), hose(3, [alone(3)]), gauge, scale]
  const rig = assembleRig('Cart', PARTS, shelf)
  expect(rig).toMatchObject({
    pumpM3S: 4 * CUBIC_METRES_S_PER_CFM,
    ultimatePa: 44 * PA_PER_MICRON,
    hoses: 2,
    boreM: 0.0095,
    hoseKind: 'barrier-new',
    cores: 'out',
    equipment: { pump: id(1), hoses: [id(2), id(3)] },
  })
  expect(rig.hoseBaselinePaM3S).toBeCloseTo(
    2 * judgeHoseHold(held('barrier-new', 1.2, 0.1), 0.1, NEW_HOSE).gasPaM3S.value,
    12,
  )
  // fresh oil takes the old test's word away, one hose never held alone the sum's
  const changed = [
    pump([deed(21, 'oil-changed', '2026-11-02T10:00:00Z'), test25]),
    hose(2),
    hose(3, [alone(3)]),
    gauge,
    scale,
  ]
  expect(assembleRig('Cart', PARTS, changed)).toMatchObject({ ultimatePa: 25 * PA_PER_MICRON })
  expect(assembleRig('Cart', PARTS, changed).hoseBaselinePaM3S).toBeUndefined()
})

test('a part that is gone, retired or in two places is named', () => {
  const shelf = [pump(), hose(2), hose(3), gauge, scale]
  const failing = (parts: RigParts, on = shelf) => {
    try {
      assembleRig('x', parts, on)
    } catch (error) {
      return error instanceof PartMissing ? error.part : error
    }
  }
  expect(failing({ ...PARTS, pump: id(77) })).toBe('pump')
  expect(failing({ ...PARTS, pump: id(2) })).toBe('pump')
  expect(failing({ ...PARTS, highHose: id(2) })).toBe('highHose')
  expect(
    failing(
      PARTS,
      shelf.map((s) => (s.id === id(9) ? { ...s, retired: true } : s)),
    ),
  ).toBe('scale')
})

test('oil is due by hours or after a wet job, seals and calibration by the year', () => {
  const now = Date.parse('2026-11-25T12:00:00Z')
  const oil = (hours: number, wetJobs: number) => duesOf(pump([], { hours, wetJobs, jobs: 3 }), now, dayOf)[0]?.state
  expect([oil(2, 0), oil(8.5, 0), oil(10, 0), oil(1, 1)]).toEqual(['fine', 'soon', 'due', 'due'])
  const seals = (on: string, deeds: EquipmentDeed[] = []) =>
    duesOf(hose(2, deeds, { sealsRenewedOn: on }), now, dayOf)[0]
  expect(seals('2026-01-01')).toMatchObject({ state: 'soon', on: '2027-01-01' })
  expect(seals('2025-11-20')?.state).toBe('due')
  expect(seals('2025-01-01', [deed(40, 'seals-renewed', '2026-11-01T00:00:00Z')])?.state).toBe('fine')
  const shelf = [pump([], { hours: 11, wetJobs: 0, jobs: 4 }), hose(2), hose(3), gauge, scale]
  expect(duesOfRig(assembleRig('Cart', PARTS, shelf), shelf, now, dayOf).map((d) => d.words.split(':')[0])).toEqual([
    'Pump',
    'Hose 2',
    'Hose 3',
  ])
})

const { boreM: _bore, ...HOSE_BUT_BORE } = NEW_HOSE
const WRITTEN_HOSE = { ...HOSE_BUT_BORE, boreMm: 9.5 }

test('what is written of a thing in mm, micron and CFM is read in m, Pa and m3/s, and written back as it was typed', () => {
  const common = { id: id(1), name: 'x', retired: false }
  const written: EquipmentWritten[] = [
    { ...common, kind: 'pump', spec: { speedCfm: 3.7, stages: 2, ultimateMicron: 23.5 } },
    { ...common, kind: 'hose', spec: { ...WRITTEN_HOSE, boreMm: 4.8 } },
    { ...common, kind: 'gauge', spec: { gaugeKind: 'needle', resolutionMicron: 12_700, calibratedOn: '2026-06-01' } },
    { ...common, kind: 'scale', spec: { stepG: 2, calibratedOn: '2026-06-01' } },
  ]
  expect(written.map(equipmentRead).map(equipmentWritten)).toEqual(written)
  const [read, bore, step] = written.map(equipmentRead)
  // a cubic foot is 0.028316847 m3, a micron of mercury 0.1333224 Pa
  expect(read?.kind === 'pump' && read.spec.speedM3S).toBeCloseTo((3.7 * 0.028316847) / 60, 9)
  expect(bore?.kind === 'hose' && bore.spec.boreM).toBeCloseTo(0.0048, 12)
  expect(step?.kind === 'gauge' && step.spec.resolutionPa).toBeCloseTo(1693.19, 1)
})

test('a container lighter than when it is empty, a hose without bore and a day that is none are refused by their path', () => {
  const container = {
    id: id(5),
    name: 'Can',
    kind: 'container',
    retired: false,
    spec: { containerKind: 'can', refrigerant: 'R-134a', grossG: 100, tareG: 132 },
  }
  const paths = (item: object) => EquipmentWritten.safeParse(item).error?.issues.map((i) => i.path.join('.'))
  expect(paths(container)).toEqual(['spec.grossG'])
  expect(
    paths({
      id: id(2),
      name: 'H',
      kind: 'hose',
      retired: false,
      spec: { ...WRITTEN_HOSE, boreMm: 0, boughtOn: 'spring' },
    }),
  ).toEqual(['spec.boreMm', 'spec.boughtOn'])
})

test(
  'speed at the ports: never more than the pump has, less the deeper, and what a narrow hose leaves is a few ' +
    'hundredths of a CFM',
  () => {
    const rig = assembleRig('Cart', PARTS, [pump(), hose(2), hose(3), gauge, scale])
    const speeds = portSpeeds(rig, 20, 101_325)
    expect(speeds).toHaveLength(6)
    const at = (depth: string) => speeds.filter((s) => String(s.depth) === depth).reduce((sum, s) => sum + s.share, 0)
    expect(at('air')).toBeLessThanOrEqual(1.0001)
    expect(at('5000')).toBeLessThan(at('air'))
    expect(at('500')).toBeLessThan(at('5000'))
    // one 1.5 m hose of 4.8 mm on a 5 CFM pump, straight to it and without a core: 0.03 to 0.1 CFM at 500 micron
    const narrow = {
      ...rig,
      hoses: 1,
      boreM: 0.0048,
      lengthM: 1.5,
      pumpM3S: 5 * CUBIC_METRES_S_PER_CFM,
      cores: 'out' as const,
      pumpHose: { boreM: 0.0127, lengthM: 0.1, kind: 'metal' as const },
    }
    const [slow] = portSpeeds(narrow, 20, 101_325).filter((s) => s.depth === 500)
    const cfm = (slow?.speedM3S ?? 0) / CUBIC_METRES_S_PER_CFM
    expect(cfm).toBeGreaterThan(0.03)
    expect(cfm).toBeLessThan(0.1)
  },
)

test('every hose of the rig is in its network as it is: a narrow hose to the pump slows the pull', () => {
  const rig = assembleRig('Cart', PARTS, [pump(), hose(2), hose(3), gauge, scale])
  const ask = {
    car: { volumeL: 2.5, evaporators: 1 as const },
    ambientC: 20,
    barometerPa: 101_325,
    water: { liquidG: 0, boundG: 0 },
  }
  const to500 = (r: typeof rig) =>
    simulate(composeRig({ ...ask, rig: r }), {
      seconds: 7200,
      everyS: 7200,
      until: { node: 'evaporator', pressurePa: 66 },
    }).reachedS ?? 7200
  expect(to500({ ...rig, pumpHose: { boreM: 0.0048, lengthM: 1.5, kind: 'rubber-old' } })).toBeGreaterThan(
    2 * to500(rig),
  )
  const high = composeRig({
    ...ask,
    rig: { ...rig, highHose: { boreM: 0.0048, lengthM: 1.8, kind: 'metal' } },
  }).links.find((l) => l.id === 'hose-high')
  expect(high).toMatchObject({ bore_mm: 4.8, length_m: 1.8, kind: 'metal' })
})

test('a hose of the recovery machine is refused for the vacuum, by its place in the rig', () => {
  const shelf = [pump(), hose(2), hose(3, [], { use: 'recovery' as const }), gauge, scale]
  expect(() => assembleRig('Cart', PARTS, shelf)).toThrow(/Hose 3 is kept for the recovery machine/)
  try {
    assembleRig('Cart', PARTS, shelf)
  } catch (error) {
    expect((error as PartMissing).part).toBe('highHose')
  }
  expect(assembleRig('Cart', { ...PARTS, highHose: null }, shelf).hoses).toBe(1)
})
