import { expect, test } from 'vitest'
import { NO_FACTS } from './car-facts'
import { carsLike, daysSinceCharge, type KnownCar } from './known-car'

const car = (name: string, plate: string, model = ''): KnownCar => ({
  id: name,
  name,
  plate,
  model,
  hybrid: false,
  label: {
    refrigerant: 'R-134a',
    lowG: 500,
    highG: 500,
    typed: '500 g',
    toleranceG: 15,
    oilKind: 'PAG 46',
    oilMl: null,
    source: 'label',
  },
  volumeL: 2.5,
  lastChargeG: 498,
  lastChargedAt: '2026-05-01T10:00:00.000Z',
  facts: NO_FACTS,
  lastHold: null,
  lastNote: null,
  seenAt: '2026-05-01T08:00:00.000Z',
})
const CARS = [
  car('Road grader', 'CL 31'),
  car('Shuttle 3', 'CL 14'),
  car('Shuttle 33', 'CL 140', 'Korvane 60'),
  car('Mirror truck', 'SH 3'),
]

test('a car is found by name, plate or model, the whole of one before a part', () => {
  const names = (typed: string) => carsLike(CARS, typed, 3).map((c) => c.name)
  expect(names('shuttle 3')).toEqual(['Shuttle 3', 'Shuttle 33'])
  expect(names('cl 140')).toEqual(['Shuttle 33'])
  expect(names('korvane')).toEqual(['Shuttle 33'])
  expect(names('sh')).toEqual(['Shuttle 3', 'Shuttle 33', 'Mirror truck'])
  expect(names('  ')).toEqual(['Road grader', 'Shuttle 3', 'Shuttle 33'])
  expect(names('barge')).toEqual([])
})

test('days since it was charged are counted from the charge, and are none before the first', () => {
  const now = Date.parse('2026-11-17T10:00:00.000Z')
  expect(daysSinceCharge(CARS[0] as KnownCar, now)).toBe(200)
  expect(daysSinceCharge({ ...(CARS[0] as KnownCar), lastChargedAt: null }, now)).toBeNull()
})
