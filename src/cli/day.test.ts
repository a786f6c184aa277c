import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, vi } from 'vitest'
import { DayFile } from '@/core/day/day-file'
import { jsonPath } from './command'
import { day } from './day'

const at = (h: number, m = 0) => `2026-07-03T${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}:00Z`
const STEPS = [
  { step: 'fix', hands_min: 30 },
  { step: 'rig', hands_min: 8 },
  { step: 'pull', wait_min: 45 },
  { step: 'isolate', hands_min: 2 },
  { step: 'hold', wait_min: 30 },
  { step: 'charge', hands_min: 20 },
]
const car = (more: object = {}) => ({ id: 'Shuttle 3', arrives: at(8), promised: at(12), steps: STEPS, ...more })
const file = (more: object = {}) => ({
  now: at(8),
  people: ['Teo'],
  rigs: ['Cart'],
  scales: ['Scale'],
  cars: [car()],
  ...more,
})
const fixed = (more: object) => [{ car: 'Shuttle 3', step: 'fix', person: 'Teo', from: at(9), to: at(9, 30), ...more }]

test.each([
  [
    'steps out of order',
    file({ cars: [car({ steps: [STEPS[1], STEPS[0]] })] }),
    '$.cars[0].steps[1].step',
    /in the order take-in, zero, fix/,
  ],
  [
    'a promise before the arrival',
    file({ cars: [car({ promised: at(7) })] }),
    '$.cars[0].promised',
    /before it arrives/,
  ],
  ['a rig nobody has', file({ cars: [car({ rig: 'Wagon' })] }), '$.cars[0].rig', /one of rigs: Cart/],
  [
    'a rig that hangs and is not named',
    file({ cars: [car({ steps: STEPS.slice(2) })] }),
    '$.cars[0].rig',
    /the rig that hangs on it/,
  ],
  ['nobody', file({ people: [] }), '$.people', /at least one person/],
  [
    'hands and a wait',
    file({ cars: [car({ steps: [{ step: 'fix', hands_min: 3, wait_min: 3 }] })] }),
    '$.cars[0].steps[0].hands_min',
    /and not both/,
  ],
  ['a name twice', file({ cars: [car(), car()] }), '$.cars[1].id', /each once/],
  [
    'a stranger away',
    file({ away: [{ person: 'Ida', from: at(9), to: at(10) }] }),
    '$.away[0].person',
    /one of people: Teo/,
  ],
  [
    'a fixed row of another length',
    file({ fixed: fixed({ to: at(9, 50) }) }),
    '$.fixed[0].to',
    /expected its hands_min, 30/,
  ],
  [
    'two fixed rows of one person',
    file({
      cars: [car(), car({ id: 'Grader' })],
      fixed: [...fixed({}), ...fixed({ car: 'Grader', from: at(9, 10), to: at(9, 40) })],
    }),
    '$.fixed[1]',
    /contradicts fixed\[0\]/,
  ],
  [
    'a fixed row while away',
    file({ fixed: fixed({}), away: [{ person: 'Teo', from: at(9, 10), to: at(10) }] }),
    '$.fixed[0].person',
    /away then/,
  ],
])('%s is named with its place', (_what, told, path, words) => {
  const parsed = DayFile.safeParse(told)
  const issue = parsed.error?.issues[0]
  expect(jsonPath(issue?.path ?? [])).toBe(path)
  expect(issue?.message).toMatch(words)
})

test('a plan comes out as rows with times, who, and why a car waits', () => {
  const told = file({ cars: [car({ promised: at(9) }), car({ id: 'Grader', promised: null })] })
  const path = join(mkdtempSync(join(tmpdir(), 'yperos-day-')), 'day.json')
  writeFileSync(path, JSON.stringify(told))
  const written = vi.spyOn(process.stdout, 'write').mockReturnValue(true)
  expect(day.run([path, '--json'])).toBe(0)
  const result = JSON.parse(String(written.mock.calls[0]?.[0]))
  written.mockRestore()
  expect(result.plan).toHaveLength(12)
  expect(result.plan[0]).toEqual({
    car: 'Shuttle 3',
    step: 'fix',
    person: 'Teo',
    rig: null,
    scale: null,
    from: '2026-07-03T08:00:00.000Z',
    to: '2026-07-03T08:30:00.000Z',
  })
  // 135 min of work promised in 60
  expect(result.late_min).toEqual({ 'Shuttle 3': 75, Grader: 0 })
  expect(result.why[0]).toBe('Shuttle 3 is 75 min later than promised.')
  expect(result.why.some((w: string) => /Grader waits \d+ min/.test(w))).toBe(true)
  expect(result.makespan_min).toBeGreaterThan(135)
})

test('a fixed row its car cannot be ready for is named, with when it could be', () => {
  const told = file({ fixed: [{ car: 'Shuttle 3', step: 'charge', person: 'Teo', from: at(8, 40), to: at(9) }] })
  const path = join(mkdtempSync(join(tmpdir(), 'yperos-day-')), 'day.json')
  writeFileSync(path, JSON.stringify(told))
  // 115 min of work and waits lie before its charge
  expect(() => day.run([path])).toThrow(/\$\.fixed\[0\]\.from: cannot stand; expected no earlier than 2026-07-03T09:55/)
})
