import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { beforeAll, expect, test } from 'vitest'
import { L_S_PER_CFM } from '@/core/units/constants'

const yperos = resolve(__dirname, '../../yperos')
const folder = mkdtempSync(join(tmpdir(), 'yperos-cli-'))
const file = (name: string, content: unknown): string => {
  const path = join(folder, name)
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
  return path
}
const run = (...args: string[]) => spawnSync(yperos, args, { encoding: 'utf8', cwd: '/' })
const json = (...args: string[]) =>
  JSON.parse(execFileSync(yperos, [...args, '--json'], { encoding: 'utf8', cwd: '/' }))

const RIG = {
  nodes: [
    { id: 'low', volume_L: 1.4, temperature_C: 25 },
    { id: 'pump', volume_L: 0.1, temperature_C: 25 },
  ],
  links: [{ id: 'hose-low', from: 'pump', to: 'low', bore_mm: 4.8, length_m: 1.5, kind: 'metal' }],
  pump: { at: 'pump', speed_cfm: 5, ultimate_micron: 40, ballast: false },
  gauges: [{ id: 'far', at: 'low', kind: 'electronic' }],
}

// the first call may bundle the tools
beforeAll(() => void run('help'), 60_000)

test('a needle reading at altitude is converted to an interval of micron', () => {
  const result = json('convert', '20', 'inHgV', 'micron', '--altitude-m', '2380')
  expect(result.unit).toBe('micron')
  // 75.8 kPa less 20 inHg leaves 8.1 kPa, 60,700 micron; the needle blurs 12,700 either way
  expect(result.value).toBeCloseTo(60_700, -3)
  expect(result.interval[1] - result.interval[0]).toBeCloseTo(25_400, -2)
})

test('a needle at its stop means nearly nothing is left, not an error', () => {
  const atStop = json('convert', '30.1', 'inHgV', 'micron', '--barometer-Pa', '101325')
  // 101,325 Pa are 29.92 inHg: 0.18 beyond, and the needle is good to half an inch
  expect(atStop.value).toBe(0)
  expect(atStop.interval).toEqual([0, expect.closeTo(0.321 * 25_400, -2)])
})

test('temperatures, masses, volumes, lengths and pump speeds convert too', () => {
  expect(json('convert', '52', 'F', 'C')).toEqual({ value: expect.closeTo(11.11, 2), unit: 'C', interval: null })
  expect(json('convert', '1.4', 'lb', 'oz').value).toBeCloseTo(22.4, 10)
  expect(json('convert', '6', 'cfm', 'L/s').value).toBeCloseTo(2.83, 2)
})

test('an absolute unit has no interval, and a sign is no option', () => {
  expect(json('convert', '1', 'kPa', 'micron')).toEqual({
    value: expect.closeTo(7500.6, 0),
    unit: 'micron',
    interval: null,
  })
  expect(json('convert', '-5', 'psig', 'kPa', '--barometer-Pa', '101325').value).toBeCloseTo(66.85, 1)
})

test.each([
  [['convert', '20', 'inHgV', 'micron'], /counts from the air of the place/],
  [['convert', 'deep', 'micron', 'Pa'], /value is "deep"; a finite number/],
  [['convert', '5', 'furlong', 'Pa'], /unit furlong is not known/],
  [['convert', '5', 'g', 'mm'], /g is a unit of mass, mm of length/],
  [['convert', '-300', 'C', 'K'], /temperature.*-273\.15/],
  [['convert', '35', 'inHgV', 'Pa', '--altitude-m', '0'], /29\.9/],
  [['saturation', '--fluid', 'R-22', '--celsius', '5'], /use R-134a, R-1234yf, water/],
  [['saturation', '--fluid', 'R-134a', '--celsius', '500'], /between 233\.15 and 374\.18 K/],
  [['pulldown', '/nowhere/rig.json', '--seconds', '10'], /\/nowhere\/rig\.json: cannot be read/],
  [['levitate'], /convert/],
])('%j is bad input: exit 2 and one reason', (args, reason) => {
  const { status, stdout, stderr } = run(...args)
  expect(status).toBe(2)
  expect(stdout).toBe('')
  expect(stderr).toMatch(reason)
})

