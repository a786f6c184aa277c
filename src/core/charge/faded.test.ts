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
    /50 °C \(122 °F\) at most/,
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

test('the switch of this car, where it is known, and the grams that are missing to it by the gas law', () => {
  const now = {
    engineOn: true,
    lowPa: 101_325 + 100_000,
    highPa: 101_325 + 110_000,
    aboveHeelG: 200,
    refrigerant: 'R-134a' as const,
    ambientC: 25,
    barometerPa: 101_325,
  }
  expect(fadedCause(now).sentence).toMatch(/waits for about 200 kPa \(assumed\)\.$/)
  // 50 kPa more in 2.5 L at 25 C are 0.05 mol, of 102 g each
  const known = fadedCause({ ...now, switchPaG: 150_000, volumeL: 2.5 })
  expect(known.sentence).toBe('100 kPa in the car, its switch waits for 150 kPa: about 5 g more as vapour.')
  expect(fadedCause({ ...now, switchPaG: 60_000 }).kind).toBe('not-engaged')
})
