import { expect, test } from 'vitest'
import { CarFacts, checkDigitFits } from './car-facts'

test('the check digit of the standard’s own examples fits, and one wrong character is noticed', () => {
  // seventeen ones are the textbook example: 1 times the sum of the weights is 89, and 89 mod 11 is 1
  expect(checkDigitFits('11111111111111111')).toBe(true)
  expect(checkDigitFits('11111111111111112')).toBe(false)
  // 1×8 + 2×7 + 3×6 + 4×5 + 5×4 + 6×3 + 7×2 + 8×10 + 0×9 + 1×8 + … + 7×2 is 304, and 304 mod 11 is 7
  expect(checkDigitFits('12345678701234567')).toBe(true)
  // A and J count 1, as 1 does
  expect(checkDigitFits('A2345678701234567')).toBe(true)
  expect(checkDigitFits('B2345678701234567')).toBe(false)
  // every single digit that is changed moves the sum by no multiple of eleven, except the check digit's own place
  for (const i of [0, 3, 7, 9, 16]) {
    const wrong = `${'1'.repeat(i)}4${'1'.repeat(16 - i)}`
    expect(checkDigitFits(wrong)).toBe(false)
  }
})

test('an identification number has 17 characters and neither I, O nor Q; small letters are taken', () => {
  expect(CarFacts.parse({ vin: 'abcdefgh1jklmnp12' }).vin).toBe('ABCDEFGH1JKLMNP12')
  expect(CarFacts.safeParse({ vin: 'ABCDEFGH1JKLMNO12' }).success).toBe(false)
  expect(CarFacts.safeParse({ vin: 'SHORT' }).success).toBe(false)
  expect(CarFacts.parse({})).toMatchObject({ vin: '', evaporators: null })
})