test('saturation by temperature and by pressure are each other’s inverse', () => {
  const at25 = json('saturation', '--fluid', 'R-134a', '--celsius', '25')
  expect(at25.pressure_Pa / 665_400).toBeCloseTo(1, 2)
  expect(at25.liquid_kg_m3).toBeCloseTo(1206.7, 1)
  expect(json('saturation', '--fluid', 'R-134a', '--kPa', String(at25.pressure_Pa / 1000)).temperature_C).toBeCloseTo(
    25,
    4,
  )
  expect(json('saturation', '--fluid', 'water', '--celsius', '-10').pressure_Pa).toBeCloseTo(259.9, 0)
})

test('a rig is pulled down, ends at its target and says its effective speed', () => {
  const rig = file('rig.json', RIG)
  const whole = json('pulldown', rig, '--seconds', '600', '--every', '60')
  expect(whole.series.map((s: { t_s: number }) => s.t_s)).toEqual([0, 60, 120, 180, 240, 300, 360, 420, 480, 540, 600])
  expect(whole.series[0].pressure_Pa).toEqual({ low: expect.closeTo(101_325, 3), pump: expect.closeTo(101_325, 3) })
  expect(whole.reached_s).toBeNull()
  const until = json('pulldown', rig, '--seconds', '6000', '--until-micron', '500', '--at', 'far')
  expect(until.reached_s).toBeGreaterThan(10)
  // a 5 CFM pump through one such hose does 0.03 to 0.1 CFM at 500 micron
  const cfm = until.effective_speed_L_s.low / L_S_PER_CFM
  expect(cfm).toBeGreaterThan(0.03)
  expect(cfm).toBeLessThan(0.1)
})

test('events act: a closed hose holds, a stopped pump stops', () => {
  const rig = file('rig.json', RIG)
  const events = file('events.json', [{ t_s: 60, close: 'hose-low' }])
  const held = json('pulldown', rig, '--seconds', '300', '--every', '60', '--events', events).series.map(
    (s: { pressure_Pa: { low: number } }) => s.pressure_Pa.low,
  )
  expect(held[5] / held[1]).toBeCloseTo(1, 6)
})

test.each([
  [{ ...RIG, colour: 'red' }, /\$: .*colour/],
  [{ ...RIG, nodes: [{ id: 'low', volume_L: -1, temperature_C: 25 }, RIG.nodes[1]] }, /\$\.nodes\[0\]\.volume_L/],
  [{ ...RIG, links: [{ ...RIG.links[0], to: 'nowhere' }] }, /\$\.links\[0\]\.to: there is no node "nowhere"/],
  [{ ...RIG, links: [{ ...RIG.links[0], bore_mm: 0 }] }, /\$\.links\[0\]\.bore_mm/],
  ['{"nodes": [', /is not JSON/],
  ['{"nodes": [{"id":"low","volume_L":NaN}]}', /is not JSON/],
])('a faulty rig is refused naming file and path', (rig, reason) => {
  const path = file('faulty.json', rig)
  const { status, stderr } = run('pulldown', path, '--seconds', '10')
  expect(status).toBe(2)
  expect(stderr).toContain(path)
  expect(stderr).toMatch(reason)
  expect(stderr.trim().split('\n')).toHaveLength(1)
})

test('events that name no part, and a gauge that is not there, are refused', () => {
  const rig = file('rig.json', RIG)
  const events = file('events.json', [{ t_s: 5, close: 'hose-high' }])
  expect(run('pulldown', rig, '--seconds', '10', '--events', events).stderr).toMatch(
    /\$\[0\]\.close: there is no link "hose-high"; links are hose-low/,
  )
  expect(run('pulldown', rig, '--seconds', '10', '--until-micron', '5', '--at', 'near').stderr).toMatch(
    /there is no such gauge; gauges are far/,
  )
  expect(run('pulldown', rig).stderr).toMatch(/--seconds is missing/)
})

test('every command has its help', () => {
  for (const name of ['convert', 'saturation', 'pulldown', 'verify'])
    expect(run(name, '--help').stdout).toContain(`yperos ${name}`)
})
