import { expect, test } from 'vitest'
import { LineMap, readLine } from './line-map'

const SCALE = LineMap.parse({
  instrument: 'scale-1',
  readings: [{ pattern: '^\\s*([+-]?\\d+(?:[.,]\\d+)?)\\s*g\\b', channel: 'scale', unit: 'g' }],
})
const GAUGE = LineMap.parse({
  instrument: 'vacuum-1',
  readings: [
    { pattern: '^V,(\\d+),(-?\\d+)$', group: 1, channel: 'vacuum', unit: 'micron' },
    { pattern: '^V,(\\d+),(-?\\d+)$', group: 2, channel: 'ambient', unit: 'C', scale: 0.1 },
  ],
})

test('a line becomes the readings its map names, scaled', () => {
  expect(readLine(SCALE, '  9020.5 g  stable')).toEqual({ readings: [{ channel: 'scale', unit: 'g', value: 9020.5 }] })
  expect(readLine(SCALE, '-12,5 g')).toEqual({ readings: [{ channel: 'scale', unit: 'g', value: -12.5 }] })
  const read = readLine(GAUGE, 'V,776,-35')
  expect(read).toMatchObject({
    readings: [
      { value: 776, channel: 'vacuum' },
      { channel: 'ambient', unit: 'C' },
    ],
  })
  expect('readings' in read && read.readings[1]?.value).toBeCloseTo(-3.5, 9)
})

test('a line in which nothing is found says why', () => {
  expect(readLine(SCALE, 'ERR 4')).toEqual({ why: expect.stringContaining('does not match') })
  const wrong = LineMap.parse({ ...SCALE, readings: [{ ...SCALE.readings[0], group: 2 }] })
  expect(readLine(wrong, '12 g')).toEqual({ why: expect.stringContaining('no group 2') })
  const text = LineMap.parse({ ...SCALE, readings: [{ pattern: '(.*)', channel: 'scale', unit: 'g' }] })
  expect(readLine(text, 'over')).toEqual({ why: expect.stringContaining('"over", no number') })
})

test('a map that cannot be is refused at its place', () => {
  const faults = LineMap.safeParse({ instrument: 's', readings: [{ pattern: '(', channel: 'scale', unit: 'stone' }] })
  expect(faults.error?.issues.map((i) => i.path.join('.'))).toEqual(['readings.0.pattern', 'readings.0.unit'])
})
