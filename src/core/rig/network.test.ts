import fc from 'fast-check'
import { expect, test } from 'vitest'
import { composeRig } from './compose'
import { Network } from './network'

const CART = {
  name: 'Cart P1',
  boreM: 0.0048,
  lengthM: 1.5,
  hoses: 2 as const,
  pumpM3S: 2.4e-3,
  ultimatePa: 4,
  gauge: 'electronic' as const,
  hoseKind: 'rubber-old' as const,
  scaleStepG: 5,
}

/** Slopes of the balance by one state, differenced about it. */
function differenced(network: Network, y: Float64Array, column: number): Float64Array {
  const h = 1e-5 * Math.max(1e-3, Math.abs(y[column] as number))
  const [above, below] = [y.slice(), y.slice()]
  above[column] = (above[column] as number) + h
  below[column] = (below[column] as number) - h
  const [up, down] = [new Float64Array(network.size), new Float64Array(network.size)]
  network.derivative(above, up)
  network.derivative(below, down)
  return up.map((value, i) => (value - (down[i] as number)) / (2 * h))
}

test('the slopes of the balance are what small changes bring, choked at the air and free in the deep', () => {
  const rig = composeRig({
    car: { volumeL: 2.5, evaporators: 2 },
    rig: CART,
    ambientC: 22,
    barometerPa: 98_000,
    water: { liquidG: 30, boundG: 0.5 },
    leakPaM3S: 1e-4,
  })
  const network = new Network(rig)
  const jac = new Float64Array(network.size ** 2)
  const gas = 2 * network.nodes.length
  const state = fc.record({
    depth: fc.double({ min: 0, max: 4.5, noNaN: true }),
    shares: fc.array(fc.double({ min: 0.2, max: 0.9, noNaN: true }), { minLength: gas, maxLength: gas }),
  })
  let compared = 0
  fc.assert(
    fc.property(state, ({ depth, shares }) => {
      const y = network.initial(rig)
      for (const [k, share] of shares.entries()) y[k] = 10 ** depth * share
      y[network.size - 4] = 900
      network.jacobian(y, jac)
      for (let column = 0; column < network.size; column++) {
        const found = differenced(network, y, column)
        for (const [row, slope] of found.entries()) {
          const said = jac[row * network.size + column] as number
          // where nothing flows a difference of two large figures is left: against the steepest of its column
          const steepest = Math.max(...found.map(Math.abs))
          expect(Math.abs(said - slope)).toBeLessThanOrEqual(2e-3 * Math.abs(slope) + 1e-6 * steepest + 1e-12)
          compared += slope === 0 ? 0 : 1
          if (said !== 0) expect(network.pattern[row * network.size + column]).toBe(1)
        }
      }
    }),
    { numRuns: 40, seed: 7 },
  )
  expect(compared).toBeGreaterThan(2000)
})
