import { expect, test } from 'vitest'
import { beyondTheAirInHg, toStored } from '../units/channel'
import { PA_PER_INHG } from '../units/constants'
import { vacuumLine, vacuumSeen } from './vacuum-seen'

const SEA_PA = 101_325

test('an electronic gauge is said in micron, a needle as the span of depths it can mean', () => {
  expect(vacuumSeen(66.7, 'electronic', SEA_PA)).toMatchObject({ text: '500', unit: 'micron', means: '67 Pa' })
  // 29.9 of 29.92 inches: half an inch either way is 12,700 micron
  const atStop = vacuumSeen(SEA_PA - 29.9 * PA_PER_INHG, 'needle', SEA_PA)
  expect(atStop).toEqual({
    text: '29.9',
    unit: 'inHg below the air',
    means: 'at its stop: somewhere from 0 to 13,000 micron',
    byNeedle: true,
  })
  // whoever thinks in millibars sees them, with micron beside; a needle stays in its inches
  expect(vacuumSeen(66.7, 'electronic', SEA_PA, 'mbar')).toMatchObject({
    text: '0.667',
    unit: 'mbar',
    means: '500 micron',
  })
  expect(vacuumSeen(SEA_PA - 29 * PA_PER_INHG, 'needle', SEA_PA, 'mbar').unit).toBe('inHg below the air')
  expect(vacuumLine(vacuumSeen(SEA_PA - 29 * PA_PER_INHG, 'needle', SEA_PA))).toBe(
    '29.0 inHg below the air, somewhere from 11,000 to 36,000 micron',
  )
})

test('a needle at its stop or beyond is kept as nothing, and asked about only beyond its own error', () => {
  expect(toStored('vacuum', 29.9, 'inHgV', SEA_PA)).toBeCloseTo(72, 0)
  expect(toStored('vacuum', 30, 'inHgV', SEA_PA)).toBe(0)
  expect(beyondTheAirInHg(30, SEA_PA)).toBe(0)
  expect(toStored('vacuum', 31, 'inHgV', SEA_PA)).toBe(0)
  expect(beyondTheAirInHg(31, SEA_PA)).toBeCloseTo(31 - 29.92 - 0.5, 2)
  expect(() => toStored('vacuum', 299, 'inHgV', SEA_PA)).toThrow(/33/)
})
