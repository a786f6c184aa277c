import type { DayRow, DayStep } from '../day/day'
import type { NextDeed } from '../day/next-deed'
import type { LetGo, ShopPlan } from '../day/plan-shop'
import type { RigBusy } from '../day/rig-busy'
import type { ShopCar, Unplanned } from '../day/shop-day'
import type { Why } from '../day/why'
import type { Step } from '../job/steps'
import { W } from '../language/said/shop-plan'
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
    'take-in': W.takeIn(name),
    zero: W.readBothGaugesOf(name),
    fix: W.repair(name),
    rig: W.rigUp(name, rig ? W.with2(rig) : ''),
    pull: W.startThePullOf(name),
    isolate: W.isolate(name),
    hold: W.judgeTheHoldOf(name),
    charge: W.charge(name),
    prove: W.prove(name),
    leave: W.handOver(name),
  }
  return words[step]
}

/** A next deed in words: `isolate Ambulance, then rig up Shuttle 6 with Cart P2`. */
export const deedWords = (plan: Names, { row, followed }: Pick<NextDeed, 'row' | 'followed'>): string =>
  `${deed(plan, row)}${followed ? W.then2(deed(plan, followed)) : ''}`

/** A length of some minutes; none is said as that. */
const minutes = (m: number): string =>
  Math.abs(m) < 2 ? W.min(Math.round(Math.abs(m))) : lengthWords(Math.abs(m) * 60)

/** What a change costs and brings: `Mirror truck 50 min sooner, Hybrid 10 min later`. */
export function priceWords(plan: Names, price: readonly { car: string; laterMin: number }[], most = 4): string {
  if (price.length === 0) return W.nothingElseMoves
  const said = price
    .slice(0, most)
    .map(({ car, laterMin }) => `${carName(plan, car)} ${minutes(laterMin)} ${laterMin > 0 ? W.later : W.sooner}`)
  const more = price.length - said.length
  return `${said.join(', ')}${more > 0 ? W.andMore(more) : ''}.`
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
  if (!busy.now) return W.plannedForAt(busy.car, clock(busy.fromMs))
  return W.hangsOn(busy.car, busy.untilMs === null ? '' : W.untilAbout(clock(busy.untilMs)))
}

/** What a car takes by itself, nobody and nothing in its way: its hands and its waits. */
export function takesWords(plan: Pick<ShopPlan, 'shop' | 'rows'>, car: ShopCar): string {
  const sum = (of: (step: DayStep) => number | undefined) => car.steps.reduce((m, s) => m + (of(s) ?? 0), 0)
  const [hands, waits] = [sum((s) => s.hands), sum((s) => s.wait)]
  const own = plan.rows.filter((r) => r.car === car.key)
  const spent =
    own.length > 0 ? Math.max(...own.map((r) => r.to)) - Math.max(0, Math.min(...own.map((r) => r.from))) : 0
  const held = spent - hands - waits
  const takes = W.whatIsLeftOfIt(minutes(hands), minutes(waits))
  return held > 3 ? `${takes}.` : W.nothingHoldsItUp(takes)
}

/** Why a car has no place in the plan. */
export const unplannedWords = (plan: Names, { car, because }: Unplanned): string =>
  ({
    'no-rig': W.cannotBePlannedNoRig(carName(plan, car)),
    'no-hands': W.cannotBePlannedNobodyWorks(carName(plan, car)),
    'too-many': W.comesAfterAllThatAre(carName(plan, car)),
  })[because]

/** Why a piece that was set by hand stands there no more. */
export const letGoWords = (plan: Names, { car, step, because }: LetGo): string =>
  ({
    away: W.ofWasSetByHand(step, carName(plan, car)),
    over: W.ofWasSetByHandFor(step, carName(plan, car)),
    'no-rig': W.ofWasSetByHandForA(step, carName(plan, car)),
  })[because]
