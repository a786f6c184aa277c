import { expect, test } from 'vitest'
import { clockIn } from '@/core/units/clock-text'
import { gaugeText, micronText, paText, signed } from '../format'
import { gaugeHint, massHint, readAmount, readCelsius, readGauge } from './entries'

test('a gauge entry shows its other units at once, below the air as inches too', () => {
  expect(gaugeHint('45 psig', 75_815)).toBe('310 kPa, 45.0 psig, 386 kPa absolute')
  expect(gaugeHint('-10 psig', 75_815)).toMatch(/20\.4 inHg below the air, 6\.9 kPa absolute/)
  expect(gaugeHint('much', 75_815)).toBeUndefined()
})

test('a mass entry shows every unit, or warns of decimals of a pound', () => {
  expect(massHint('20 oz')).toEqual({ hint: '567 g · 20.0 oz · 1 lb 4.0 oz · 0.567 kg' })
  expect(massHint('1.4 lb').warning).toMatch(/not 1 lb 4 oz/)
  expect(massHint('')).toEqual({})
})

test('entries come back as values or as reasons', () => {
  expect(readGauge('0', 101_325)).toEqual({ value: 0 })
  expect(readCelsius('52 F')).toEqual({ value: expect.closeTo(11.1, 1) })
  expect(readCelsius('-80')).toHaveProperty('error')
  expect(readAmount('3,5', 'the hours', 10)).toEqual({ value: 3.5 })
  expect(readAmount('', 'the hours', 10)).toEqual({ error: 'type the hours as a number' })
  expect(readAmount('11', 'the hours', 10)).toHaveProperty('error')
})

test('figures never lose their unit, and a minus is a minus', () => {
  expect(micronText(66.66)).toBe('500')
  expect(paText(66.66)).toBe('66.7 Pa')
  expect(paText(75_815)).toBe('75.8 kPa')
  expect(gaugeText(-20_000)).toBe('−20 kPa, −3 psig')
  expect([signed(-13.2, 0), signed(2.2, 1), signed(0.01, 1), signed(-1383, 0)]).toEqual(['−13', '+2.2', '0', '−1,383'])
})

test('times are the shop’s own, wherever the browser is', () => {
  const noon = Date.parse('2026-03-02T12:00:00Z')
  expect(clockIn('UTC')(noon)).toBe('12:00')
  expect(clockIn('Asia/Tokyo')(noon)).toBe('21:00')
})
