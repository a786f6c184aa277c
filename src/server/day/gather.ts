import { findingOf } from '@/core/call/finding'
import type { DayStep } from '@/core/day/day'
import { handsAt, type Learned } from '@/core/day/hands'
import type { ShopCar, ShopDay, ShopPerson, ShopThing } from '@/core/day/shop-day'
import { freesRig, stepsLeft } from '@/core/day/steps-left'
import type { Off } from '@/core/day/view'
import { carLine } from '@/core/job/car-line'
import { clockFactor, jobTimeMs, wallTimeMs } from '@/core/job/clock'
import type { HoldEnded } from '@/core/job/events'
import { W } from '@/core/language/server/day'
import { DAY_MS, MINUTE_MS } from '@/core/units/constants'
import type { StoredRig } from '@/core/views'
import { selectAccounts } from '../accounts/accounts'
import type { Scope } from '../db/scope'
import { selectShelf } from '../equipment/shelf'
import { selectRigs } from '../shop/catalogue'
import type { WatchedCar } from '../watch/watched-cars'
import { type Expected, selectExpected, selectOff, selectPins, selectPromises, selectWorks } from './day-rows'
import { offHours } from './hours'

/** An open car nobody touched for so long and nobody promised is not planned for, ms. */
const FORGOTTEN_MS = 5 * DAY_MS
/** Somebody is still at a step they last touched within this, min, or twice what it takes (assumed). */
const STILL_AT_MIN = 20
/** Where no procedure is known yet: what most are pulled and held for, min (practice). */
const USUAL = { pull: 60, pullP90: 100, hold: 30, holdP90: 45 } as const

/** How long a pull that is still to come takes with a rig, min; null where that was not worked out yet. */
export type PullOf = (car: WatchedCar, rig: StoredRig) => { p50: number; p90: number } | null

/** Everything a shop's day is planned from, as it stands now. */
export async function gatherDay(
  db: Scope,
  shop: { timeZone: string },
  cars: readonly WatchedCar[],
  learned: readonly Learned[],
  pullOf: PullOf,
  nowMs: number,
): Promise<ShopDay> {
  const [accounts, works, off, expected, pins, promises, rigs, shelf] = await Promise.all([
    selectAccounts(db),
    selectWorks(db),
    selectOff(db, nowMs),
    selectExpected(db),
    selectPins(db),
    selectPromises(db),
    selectRigs(db),
    selectShelf(db),
  ])
  const people = accounts
    .filter((a) => a.disabledAt === null)
    .map(
      ({ id, name, role }): ShopPerson => ({
        id,
        name,
        role,
        off: [
          ...offHours(works.get(id) ?? null, shop.timeZone, nowMs),
          ...off.filter((o) => o.accountId === id).map(span),
        ],
      }),
    )
  const shelved = new Map(shelf.map((s) => [s.id, s.name]))
  const { things, nameOf } = rigThings(rigs, off, shelved)
  const scales = [...new Set(rigs.flatMap((r) => shelved.get(r.equipment?.scale ?? '') ?? []))].sort()
  const ids = people.map((p) => p.id)
  const open = cars.filter((c) => !c.state.signed && !c.state.closed && wanted(c, promises, nowMs))
  return {
    nowMs,
    people,
    rigs: things,
    // a shop whose rigs name no scale has one somewhere
    scales: (scales.length > 0 ? scales : [W.theScale]).map((name) => thing(name, off)),
    cars: [
      ...withHands(
        open.map((car) => openCar(car, { promises, learned, people: ids, nameOf, rigs, pullOf, nowMs })),
        open,
        people,
        nowMs,
      ),
      ...expected.map((car) => carToCome(car, learned, ids)),
    ],
    pins,
  }
}

const span = ({ fromMs, toMs }: Off) => ({ fromMs, toMs })
const thing = (name: string, off: readonly Off[]): ShopThing => ({
  name,
  off: off.filter((o) => o.thing === name).map(span),
})

type RigThings = { things: ShopThing[]; nameOf: (rig: string, pump: string | undefined) => string }

/** Rigs that share a pump or hoses are one thing: what hangs on a car cannot hang on another. */
function rigThings(rigs: readonly StoredRig[], off: readonly Off[], shelved: ReadonlyMap<string, string>): RigThings {
  const groups: { name: string; parts: Set<string>; rigs: string[]; pump: string | undefined; stays: boolean }[] = []
  for (const { name, equipment, missing, cores } of rigs) {
    if (missing !== undefined) continue
    const parts = equipment ? [equipment.pump, ...equipment.hoses] : [name]
    const known = groups.find((g) => parts.some((p) => g.parts.has(p)))
    if (known) {
      for (const p of parts) known.parts.add(p)
      known.rigs.push(name)
    } else
      groups.push({
        name,
        parts: new Set(parts),
        rigs: [name],
        pump: shelved.get(equipment?.pump ?? ''),
        stays: cores !== 'out',
      })
  }
  return {
    things: groups.map((g) => ({
      ...thing(g.name, off),
      rigs: g.rigs,
      ...(g.pump !== undefined && { pump: g.pump }),
      ...(g.stays && { stays: true as const }),
    })),
    nameOf: (rig, pump) =>
      groups.find((g) => g.rigs.includes(rig) || (pump !== undefined && g.parts.has(pump)))?.name ?? rig,
  }
}

