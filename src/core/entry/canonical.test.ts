import fc from 'fast-check'
import { expect, test } from 'vitest'
import { canonicalJson } from './canonical'

test('the example of RFC 8785: keys by UTF-16 units, numbers as ECMAScript writes them', () => {
  const value = {
    numbers: [333333333.3333333, 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
    string: '€$\u000f\nA\'B"\\\\"/',
    literals: [null, true, false],
  }
  expect(canonicalJson(value)).toBe(
    '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
  )
  expect(
    canonicalJson({ '\u20ac': 1, '\r': 2, '\ufb33': 3, '1': 4, '\ud83d\ude00': 5, '\u0080': 6, '\u00f6': 7 }),
  ).toBe('{"\\r":2,"1":4,"\u0080":6,"ö":7,"€":1,"😀":5,"\ufb33":3}')
})

test('whatever order a record’s members came in, its text is the same and reads back as the same data', () => {
  fc.assert(
    fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (value) => {
      const turned = Object.fromEntries(Object.entries(value).reverse())
      expect(canonicalJson(turned)).toBe(canonicalJson(value))
      expect(JSON.parse(canonicalJson(value))).toEqual(JSON.parse(JSON.stringify(value)))
    }),
  )
})

test('a number JSON cannot carry is refused', () => {
  expect(() => canonicalJson({ a: Number.NaN })).toThrow(RangeError)
  expect(canonicalJson({ a: undefined, b: 1 })).toBe('{"b":1}')
})
