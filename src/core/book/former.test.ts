import { expect, test } from 'vitest'
import { type FormerMapping, guessFormer, readFormer } from './former'

const HEADER = ['Vehicle', 'Reg', 'Date', 'Recovered', 'Charged', 'Result']
const read = (rows: string[][], change: Partial<FormerMapping> = {}) =>
  readFormer(
    HEADER,
    rows.map((cells, i) => ({ cells, line: i + 2 })),
    { ...guessFormer(HEADER), ...change },
    '2026-11-27',
    () => '4b5f2c1e-98a7-4f0e-8b69-6d6f2f3d6f01',
  )

test('columns are known by their names, and a line is read in its unit', () => {
  expect(guessFormer(HEADER).columns).toMatchObject({ car: 'Vehicle', plate: 'Reg', date: 'Date', charged: 'Charged' })
  const { lines, faults } = read([['Van 1', 'CL 9', '2024-06-03', '12', '19', 'passed']], { weights: 'oz' })
  expect(faults).toEqual([])
  // 19 oz of 28.35 g
  expect(lines[0]).toMatchObject({ day: '2024-06-03', verdict: 'tight' })
  expect(lines[0]?.chargedG).toBeCloseTo(538.6, 1)
})

test('mixed units, doubled rows and days that cannot be are named by line and column, and no line of them is read', () => {
  const { lines, faults } = read([
    ['Van 1', '', '2024-06-03', '400', '540', 'tight'],
    ['Van 2', '', '2024-06-03', '400', '19 oz', 'tight'],
    ['Van 1', '', '2024-06-03', '400', '540', 'tight'],
    ['Van 3', '', '2024-02-30', '400', '540', ''],
    ['Van 4', '', '2031-01-01', '', '0.54', 'perhaps'],
    ['', '', '2024-06-03', '400', '540', ''],
  ])
  expect(lines.map((l) => l.car)).toEqual(['Van 1'])
  expect(faults.map((f) => [f.line, f.column])).toEqual([
    [3, 'Charged'],
    [4, 'Vehicle'],
    [5, 'Date'],
    [6, 'Date'],
    [6, 'Charged'],
    [6, 'Result'],
    [7, 'Vehicle'],
  ])
  expect(faults[0]?.why).toContain('mixed units')
  expect(faults[1]?.why).toContain('line 2')
})

test('the same digits are another day where they stand in another order', () => {
  const row = ['Van', '', '03/04/2024', '', '540', '']
  expect(read([row], { dates: 'dmy' }).lines[0]?.day).toBe('2024-04-03')
  expect(read([row], { dates: 'mdy' }).lines[0]?.day).toBe('2024-03-04')
  expect(read([['Van', '', '13/04/2024', '', '540', '']], { dates: 'mdy' }).faults[0]?.column).toBe('Date')
})
