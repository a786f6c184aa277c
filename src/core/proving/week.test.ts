import { expect, test } from 'vitest'
import { playDay, WAYS_OF_WORK } from './week'
import { type Round, type WeekCar, weekDay } from './week-cars'

/** Cars of a drawn day whose pulls and holds are told instead of played. */
const told = (cars: WeekCar[], rounds: readonly Round[]): WeekCar[] => cars.map((c) => ({ ...c, rounds: () => rounds }))
const DRY: Round[] = [{ pullMin: 60, holdMin: 30, found: 'tight' }]
const WET: Round[] = [{ pullMin: 60, holdMin: 15, found: 'wet' }, ...DRY]
const sum = (car: WeekCar, rounds: readonly Round[]) => {
  const h = car.handsMin
  const once = h['take-in'] + h.zero + (car.opened === 'nothing' ? 0 : h.fix) + h.charge + h.prove + h.leave
  return rounds.reduce((s, r) => s + r.pullMin + r.holdMin + h.pull + h.isolate, once + h.rig)
}

test('a car alone waits for nobody, whichever way one works, and is done after what its hands and waits add up to', () => {
  const [car] = told(weekDay(3, 1), DRY)
  if (!car) throw new Error('a day of one car has one')
  for (const way of WAYS_OF_WORK) {
    const [done] = playDay([car], way)
    expect(done?.waitedMin).toBeCloseTo(0, 6)
    expect(done?.doneMin).toBeCloseTo(car.arrivesMin + sum(car, DRY), 6)
  }
})

test('a wet car is pulled and held once more, on hoses that go on again', () => {
  const [car] = told(weekDay(3, 1), WET)
  if (!car) throw new Error('a day of one car has one')
  const [done] = playDay([car], 'first come')
  // its carts have core tools: they came off at the first hold
  expect(done?.doneMin).toBeCloseTo(car.arrivesMin + sum(car, WET) + car.handsMin.rig, 6)
})

test('the plan serves the car that was promised first, first come does not look @long', () => {
  const cars = told(weekDay(5, 5), DRY).map((c, i) => ({
    ...c,
    arrivesMin: i,
    promisedMin: i === 4 ? Math.ceil(4 + sum(c, DRY) + 8) : null,
  }))
  const last = (way: (typeof WAYS_OF_WORK)[number]) => playDay(cars, way)[4]
  expect(last('by the plan')?.lateMin).toBeLessThan(1)
  expect(last('first come')?.lateMin).toBeGreaterThan(30)
  expect(last('one after the other')?.lateMin).toBeGreaterThan(last('first come')?.lateMin ?? 0)
})
