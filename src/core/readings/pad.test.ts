import { expect, test } from 'vitest'
import { STANDARD_ATMOSPHERE_PA } from '../units/constants'
import { Units } from '../units/shown'
import { type PadChannel, padChannels, padHint, padRead, usualUnit } from './pad'

const AIR = STANDARD_ATMOSPHERE_PA

test('a bare figure is in the unit of its channel, and any other is kept as it was typed', () => {
  expect(padRead('vacuum', '29.5', usualUnit('vacuum', 'needle'), AIR)).toEqual({ value: 29.5, unit: 'inHgV' })
  expect(padRead('vacuum', '776', usualUnit('vacuum', 'electronic'), AIR)).toEqual({ value: 776, unit: 'micron' })
  expect(padRead('low', '32', 'psig', AIR)).toEqual({ value: 32, unit: 'psig' })
  expect(padRead('high', '1250 kPa', 'psig', AIR)).toEqual({ value: 1250, unit: 'kPag' })
  expect(padRead('barometer', '1008', 'mbar', AIR)).toEqual({ value: 1008, unit: 'mbar' })
  expect(padRead('barometer', '29.8 inHg', 'mbar', AIR)).toEqual({ value: 29.8, unit: 'inHg' })
  expect(padRead('ambient', '22', 'C', AIR)).toEqual({ value: 22, unit: 'C' })
  expect(padRead('ambient', '72 F', 'C', AIR).value).toBeCloseTo(22.2, 1)
  expect(padRead('scale', '13.2 oz', 'g', AIR).value).toBeCloseTo(374.2, 1)
})

test('a bare figure is in the unit whoever types thinks in', () => {
  const own = Units.parse({ vacuum: 'mbar', temperature: 'F', mass: 'oz', pressure: 'kPa' })
  const read = (channel: PadChannel, text: string) => padRead(channel, text, usualUnit(channel, 'electronic', own), AIR)
  expect(read('vacuum', '0.9')).toEqual({ value: 0.9, unit: 'mbar' })
  expect(read('low', '220')).toEqual({ value: 220, unit: 'kPag' })
  expect(read('ambient', '68').value).toBeCloseTo(20, 6)
  expect(padRead('high', '11.5', usualUnit('high', 'electronic', Units.parse({ pressure: 'bar' })), AIR)).toEqual({
    value: 11.5,
    unit: 'barg',
  })
  expect(read('scale', '13.2').value).toBeCloseTo(374.2, 1)
  expect(usualUnit('vacuum', 'needle', own)).toBe('inHgV')
})

test('what cannot be is refused, and the hint says the same in other figures or what may be typed', () => {
  expect(() => padRead('vacuum', 'deep', 'micron', AIR)).toThrow()
  expect(() => padRead('vacuum', '40', 'inHgV', AIR)).toThrow()
  expect(() => padRead('low', '-40', 'psig', AIR)).toThrow()
  expect(padHint('low', '32', 'psig', AIR)).toBe('221 kPa, 32.0 psig')
  expect(padHint('barometer', '29.8 inHg', 'mbar', AIR)).toBe('1009 mbar, 29.8 inHg')
  expect(padHint('vacuum', '29.9', 'inHgV', AIR)).toMatch(/at its stop/)
  expect(padHint('high', '', 'psig', AIR)).toMatch(/such as 180/)
})

test('while a hold is read the weather may be typed too, while it charges both sides', () => {
  expect(padChannels('hold')).toEqual(['vacuum', 'barometer', 'ambient'])
  expect(padChannels('charge')[0]).toBe('scale')
  // while it runs the vent comes first, both sides beside it
  expect(padChannels('prove')).toEqual(['vent', 'low', 'high', 'ambient'])
  expect(padRead('vent', '46 F', 'C', AIR).value).toBeCloseTo(7.8, 1)
})
