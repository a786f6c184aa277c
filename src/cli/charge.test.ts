import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'

const folder = mkdtempSync(join(tmpdir(), 'yperos-charge-'))
const PLAN = {
  refrigerant: 'R-134a',
  target: { g: 540 },
  tolerance_g: 15,
  ambient_C: 22,
  scale_step_g: 2,
  hose: { bore_mm: 4.8, length_m: 1.5, phase: 'vapour', drawn_down: true },
  purge_g_each: 3,
  containers: [
    { id: 'can-1', kind: 'can', gross_g: 474, net_g: 340 },
    { id: 'cyl-7', kind: 'cylinder', gross_g: 9120, tare_g: 3410 },
  ],
}
function charge(change: object, ...args: string[]) {
  const file = join(folder, 'plan.json')
  writeFileSync(file, JSON.stringify({ ...PLAN, ...change }))
  return spawnSync(resolve(__dirname, '../../yperos'), ['charge', file, ...args], { encoding: 'utf8', cwd: '/' })
}

test('a can and a cylinder: weights add up, and the band is worked out as formats.md says', () => {
  const plan = JSON.parse(charge({}, '--json').stdout)
  expect(plan.steps).toHaveLength(2)
  expect(plan.delivered_g).toBeCloseTo(540, 9)
  expect(plan.weighed_out_g).toBeCloseTo(546, 9)
  expect(plan.steps[0].stop_gross_oz).toBeCloseTo(plan.steps[0].stop_gross_g / 28.349523, 6)
  // four weighings of 2 g, two purges of 1.5 g, one heel of 2 g
  expect(plan.band_g[1] - 540).toBeCloseTo(Math.sqrt(4 * 4 + 2 * 1.5 ** 2 + 4), 6)
  expect(plan).toMatchObject({ target_g: 540, hose_hold_up_g: 0, short_g: 0, meets_tolerance: true, warnings: [] })
})

test('a hose that stayed shut at the change is purged once; a range aims at its middle', () => {
  const plan = JSON.parse(charge({ purge_on_change: false, target: { low_g: 530, high_g: 560 } }, '--json').stdout)
  expect(plan.steps.map((s: { purge_g: number }) => s.purge_g)).toEqual([3, 0])
  expect(plan.target_g).toBe(545)
})

test('the working can be read and checked by hand', () => {
  const { stdout } = charge({})
  expect(stdout).toMatch(/474 g \(16.7 oz\) on the scale, empty 134 g \(4.7 oz\), so it holds 340 g \(12.0 oz\)/)
  expect(stdout).toMatch(/1 lb 3\.0 oz/)
})

test.each([
  [{ refrigerant: 'R-744' }, /\$\.refrigerant: .*100 bar/],
  [{ refrigerant: 'R-12' }, /\$\.refrigerant: .*retrofit/],
  [{ target: { low_g: 560, high_g: 530 } }, /\$\.target.*lower end/],
  [
    { containers: [{ id: 'can-1', kind: 'can', gross_g: 340, net_g: 340 }] },
    /\$\.containers\[0\]\.gross_g: .*net weight taken for the gross/,
  ],
  [
    { containers: [{ id: 'c', kind: 'cylinder', gross_g: 3000, tare_g: 3410 }] },
    /\$\.containers\[0\]\.gross_g: .*less than its own empty weight/,
  ],
  [{ containers: [{ id: 'c', kind: 'cylinder', gross_g: -5, tare_g: 3410 }] }, /\$\.containers\[0\]\.gross_g/],
  [{ containers: [PLAN.containers[0], PLAN.containers[0]] }, /\$\.containers\[1\]\.id: .*twice/],
  [
    { containers: [{ ...PLAN.containers[0], refrigerant: 'R-1234yf' }] },
    /\$\.containers\[0\]\.refrigerant: .*never mix/,
  ],
  [{ colour: 'red' }, /colour/],
  [{ ambient_C: 80 }, /\$\.ambient_C/],
])('what cannot be is refused with its place and reason: %j', (change, words) => {
  const { status, stderr, stdout } = charge(change, '--json')
  expect(status).toBe(2)
  expect(stdout).toBe('')
  expect(stderr).toMatch(words)
  expect(stderr.trim().split('\n')).toHaveLength(1)
})
