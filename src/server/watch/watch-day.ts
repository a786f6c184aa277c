import { answerDay, type DayAnswer, type DayQuestion } from '@/core/day/day-question'
import type { Learned } from '@/core/day/hands'
import type { ShopPlan } from '@/core/day/plan-shop'
import { toldOf } from '@/core/day/price'
import type { DayTold } from '@/core/day/view'
import { W } from '@/core/language/server/day'
import { pullQuestion } from '@/core/pull/question'
import type { StoredRig } from '@/core/views'
import { letGoWords, priceWords } from '@/core/words/shop-plan-words'
import { deletePins } from '../day/day-rows'
import { gatherDay } from '../day/gather'
import { selectLearned } from '../day/learned'
import { selectPlan, upsertDay } from '../day/plan-rows'
import { database } from '../db/pool'
import { scopeOf } from '../db/scope'
import type { Change } from '../jobs/notify'
import { log } from '../log'
import { selectRigs } from '../shop/catalogue'
import { Apart } from './apart'
import type { WatchedCar } from './watched-cars'

/** A day is planned anew this soon after something changed, ms, so that what changes together is planned once. */
const GATHER_MS = 700
/** And so often while nothing does: time itself moves what was planned for now, ms. */
const AGAIN_MS = 60_000
/** After a plan so many times its length is rested: planning takes a twentieth of one core at most. */
const RESTS = 19
/** But no longer than this, ms: on a machine that is busy with other things a car that came waits no minute for it. */
const LONGEST_REST_MS = 15_000
/** Medians of what steps took are read anew so often, ms. */
const LEARNED_MS = 600_000
/** What was told of a plan stands so long, ms. */
const TOLD_MS = 30 * 60_000
/** A plan older than this is not compared with: a night lies between, ms. */
const STALE_MS = 2 * 3_600_000
/** Simulations of a pull that is still to come, and how far ahead they look, s. */
const PULL_DRAWS = 24
const PULL_HORIZON_S = 4 * 3600
/** Pulls worked out between two plans at most: each takes some tenths of a second. */
const PULLS_A_ROUND = 2
/** After one so many times its length is rested: a page and the judge come first. */
const PULL_RESTS = 19
/** Pulls known at most: beyond that all are worked out anew. */
const MOST_PULLS = 2000

type Watched = {
  dirtyMs: number | null
  /** somebody waits for it */
  asked: boolean
  plannedMs: number
  restUntilMs: number
  learned: readonly Learned[]
  learnedMs: number
}
type Pull = { p50: number; p90: number }

/** Plans every shop's day in the background: when something it is made of changes, and as time goes on. */
export class DayWatch {
  private readonly cars: () => readonly WatchedCar[] | null
  private readonly shops = new Map<number, Watched>()
  private readonly pulls = new Map<string, Pull>()
  private readonly thread = new Apart<DayQuestion, DayAnswer>('day-thread', answerDay)
  private readonly simulates = new Apart<DayQuestion, DayAnswer>('day-thread', answerDay)
  private working = false

  /** @param cars - every open car as the alarms know it; null while they do not yet */
  constructor(cars: () => readonly WatchedCar[] | null) {
    this.cars = cars
  }

  /** Something changed; after a lost line anything may have. */
  tell(change: Change | 'reconnected', nowMs = Date.now()): void {
    if (change === 'reconnected') for (const shop of this.shops.values()) shop.dirtyMs ??= nowMs
    else if (change.day === 'asked') {
      // what somebody asked for is answered at once
      const shop = this.of(change.shop)
      shop.dirtyMs = nowMs - GATHER_MS
      shop.asked = true
    } else if (change.events || change.judged || change.alarms) this.of(change.shop).dirtyMs ??= nowMs
  }

  private of(shopId: number): Watched {
    const known = this.shops.get(shopId)
    if (known) return known
    const made = { dirtyMs: 0, asked: false, plannedMs: 0, restUntilMs: 0, learned: [], learnedMs: 0 }
    this.shops.set(shopId, made)
    return made
  }

  /** One look. @returns how many shops were planned */
  async round(nowMs = Date.now()): Promise<number> {
    const cars = this.cars()
    if (!cars) return 0
    const { rows } = await database().query<{ id: number; timeZone: string }>(
      'select id, time_zone as "timeZone" from shop where opened_at is not null',
    )
    let planned = 0
    for (const { id, timeZone } of rows) {
      const shop = this.of(id)
      const due = shop.dirtyMs !== null && nowMs - shop.dirtyMs >= GATHER_MS
      if ((nowMs < shop.restUntilMs && !shop.asked) || !(due || nowMs - shop.plannedMs >= AGAIN_MS)) continue
      shop.dirtyMs = null
      shop.asked = false
      shop.plannedMs = nowMs
      const begun = Date.now()
      // one shop's failure is its own
      await this.plan(
        id,
        timeZone,
        shop,
        cars.filter((c) => c.shopId === id),
        nowMs,
      ).then(
        () => planned++,
        (error: Error) => log.warn({ err: error, shop: id }, 'a day could not be planned'),
      )
      shop.restUntilMs = Date.now() + Math.min(LONGEST_REST_MS, RESTS * (Date.now() - begun))
    }
    return planned
  }

