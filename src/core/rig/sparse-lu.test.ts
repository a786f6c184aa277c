import fc from 'fast-check'
import { expect, test } from 'vitest'
import { SparseLu } from './sparse-lu'

test('what is solved, multiplied with the matrix again, gives what was asked for, whatever is empty', () => {
  const cases = fc.integer({ min: 1, max: 14 }).chain((size) =>
    fc.record({
      size: fc.constant(size),
      filled: fc.array(fc.boolean(), { minLength: size * size, maxLength: size * size }),
      values: fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: size * size, maxLength: size * size }),
      asked: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: size, maxLength: size }),
    }),
  )
  fc.assert(
    fc.property(cases, ({ size, filled, values, asked }) => {
      const pattern = Uint8Array.from(filled, Number)
      const jac = Float64Array.from(values, (v, i) => (filled[i] ? v : 0))
      const lu = new SparseLu(size, pattern)
      // a diagonal that outweighs its column, as a step's is
      const diagonal = size + 1
      expect(lu.factor(jac, diagonal)).toBe(true)
      const x = Float64Array.from(asked)
      lu.solve(x)
      for (let row = 0; row < size; row++) {
        let sum = diagonal * (x[row] as number)
        for (let j = 0; j < size; j++) sum -= (jac[row * size + j] as number) * (x[j] as number)
        expect(sum).toBeCloseTo(asked[row] as number, 9)
      }
    }),
    { numRuns: 300 },
  )
})

test('a pivot that is zero or no number is said, and a second matrix of the pattern is its own', () => {
  const lu = new SparseLu(2, Uint8Array.from([1, 1, 1, 1]))
  expect(lu.factor(Float64Array.from([1, 0, 0, 1]), 1)).toBe(false)
  expect(lu.factor(Float64Array.from([Number.NaN, 0, 0, 1]), 3)).toBe(false)
  expect(lu.factor(Float64Array.from([1, 0, 0, -1]), 3)).toBe(true)
  const x = Float64Array.from([2, 8])
  lu.solve(x)
  expect([...x]).toEqual([1, 2])
})
