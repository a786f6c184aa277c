import type { DayRow, DayStep } from '../day/day'
import type { NextDeed } from '../day/next-deed'
import type { LetGo, ShopPlan } from '../day/plan-shop'
import type { RigBusy } from '../day/rig-busy'
import type { ShopCar, Unplanned } from '../day/shop-day'
import type { Why } from '../day/why'
import type { Step } from '../job/steps'
import { lengthWords } from '../units/duration'
import { dayWords } from './day-words'

type Names = Pick<ShopPlan, 'shop'>

export const carName = ({ shop }: Names, key: string): string => shop.cars.find((c) => c.key === key)?.name ?? key
/** First names: a shop knows its own. */
export const personName = ({ shop }: Names, id: string): string =>
  (shop.people.find((p) => p.id === id)?.name ?? id).split(' ')[0] ?? id

/** What hands do at a step, of a car: `isolate the Ambulance`. */
function deed(plan: Names, { step, car, rig }: Pick<DayRow, 'step' | 'car' | 'rig'>): string {
  const name = carName(plan, car)
  const words: Record<Step, string> = {
    'take-in': `take in ${name}`,
    zero: `read both gauges of ${name}`,
    fix: `repair ${name}`,
    rig: `rig up ${name}${rig ? ` with ${rig}` : ''}`,
    pull: `start the pull of ${name}`,
    isolate: `isolate ${name}`,
    hold: `judge the hold of ${name}`,
    charge: `charge ${name}`,
    prove: `prove ${name}`,
    leave: `hand over ${name}`,
  }
  return words[step]
}

/** A next deed in words: `isolate Ambulance, then rig up Shuttle 6 with Cart P2`. */
export const deedWords = (plan: Names, { row, followed }: Pick<NextDeed, 'row' | 'followed'>): string =>
  `${deed(plan, row)}${followed ? `, then ${deed(plan, followed)}` : ''}`

/** A length of some minutes; none is said as that. */
const minutes = (m: number): string =>
  Math.abs(m) < 2 ? `${Math.round(Math.abs(m))} min` : lengthWords(Math.abs(m) * 60)

/** What a change costs and brings: `Mirror truck 50 min sooner, Hybrid 10 min later`. */
export function priceWords(plan: Names, price: readonly { car: string; laterMin: number }[], most = 4): string {
  if (price.length === 0) return 'Nothing else moves.'
  const said = price
    .slice(0, most)
    .map(({ car, laterMin }) => `${carName(plan, car)} ${minutes(laterMin)} ${laterMin > 0 ? 'later' : 'sooner'}`)
  const more = price.length - said.length
  return `${said.join(', ')}${more > 0 ? `, and ${more} more` : ''}.`
}

/** Why a car waits, or is late, in one sentence. */
export function whyWords(plan: Names, why: Why): string {
  const car = carName(plan, why.car)
  switch (why.code) {
    case 'late':
      return dayWords({ ...why, car })
    case 'rig':
    case 'scale':
      return dayWords({ ...why, car, heldBy: carName(plan, why.heldBy) })
    case 'person':
      return dayWords({ ...why, car, person: personName(plan, why.person), busyWith: carName(plan, why.busyWith) })
    case 'away':
      return dayWords({ ...why, car, person: personName(plan, why.person) })
    default: {
      const unknown: never = why
      return unknown
    }
  }
}

/** What a rig is on: `hangs on Ambulance until about 14:20`. */
export function rigBusyWords(busy: RigBusy, clock: (ms: number) => string): string {
  if (!busy.now) return `planned for ${busy.car} at ${clock(busy.fromMs)}`
  return `hangs on ${busy.car}${busy.untilMs === null ? '' : ` until about ${clock(busy.untilMs)}`}`
}

/** What a car takes by itself, nobody and nothing in its way: its hands and its waits. */
export function takesWords(plan: Pick<ShopPlan, 'shop' | 'rows'>, car: ShopCar): string {
  const sum = (of: (step: DayStep) => number | undefined) => car.steps.reduce((m, s) => m + (of(s) ?? 0), 0)
  const [hands, waits] = [sum((s) => s.hands), sum((s) => s.wait)]
  const own = plan.rows.filter((r) => r.car === car.key)
  const spent =
    own.length > 0 ? Math.max(...own.map((r) => r.to)) - Math.max(0, Math.min(...own.map((r) => r.from))) : 0
  const held = spent - hands - waits
  const takes = `What is left of it takes ${minutes(hands)} of hands and ${minutes(waits)} that it waits by itself`
  return held > 3 ? `${takes}.` : `${takes}; nothing holds it up.`
}

/** Why a car has no place in the plan. */
export const unplannedWords = (plan: Names, { car, because }: Unplanned): string =>
  ({
    'no-rig': `${carName(plan, car)} cannot be planned: no rig is in use.`,
    'no-hands': `${carName(plan, car)} cannot be planned: nobody works here.`,
    'too-many': `${carName(plan, car)} comes after all that are planned: there are more cars than one plan holds.`,
  })[because]

/** Why a piece that was set by hand stands there no more. */
export const letGoWords = (plan: Names, { car, step, because }: LetGo): string =>
  ({
    away: `${step} of ${carName(plan, car)} was set by hand for somebody who is away then: planned anew.`,
    over: `${step} of ${carName(plan, car)} was set by hand for somebody who works here no more: planned anew.`,
    'no-rig': `${step} of ${carName(plan, car)} was set by hand for a rig that is out of use: planned anew.`,
  })[because]
