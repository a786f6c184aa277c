import { expect, test } from 'vitest'
import { restPressurePa } from '../fluids/refrigerant'
import { fadedCause } from './faded'

const SEA = 101_325
const NOW = {
  engineOn: true,
  lowPa: SEA + 150_000,
  highPa: SEA + 1_000_000,
  aboveHeelG: 120,
  refrigerant: 'R-134a' as const,
  ambientC: 20,
  barometerPa: SEA,
}

test.each([
  ['a container at its heel has nothing to give', { aboveHeelG: 3 }, 'empty', /next one on/],
  [
    'with the engine off the pressures have met',
    { engineOn: false, lowPa: restPressurePa('R-134a', 20), highPa: restPressurePa('R-134a', 20) },
    'equal',
    /Engine on/,
  ],
  [
    'engine off and the car far below the container’s warm pressure: the container is cold',
    { engineOn: false, lowPa: SEA + 100_000 },
    'cold',
    /50 °C at most/,
  ],
  [
    'sides together above the switch’s threshold: the compressor does not run, the connector first',
    { lowPa: SEA + 420_000, highPa: SEA + 430_000 },
    'not-engaged',
    /Connector first/,
  ],
  [
    'sides together below it: the switch waits',
    { lowPa: SEA + 120_000, highPa: SEA + 130_000 },
    'below-switch',
    /own pressure/,
  ],
  ['sides apart: it runs, so the container has cooled itself', {}, 'cold', /warm water/],
  ['nothing measured: all of it is said', { lowPa: undefined, highPa: undefined }, 'slow', /connector first/],
] as const)('%s', (_name, change, kind, next) => {
  const found = fadedCause({ ...NOW, ...change })
  expect(found.kind).toBe(kind)
  expect(found.next).toMatch(next)
  expect(found.headline.length).toBeGreaterThan(10)
})

test('a switch is never bridged but as the last step, by the manual, and recorded', () => {
  expect(fadedCause({ ...NOW, lowPa: SEA + 420_000, highPa: SEA + 430_000 }).next).toMatch(
    /bridged only as a last step of diagnosis, by the service manual, and recorded/,
  )
})
