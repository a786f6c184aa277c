import { expect, test } from 'vitest'
import { shownMass, shownPressure, shownTemperature, shownVacuum, Units, USUAL_UNITS } from './shown'

const AIR = 101_325

test('a vacuum in each unit: 500 micron is 66.7 Pa, 0.667 mbar, and 29.90 inHg below the air of sea level', () => {
  const pa = 66.66
  expect(shownVacuum(pa, 'micron', AIR)).toEqual({ text: '500', unit: 'micron' })
  expect(shownVacuum(pa, 'Pa', AIR)).toEqual({ text: '66.7', unit: 'Pa' })
  expect(shownVacuum(pa, 'mbar', AIR)).toEqual({ text: '0.667', unit: 'mbar' })
  expect(shownVacuum(pa, 'inHgV', AIR)).toEqual({ text: '29.90', unit: 'inHg below the air' })
  expect(shownVacuum(0, 'mbar', AIR).text).toBe('0')
})

test('pressures, temperatures and masses in each unit', () => {
  expect(shownPressure(220_632, 'psi')).toEqual({ text: '32', unit: 'psig' })
  expect(shownPressure(-50_000, 'bar')).toEqual({ text: '−0.50', unit: 'bar' })
  expect(shownPressure(220_632, 'kPa').text).toBe('221')
  expect(shownTemperature(-10, 'F')).toEqual({ text: '14', unit: '°F' })
  expect(shownTemperature(6.24, 'C')).toEqual({ text: '6.2', unit: '°C' })
  expect(shownMass(567, 'oz')).toEqual({ text: '20.0', unit: 'oz' })
  expect(shownMass(567, 'lb').text).toBe('1 lb 4.0 oz')
  expect(shownMass(1234.4, 'g')).toEqual({ text: '1,234', unit: 'g' })
})

test('what a person has not chosen is shown in the usual unit, and no other unit is taken', () => {
  expect(Units.parse({ mass: 'oz' })).toEqual({ ...USUAL_UNITS, mass: 'oz' })
  expect(Units.safeParse({ vacuum: 'stone' }).success).toBe(false)
})
