import { type Alarm, alarmsOf, unanswered } from '@/core/call/alarms'
import { forecastNow, judgedNow, liveOf } from '@/core/call/live'
import { movedAlarm, toldOfThisPull } from '@/core/call/moved'
import type { Live } from '@/core/call/types'
import { STRANGER } from '@/core/charge/closing'
import { watchCharge } from '@/core/charge/watch-charge'
import { clockFactor, jobTimeMs } from '@/core/job/clock'
import { clockIn } from '@/core/units/clock-text'
import type { Ring } from '@/core/views'
import { database } from '../db/pool'
import { scopeOf } from '../db/scope'
import type { Change } from '../jobs/notify'
import { log } from '../log'
import { keepRinging } from './alarm-rows'
import { type News, type WatchedCar, WatchedCars } from './watched-cars'

/** Cars nothing came of are looked at so often, for what time alone brings, ms. */
const TIME_MS = 1000
/** Everything is read anew so often, ms, so that nothing that went unheard stays so. */
const ALL_AGAIN_MS = 60_000

/**
 * Watches every open job for what wants a person, whichever page is open: limits, silence and targets at every reading,
 * times as they pass, and what judge and forecast find as soon as they say it.
 */
export class AlarmWatch {
  private readonly watched = new WatchedCars()
  private readonly news = new Map<string, News>()
  private allAt = Number.NEGATIVE_INFINITY
  /** something may have gone unheard: everything is read anew */
  private missed = true
  private timeAt = Number.NEGATIVE_INFINITY
  private zones = new Map<number, string>()

  /** Every open car as it is known here, null before the first look: what else is watched needs no fold of its own. */
  get cars(): readonly WatchedCar[] | null {
    return Number.isFinite(this.allAt) ? [...this.watched.cars.values()] : null
  }

  /** Something changed; after a lost line anything may have. */
  tell(change: Change | 'reconnected'): void {
    if (change === 'reconnected') this.missed = true
    else if (!change.alarms && !change.here && !change.day)
      this.news.set(change.job, joined(this.news.get(change.job), change))
  }

  /** One look. @returns how many cars' alarms changed */
  async round(wallMs = Date.now()): Promise<number> {
    const news = new Map(this.news)
    this.news.clear()
    try {
      let due: WatchedCar[] = []
      if (this.missed || wallMs - this.allAt >= ALL_AGAIN_MS) {
        const missed = this.missed
        this.missed = false
        await this.readZones()
        await this.watched.all(missed)
        this.allAt = wallMs
        due = [...this.watched.cars.values()]
      } else if (news.size > 0) due = await this.watched.some(news)
      if (wallMs - this.timeAt >= TIME_MS) {
        this.timeAt = wallMs
        due = [...this.watched.cars.values()]
      }
      let changed = 0
      for (const car of due) changed += (await this.look(car, wallMs)) ? 1 : 0
      return changed
    } catch (error) {
      // what could not be read is read again
      this.missed = true
      throw error
    }
  }

  private async readZones(): Promise<void> {
    const { rows } = await database().query<{ id: number; zone: string }>('select id, time_zone as zone from shop')
    this.zones = new Map(rows.map((r) => [r.id, r.zone]))
  }

  private async look(car: WatchedCar, wallMs: number): Promise<boolean> {
    try {
      const now = liveFor(car, wallMs, this.zones.get(car.shopId) ?? 'UTC')
      const alarms = ringingOf(car, now)
      if (same(alarms, car.ringing)) return false
      const known = new Set(car.rung)
      const fresh = alarms.filter((a) => !known.has(a.id))
      const since = new Map(car.ringing.map((r) => [r.id, r.sinceMs]))
      const ringing: Ring[] = alarms.map((a) => ({ ...a, sinceMs: since.get(a.id) ?? wallMs }))
      await keepRinging(scopeOf(car.shopId), car.id, ringing, fresh, now.nowMs)
      car.ringing = ringing
      car.rung = [...car.rung, ...fresh.map((a) => a.id)]
      return true
    } catch (error) {
      // one car's failure is its own
      log.warn({ err: error, job: car.id }, 'the alarms of a car could not be worked out')
      return false
    }
  }
}

const joined = (before: News | undefined, change: Change): News => ({
  readings: before?.readings === true || change.readings !== undefined,
  events: before?.events === true || change.events !== undefined,
  judged: before?.judged === true || change.judged === true,
})

const same = (alarms: readonly Alarm[], ringing: readonly Ring[]): boolean =>
  alarms.length === ringing.length && alarms.every((a, i) => a.id === ringing[i]?.id)

function liveFor(car: WatchedCar, wallMs: number, zone: string): Live {
  const { state, clock, latest, vacuum, scale } = car
  const seen = { clock, latest, vacuum, scale }
  const live = liveOf(
    seen,
    state,
    jobTimeMs(clock, wallMs),
    { clock: clockIn(zone) },
    judgedNow(state, car.judged)?.result,
  )
  const forecast = forecastNow(state, car.forecast)
  const charge =
    latest.scale?.instrument === 'hand' ? undefined : watchCharge(state, scale, clockFactor(clock), STRANGER)
  const grams = charge?.watched.readings.at(-1)?.grams
  return { ...live, ...(forecast && { forecast }), ...(grams !== undefined && { scaleG: grams }) }
}

/** What rings now: what stands, and what was told of the running pull until somebody heard it. */
function ringingOf({ state, clock, ringing, rung }: WatchedCar, live: Live): Alarm[] {
  const standing = alarmsOf(state, live, clockFactor(clock))
  if (state.signed || state.closed || state.parked) return standing
  const told = unanswered(
    state,
    ringing.filter((r) => toldOfThisPull(state, r.id)),
    live.nowMs,
  )
  const moved = standing.some((a) => a.id.startsWith('target')) ? null : movedAlarm(state, live, rung)
  // the newest time is the one that counts
  const ofEnd = moved ? [moved] : told.slice(-1).map(({ id, sentence }) => ({ id, sentence }))
  return [...standing, ...ofEnd]
}
