import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { beforeAll, describe, expect, test } from 'vitest'
import { RigFile } from '@/core/rig/rig-file'
import { simulate } from '@/core/rig/simulate'

const yperos = resolve(__dirname, '../../yperos')
const folder = mkdtempSync(join(tmpdir(), 'yperos-pull-'))
const file = (name: string, content: unknown): string => {
  const path = join(folder, name)
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
  return path
}
const run = (...args: string[]) => spawnSync(yperos, ['pull', ...args], { encoding: 'utf8', cwd: '/' })
const json = (...args: string[]) =>
  JSON.parse(execFileSync(yperos, ['pull', ...args, '--json'], { encoding: 'utf8', cwd: '/' }))

const RIG = {
  nodes: [
    { id: 'low', volume_L: 1.2, temperature_C: 20 },
    { id: 'evaporator', volume_L: 1.2, temperature_C: 20 },
    { id: 'manifold', volume_L: 0.03, temperature_C: 20 },
    { id: 'pump', volume_L: 0.05, temperature_C: 20 },
  ],
  links: [
    { id: 'suction', from: 'low', to: 'evaporator', bore_mm: 12, length_m: 0.8, kind: 'metal' },
    { id: 'hose-low', from: 'low', to: 'manifold', bore_mm: 4.8, length_m: 1.2, kind: 'barrier-new' },
    { id: 'hose-pump', from: 'manifold', to: 'pump', bore_mm: 4.8, length_m: 1.2, kind: 'barrier-new' },
  ],
  pump: { at: 'pump', speed_cfm: 4, ultimate_micron: 30, ballast: false },
  gauges: [
    { id: 'far', at: 'evaporator', kind: 'electronic' },
    { id: 'pump', at: 'pump', kind: 'electronic' },
  ],
}
const CONTEXT = { rig: RIG, gauge: 'far', target_micron: 500, story: { opened: 'component' } }
const HEADER = 'elapsed_s,channel,value,unit'

/** What the gauge shows of a pull whose truth is known, up to a time. */
function shown(truth: object, untilS: number): string {
  const { samples, nodes } = simulate(RigFile.parse({ ...RIG, ...truth }), { seconds: untilS, everyS: 20 })
  const node = nodes.indexOf('evaporator')
  return [
    HEADER,
    ...samples
      .filter((s) => (s.totalPa[node] as number) < 2600)
      .map((s) => `${s.tS},vacuum,${(s.totalPa[node] as number).toFixed(2)},Pa`),
  ].join('\n')
}

// the first call may bundle the tools
beforeAll(() => void run('--help'), 60_000)

describe('where a running pull stands', () => {
  const context = file('context.json', CONTEXT)

  test('without a reading the answer is the forecast, and says so of the whole pull', () => {
    const r = json(file('none.csv', HEADER), '--context', context)
    expect(r.reaches).toBeGreaterThan(0.6)
    expect(r.to_target_s.p10).toBeLessThan(r.to_target_s.p50)
    expect(r.stands.reduce((sum: number, s: { probability: number }) => sum + s.probability, 0)).toBeCloseTo(1, 9)
    expect(r.water_left_g.low).toBeGreaterThan(0.05)
    expect(r.water_left_g.high).toBeLessThan(2)
  }, 60_000)

  test('water that boils is seen boiling, and what is left of it takes about as long as it does', () => {
    const truth = { sources: { water: [{ at: 'evaporator', grams: 2.5 }] } }
    const r = json(file('wet.csv', shown(truth, 900)), '--context', file('at900.json', { ...CONTEXT, now_s: 900 }))
    expect(r.stands[0].kind).toBe('boiling')
    expect(r.reaches).toBeGreaterThan(0.8)
    const until = { node: 'evaporator', pressurePa: 66.66 }
    const { reachedS } = simulate(RigFile.parse({ ...RIG, ...truth }), { seconds: 20_000, everyS: 100, until })
    const left = (reachedS as number) - 900
    expect(r.to_target_s.p10).toBeLessThan(left)
    // null is beyond six hours
    expect(r.to_target_s.p90 ?? Number.POSITIVE_INFINITY).toBeGreaterThan(0.6 * left)
    expect(r.to_target_s.p50 / left).toBeGreaterThan(0.25)
    expect(r.to_target_s.p50 / left).toBeLessThan(4)
  }, 60_000)

  test('a pull that hangs far above its pump will not get there, whatever it waits', () => {
    const leaking = shown({ sources: { leaks: [{ at: 'low', air_Pa_m3_s: 2e-3 }] } }, 3600)
    const r = json(file('leak.csv', leaking), '--context', file('at3600.json', { ...CONTEXT, now_s: 3600 }))
    expect(r.reaches).toBeLessThan(0.2)
    expect(r.to_target_s.p50).toBeNull()
    expect(['leak', 'pump', 'hoses']).toContain(r.stands[0].kind)
    expect(r.far_Pa.value).toBeCloseTo(100, -1)
  }, 60_000)

  test('rows after now are not looked at, and a needle’s tell nothing of the depth', () => {
    const wet = shown({ sources: { water: [{ at: 'evaporator', grams: 1.5 }] } }, 3600)
    const at300 = file('at300.json', { ...CONTEXT, now_s: 300 })
    const early = wet.split('\n').filter((l, i) => i === 0 || Number(l.split(',')[0]) <= 300)
    expect(json(file('all.csv', wet), '--context', at300)).toEqual(
      json(file('early.csv', early.join('\n')), '--context', at300),
    )
    const needle = file('needle.json', { ...CONTEXT, now_s: 300, instrument: { kind: 'needle' } })
    expect(json(file('all.csv', wet), '--context', needle)).toEqual(json(file('none.csv', HEADER), '--context', needle))
  }, 120_000)

  test.each([
    [
      'a gauge the rig has not',
      { ...CONTEXT, gauge: 'near' },
      HEADER,
      /gauge: the rig has no gauge "near"; gauges are far, pump/,
    ],
    [
      'a gauge at no node',
      { ...CONTEXT, rig: { ...RIG, gauges: [{ id: 'far', at: 'rear', kind: 'electronic' }] } },
      HEADER,
      /there is no node "rear"/,
    ],
    [
      'times backwards',
      CONTEXT,
      `${HEADER}\n60,vacuum,900,Pa\n30,vacuum,800,Pa`,
      /:3: 30 lies before the reading above it/,
    ],
    ['no header', CONTEXT, '60,vacuum,900,Pa', /:1: the header is/],
    ['a unit nobody knows', CONTEXT, `${HEADER}\n60,vacuum,900,atm`, /:2: the unit "atm" is not known/],
  ])('%s is refused with its place', (_name, ctx, rows, message) => {
    const refused = run(file('bad.csv', rows), '--context', file('bad.json', ctx), '--json')
    expect([refused.status, refused.stdout]).toEqual([2, ''])
    expect(refused.stderr).toMatch(message)
  })
})
