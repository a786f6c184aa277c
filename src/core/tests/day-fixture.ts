import type { Day, DayCar, DayStep, Minutes } from '../day/day'
import { seededRandom } from '../units/seeded'

/** A random day of a shop: so many cars, people, rigs and scales; the same seed, the same day. */
export function randomDay(seed: number, cars: number, people: number, rigs: number, scales = 1): Day {
  const random = seededRandom(seed * 7919 + 13)
  const between = (low: number, high: number): Minutes => Math.round(low + random() * (high - low))
  const steps = (): DayStep[] => [
    ...(random() < 0.6 ? [{ step: 'take-in' as const, hands: between(5, 12) }] : []),
    { step: 'zero', hands: between(3, 8) },
    ...(random() < 0.5 ? [{ step: 'fix' as const, hands: between(15, 60) }] : []),
    { step: 'rig', hands: between(5, 12) },
    { step: 'pull', wait: between(25, 75) },
    { step: 'isolate', hands: between(2, 4), ...(random() < 0.4 && { freesRig: true }) },
    { step: 'hold', wait: between(20, 45) },
    { step: 'charge', hands: between(12, 25) },
    { step: 'prove', hands: between(8, 15) },
    { step: 'leave', hands: between(4, 8) },
  ]
  const made = Array.from({ length: cars }, (_, i): DayCar => {
    const arrives = random() < 0.4 ? 0 : between(0, 40 * cars)
    const own = steps()
    const length = own.reduce((s, x) => s + (x.hands ?? x.wait ?? 0), 0)
    const promised = random() < 0.7 ? arrives + length + between(0, 30 * cars) : null
    return { id: `car ${i + 1}`, arrives, promised, steps: own }
  })
  const named = (word: string, n: number) => Array.from({ length: n }, (_, i) => `${word} ${i + 1}`)
  return {
    people: named('hand', people),
    rigs: named('rig', rigs),
    scales: named('scale', scales),
    cars: made,
    away: [],
    fixed: [],
  }
}