/** Cars that were forgotten stand on the board, and in no plan. */
function wanted({ state, clock, id }: WatchedCar, promises: ReadonlyMap<string, number>, nowMs: number): boolean {
  const touched = wallTimeMs(clock, Date.parse(state.touched?.at ?? state.openedAt))
  return clock.length > 0 && (promises.has(id) || nowMs - touched < FORGOTTEN_MS)
}

type About = {
  promises: ReadonlyMap<string, number>
  learned: readonly Learned[]
  people: readonly string[]
  nameOf: (rig: string, pump: string | undefined) => string
  rigs: readonly StoredRig[]
  pullOf: PullOf
  nowMs: number
}

function openCar(car: WatchedCar, { promises, learned, people, nameOf, rigs, pullOf, nowMs }: About): ShopCar {
  const { state, clock } = car
  const model = carLine(state.opened.car)
  const judged = car.judged && car.judged.hold === state.holds.length - 1 ? car.judged.result : null
  const jobNow = jobTimeMs(clock, nowMs)
  const steps = stepsLeft(
    {
      state,
      nowMs: jobNow,
      factor: clockFactor(clock),
      forecast: car.forecast && car.forecast.pull === state.pulls.length - 1 ? car.forecast : null,
      found: verdictOf(judged && findingOf(judged)),
      decisionExpectedS: judged?.decisionExpectedS ?? null,
      pull: Object.fromEntries(
        rigs.flatMap((rig) => {
          const found = rig.missing === undefined ? pullOf(car, rig) : null
          return found ? [[nameOf(rig.name, rig.equipment?.pump), found]] : []
        }),
      ),
    },
    (step) => handsAt(learned, step, model, people),
  )
  const { equipment, name } = state.opened.rig
  const back = state.parked?.comeBackAt
  return {
    key: car.id,
    name: state.opened.car.name,
    jobId: car.id,
    arrivesMs: back ? Math.max(nowMs, wallTimeMs(clock, Date.parse(back))) : nowMs,
    promisedMs: promises.get(car.id) ?? null,
    steps,
    rig: hangs(car) ? nameOf(name, equipment?.pump) : null,
    running: null,
  }
}

/** Water for certain is pulled again, whatever stays open about a leak. */
const verdictOf = (found: ReturnType<typeof findingOf> | null): HoldEnded['verdict'] | null =>
  found === 'wet' ? 'damp' : (found ?? null)

/** Whether hoses hang on it: from the rigging up until it is freed, or its hold is over. */
function hangs({ state }: WatchedCar): boolean {
  if (state.parked?.couplers === 'off') return false
  if (state.step === 'pull' || state.step === 'isolate') return true
  return state.step === 'hold' && !freesRig(state)
}

/** Somebody is at the car they touched last, where its first step is one for hands and that was a moment ago. */
function withHands(
  cars: ShopCar[],
  open: readonly WatchedCar[],
  people: readonly ShopPerson[],
  nowMs: number,
): ShopCar[] {
  const touched = open.map(({ state, clock }) => ({
    by: people.find((p) => p.name === (state.touched?.by ?? state.whose.name))?.id,
    atMs: wallTimeMs(clock, Date.parse(state.touched?.at ?? state.openedAt)),
    visitMs: wallTimeMs(clock, Date.parse(state.visits.at(-1)?.startedAt ?? state.openedAt)),
  }))
  return cars.map((car, i) => {
    const own = touched[i]
    const first: DayStep | undefined = car.steps[0]
    if (!own?.by || first?.hands === undefined || car.arrivesMs > nowMs) return car
    const latest = touched.every((t) => t.by !== own.by || t.atMs <= own.atMs)
    const still = nowMs - own.atMs <= Math.max(STILL_AT_MIN, 2 * first.hands) * MINUTE_MS
    return latest && still ? { ...car, running: { person: own.by, sinceMs: Math.min(own.visitMs, nowMs) } } : car
  })
}

function carToCome(car: Expected, learned: readonly Learned[], people: readonly string[]): ShopCar {
  const hands = (step: DayStep['step']): DayStep => {
    const { hands, handsBy } = handsAt(learned, step, car.model, people)
    return { step, hands, ...(handsBy && { handsBy }) }
  }
  return {
    key: car.id,
    name: car.name,
    jobId: null,
    arrivesMs: car.arrivesMs,
    promisedMs: car.promisedMs,
    steps: [
      hands('take-in'),
      hands('zero'),
      ...(car.fixMin > 0 ? [{ step: 'fix' as const, hands: car.fixMin }] : []),
      hands('rig'),
      hands('pull'),
      { step: 'pull', wait: USUAL.pull, waitP90: USUAL.pullP90 },
      { ...hands('isolate'), freesRig: true },
      { step: 'hold', wait: USUAL.hold, waitP90: USUAL.holdP90 },
      hands('charge'),
      hands('prove'),
      hands('leave'),
    ],
    rig: null,
    running: null,
  }
}
