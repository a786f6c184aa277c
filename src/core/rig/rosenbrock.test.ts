import { expect, test } from 'vitest'
import { Rosenbrock, type StiffSystem } from './rosenbrock'

/** Steps of equal length, or the lengths given. */
function integrate(system: StiffSystem, from: number[], end: number, steps: number | number[]): Float64Array {
  const lengths = typeof steps === 'number' ? Array.from({ length: steps }, () => end / steps) : steps
  const method = new Rosenbrock(system)
  const free = { relative: new Float64Array(system.size), absolute: new Float64Array(system.size).fill(1) }
  let y = Float64Array.from(from)
  let next = new Float64Array(system.size)
  for (const h of lengths) {
    method.linearise(y)
    method.step(y, h, next, free)
    const swap = y
    y = next
    next = swap
  }
  return y
}

/** y' = -y^2 with y(0) = 1: y = 1 / (1 + t). */
const HYPERBOLA: StiffSystem = {
  size: 1,
  derivative: (y, dy) => {
    dy[0] = -((y[0] as number) ** 2)
  },
  jacobian: (y, jac) => {
    jac[0] = -2 * (y[0] as number)
  },
}

test('halving the step divides the error by sixteen: order four', () => {
  const error = (steps: number) => Math.abs((integrate(HYPERBOLA, [1], 2, steps)[0] as number) - 1 / 3)
  for (const steps of [8, 16]) expect(Math.log2(error(steps) / error(2 * steps))).toBeGreaterThan(3.6)
})

test('a component a million times faster than the step dies instead of ringing', () => {
  const stiff: StiffSystem = {
    size: 2,
    derivative: (y, dy) => {
      dy[0] = -1e6 * ((y[0] as number) - Math.cos(y[1] as number))
      dy[1] = 1
    },
    jacobian: (y, jac) => {
      jac.set([-1e6, -1e6 * Math.sin(y[1] as number), 0, 0])
    },
  }
  const y = integrate(stiff, [2, 0], 1, 20)
  expect(y[0]).toBeCloseTo(Math.cos(1), 4)
})

test('what is conserved stays conserved to rounding, whatever the step', () => {
  // Robertson's reactions: a stiff test set; the three parts always add up to one
  const robertson: StiffSystem = {
    size: 3,
    derivative: (y, dy) => {
      const [a, b, c] = y as unknown as [number, number, number]
      dy[0] = -0.04 * a + 1e4 * b * c
      dy[2] = 3e7 * b * b
      dy[1] = -(dy[0] as number) - (dy[2] as number)
    },
    jacobian: (y, jac) => {
      const [, b, c] = y as unknown as [number, number, number]
      jac.set([-0.04, 1e4 * c, 1e4 * b, 0.04, -1e4 * c - 6e7 * b, -1e4 * b, 0, 6e7 * b, 0])
    },
  }
  // short at first, where the second part is born within microseconds, then ever longer up to 40 s
  const times = Array.from({ length: 140 }, (_, i) => 1e-6 * (40 / 1e-6) ** (i / 139))
  const y = integrate(
    robertson,
    [1, 0, 0],
    40,
    times.map((t, i) => t - (times[i - 1] ?? 0)),
  )
  expect((y[0] as number) + (y[1] as number) + (y[2] as number)).toBeCloseTo(1, 12)
  // reference value at t = 40, Hairer and Wanner
  expect(y[0]).toBeCloseTo(0.7158, 3)
})

test('the estimate says when a step is too long', () => {
  const method = new Rosenbrock(HYPERBOLA)
  const strict = { relative: new Float64Array([1e-6]), absolute: new Float64Array([1e-9]) }
  const y = Float64Array.from([1])
  method.linearise(y)
  expect(method.step(y, 2, new Float64Array(1), strict)).toBeGreaterThan(1)
  expect(method.step(y, 0.01, new Float64Array(1), strict)).toBeLessThan(1)
})