  private async plan(
    id: number,
    timeZone: string,
    shop: Watched,
    cars: readonly WatchedCar[],
    nowMs: number,
  ): Promise<void> {
    const db = scopeOf(id)
    if (nowMs - shop.learnedMs >= LEARNED_MS) {
      shop.learned = await selectLearned(db)
      shop.learnedMs = nowMs
    }
    const before = await selectPlan(db)
    const day = await gatherDay(
      db,
      { timeZone },
      cars,
      shop.learned,
      (car, rig) => this.pulls.get(pullKey(car, rig)) ?? null,
      nowMs,
    )
    if (
      day.cars.length === 0 &&
      (before?.plan.shop.cars.length ?? 0) === 0 &&
      before !== null &&
      same(before.plan, day)
    )
      return
    const answer = await this.thread.ask({ kind: 'plan', shop: day, before: before?.plan.order ?? [] })
    if (!('plan' in answer)) throw new Error('the day was answered by something else')
    for (const { car, step } of answer.plan.letGo) await deletePins(db, { car, step })
    await upsertDay(db, { plan: answer.plan, told: told(before, answer.plan, nowMs) })
    // beside: what somebody asks for meanwhile waits for no simulation
    if (!this.working) {
      this.working = true
      void this.workOutPulls(id, cars, shop, nowMs)
        .catch((error: Error) => log.warn({ err: error, shop: id }, 'pulls to come could not be worked out'))
        .finally(() => {
          this.working = false
        })
    }
  }

  /** How long pulls that are still to come take, a few at a time; the next plan knows them. */
  private async workOutPulls(shopId: number, cars: readonly WatchedCar[], shop: Watched, nowMs: number): Promise<void> {
    const rigs = (await selectRigs(scopeOf(shopId))).filter((r) => r.missing === undefined)
    const wanted = cars
      .filter((c) => ['zero', 'fix', 'rig'].includes(c.state.step))
      .flatMap((car) => rigs.map((rig) => ({ car, rig })))
      .filter(({ car, rig }) => !this.pulls.has(pullKey(car, rig)))
    for (const { car, rig } of wanted.slice(0, PULLS_A_ROUND)) {
      const begun = Date.now()
      const answer = await this.simulates.ask({ kind: 'pull', pull: toCome(car, rig) })
      if ('p50' in answer) this.pulls.set(pullKey(car, rig), answer)
      await new Promise((rested) => setTimeout(rested, PULL_RESTS * (Date.now() - begun)))
    }
    // what is no longer asked is forgotten
    if (this.pulls.size > MOST_PULLS) this.pulls.clear()
    if (wanted.length > 0) shop.dirtyMs ??= nowMs
  }
}

function toCome({ state }: WatchedCar, { id: _i, name: _n, parts: _p, missing: _m, equipment: _e, ...rig }: StoredRig) {
  const question = pullQuestion(state, PULL_DRAWS)
  // two carts of one make pull alike, whatever they are called
  return { ...question, rig: { ...rig, name: '' }, horizonS: PULL_HORIZON_S }
}
const pullKey = (car: WatchedCar, rig: StoredRig): string => JSON.stringify(toCome(car, rig))

/** An empty shop's plan changes only with its people and things. */
const same = (plan: ShopPlan, day: ShopPlan['shop']): boolean =>
  JSON.stringify([plan.shop.people, plan.shop.rigs, plan.shop.scales]) ===
  JSON.stringify([day.people, day.rigs, day.scales])

/** What everybody is told of the new plan; what was told before stands for a while. */
function told(before: { plan: ShopPlan; told: DayTold | null } | null, plan: ShopPlan, nowMs: number): DayTold | null {
  const recent = before?.told && nowMs - before.told.atMs < TOLD_MS ? before.told : null
  if (!before || nowMs - before.plan.madeMs > STALE_MS) return recent
  const changes = toldOf(before.plan, plan)
  const sentences = [
    ...(changes.length > 0 ? [W.plannedAnew(priceWords(plan, changes))] : []),
    ...plan.letGo.map((l) => letGoWords(plan, l)),
  ]
  return sentences.length > 0 ? { atMs: nowMs, sentences } : recent
}
