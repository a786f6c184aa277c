import { randomUUID } from 'node:crypto'
import { callFor } from '@/core/call/call'
import type { Deed } from '@/core/call/types'
import type { Container } from '@/core/charge/plan'
import { chargePlanned, stopsNow } from '@/core/charge/plan-for-job'
import type { EventDraft, JobOpened } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { chargedG, type JobState, openContainer } from '@/core/job/state'
import { procedureWritten, rigWritten } from '@/core/job/written'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import { stationPressurePa } from '@/core/units/barometer'
import { parseMassRange } from '@/core/units/mass'
import type { StoredProcedure, StoredRig } from '@/core/views'
import type { Account } from '../accounts/accounts'
import { selectAccounts } from '../accounts/accounts'
import { onBehalf, type UserScope } from '../accounts/user-scope'
import { actionsOf } from '../bench/feed'
import type { StoredBench } from '../bench/stored-bench'
import { inTransaction, type Scope } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { endHold } from '../jobs/end-hold'
import { selectEvents, selectJob } from '../jobs/job-rows'
import { openJob } from '../jobs/open-job'
import { signJob } from '../records/sign-job'
import type { DemoCar } from './demo-car'
import { BenchPlayer } from './play-bench'

const MINUTE = 60_000

const volumeOf = (evaporators: number): number => FREE_VOLUME_L[evaporators > 1 ? 2 : 1]

/** Takes one demo car through its steps at their times, by the call's own deeds, with the bench running. */
export async function walkCar(
  db: Scope,
  car: DemoCar,
  place: { altitudeM: number; ambientC: number },
  procedures: readonly StoredProcedure[],
  rigs: readonly StoredRig[],
  now: Date,
): Promise<void> {
  const accounts = await selectAccounts(db)
  const author = accounts.find((a) => a.role === (car.hybrid ? 'lead' : 'technician')) as Account
  const walk = new Walk(onBehalf(db, author), car, now.getTime())
  await walk.open(openedOf(car, place, procedures, rigs))
  await walk.steps()
}

function openedOf(
  car: DemoCar,
  place: { altitudeM: number; ambientC: number },
  procedures: readonly StoredProcedure[],
  rigs: readonly StoredRig[],
): JobOpened {
  const { lowG, highG } = parseMassRange(car.charge)
  const {
    id: _p,
    proves: _w,
    ...procedure
  } = procedures.find(
    (p) => p.name === (car.evaporators > 1 ? 'Deep and long' : 'Weigh and measure'),
  ) as StoredProcedure
  const { id: _r, parts: _m, missing: _n, ...rig } = rigs.find((r) => r.name.includes('P2')) as StoredRig
  if (car.refrigerant !== 'R-134a' && car.refrigerant !== 'R-1234yf')
    throw new RangeError(`${car.name}: ${car.refrigerant} is not charged here`)
  return {
    car: { name: car.name, model: car.model, hybrid: car.hybrid },
    complaint: car.complaint,
    label: {
      refrigerant: car.refrigerant,
      lowG,
      highG,
      typed: car.charge,
      toleranceG: 15,
      oilKind: car.oil,
      oilMl: car.oilMl,
      source: 'label',
    },
    place: { altitudeM: place.altitudeM, barometerPa: stationPressurePa(place.altitudeM), ambientC: place.ambientC },
    story: { opened: car.opened, openHours: car.openHours, drierReplaced: car.drierReplaced },
    history: { daysSinceCharge: car.daysSinceCharge, lastChargeG: car.lastChargeG, recoveredG: null },
    volumeL: volumeOf(car.evaporators),
    procedure: {
      ...procedureWritten(procedure),
      ...(car.evaporators > 1 && {
        holdMinutes: 74,
        pullMinutes: 84,
        targetMicron: 500,
        name: 'Weigh and measure, two evaporators',
      }),
    },
    rig: rigWritten(rig),
    simulated: true,
  }
}

/** One car's way through its steps: keeps the moment, records deeds, lets the bench play up to it. */
class Walk {
  private readonly id = randomUUID()
  private readonly db: UserScope
  private readonly car: DemoCar
  private readonly nowMs: number
  private player: BenchPlayer | undefined

  constructor(db: UserScope, car: DemoCar, nowMs: number) {
    this.db = db
    this.car = car
    this.nowMs = nowMs
  }

  async open(payload: JobOpened): Promise<void> {
    const openedAt = new Date(this.nowMs + this.car.startMin * MINUTE)
    await inTransaction(this.db, (tx) =>
      openJob(tx, this.db.user, { id: this.id, eventId: randomUUID(), payload, factor: 1 }, openedAt),
    )
    const { boundG, waterG } = this.car
    const truth = { ...(boundG !== undefined && { boundG }), ...(waterG !== undefined && { waterG }) }
    await this.db.query(
      `update job set bench = jsonb_set(bench, '{truth}', bench -> 'truth' || $2::jsonb) where id = $1
          and shop_id = $3`,
      [this.id, JSON.stringify(truth), this.db.shopId],
    )
    this.player = new BenchPlayer(this.db, this.id, openedAt.getTime())
  }

  /** Plays every step the car has a time for, then lets the bench run to now. */
  async steps(): Promise<void> {
    const { steps, restKPa } = this.car
    const at = (minute: number) => this.nowMs + minute * MINUTE
    const rest = (restKPa ?? 0) * 1000
    if (steps.zeroRead !== undefined) await this.deed(at(steps.zeroRead), zeroRead(rest))
    if (steps.zero !== undefined) {
      await this.deed(at(steps.zero), zeroRead(0))
      if (this.car.recoveredG !== null)
        await this.deed(at(steps.zero), { kind: 'recovered', payload: { grams: this.car.recoveredG } })
      await this.follow('zero', at(steps.zero))
    }
    if (steps.fix !== undefined) {
      const renewed = [
        { what: 'core-small' as const, count: 2 },
        { what: 'caps' as const, count: 2 },
        ...(this.car.drierReplaced ? [{ what: 'drier' as const, count: 1 }] : []),
      ]
      await this.deed(at(steps.fix), {
        kind: 'fix-logged',
        payload: {
          renewed,
          openHours: this.car.openHours,
          oilOwedMl: this.car.drierReplaced ? 20 : 0,
          oilReason: this.car.drierReplaced ? 'drier' : '',
        },
      })
      await this.deed(at(steps.fix), { kind: 'step-finished', payload: { step: 'fix' } })
    }
    for (const step of ['rig', 'pull', 'isolate'] as const) {
      const minute = steps[step]
      if (minute !== undefined)
        await this.follow(
          step === 'pull' ? 'pull-open' : step,
          at(minute),
          steps.isolate !== undefined && step === 'isolate',
        )
    }
    if (steps.judge !== undefined) await this.judge(at(steps.judge))
    if (steps.charge !== undefined)
      await this.charge(at(steps.charge), steps.prove === undefined ? null : at(steps.prove))
    if (steps.prove !== undefined) await this.prove(at(steps.prove))
    if (steps.leave !== undefined)
      await this.leave(at(steps.leave), steps.sign === undefined ? (this.car.leaveItems ?? 3) : 7)
    if (steps.sign !== undefined) {
      await this.player?.playTo(at(steps.sign))
      await signJob(this.db, this.id, randomUUID(), this.db.user.certificate, at(steps.sign))
      return
    }
    await this.player?.playTo(this.nowMs)
  }

  private async state(): Promise<JobState> {
    return foldJob(await selectEvents(this.db, this.id))
  }

  private async deed(atMs: number, ...deeds: Deed[]): Promise<void> {
    await this.player?.playTo(atMs)
    const drafts = deeds.map(
      (deed, i) => ({ id: randomUUID(), happenedAt: new Date(atMs + i).toISOString(), ...deed }) as EventDraft,
    )
    await inTransaction(this.db, (tx) => appendEvents(tx, this.db.user, this.id, drafts))
    const job = await selectJob(this.db, this.id)
    const events = await selectEvents(this.db, this.id)
    this.player?.act(actionsOf(events, job?.bench as StoredBench, this.player.startMs))
  }

  /** Presses the call's own button every 40 s while it records deeds within `step`. */
  private async follow(step: string, fromMs: number, pullFirst = false): Promise<void> {
    if (pullFirst) await this.deed(fromMs, { kind: 'step-finished', payload: { step: 'pull' } })
    const stay = step === 'pull-open' ? 'pull' : step
    for (let i = 0; i < 8; i++) {
      const state = await this.state()
      if (state.step !== stay) return
      const call = callFor(state, { nowMs: fromMs + i * 40_000, clock: String })
      if (call.action.does.do !== 'record') return
      await this.deed(fromMs + i * 40_000, ...call.action.does.deeds)
    }
  }

  private async judge(atMs: number): Promise<void> {
    await this.player?.playTo(atMs)
    await endHold(this.db, this.id, randomUUID(), { atMs })
  }

  private async charge(fromMs: number, untilMs: number | null): Promise<void> {
    await this.deed(fromMs, { kind: 'hold-decided', payload: { next: 'charge' } })
    const state = await this.state()
    const containers: Container[] = [
      { id: 'can-1', kind: 'can', grossG: 472, netG: 340 },
      { id: 'cylinder-7', kind: 'cylinder', grossG: 9120, tareG: 3410 },
    ]
    await this.deed(fromMs, { kind: 'charge-planned', payload: chargePlanned(state, containers) })
    let atMs = fromMs + MINUTE
    for (let first = true; ; first = false) {
      const [step] = stopsNow(await this.state())
      if (!step) break
      await this.deed(atMs, { kind: 'container-started', payload: { id: step.id, grossG: step.startGrossG } })
      await this.deed(atMs, turn('container-valve', 'open'), turn('valve-low', 'open'))
      if (!first) await this.deed(atMs + 5000, turn('engine', 'on'))
      const closedMs = await this.player?.playUntilScale(step.stopGrossG, untilMs ?? this.nowMs, async (ms) =>
        this.deed(ms, turn('engine', 'on')),
      )
      if (closedMs === undefined || closedMs >= this.nowMs) return
      await this.deed(closedMs, turn('valve-low', 'closed'))
      await this.deed(closedMs + 8000, {
        kind: 'container-ended',
        payload: { id: step.id, grossG: this.player?.scaleG ?? step.stopGrossG },
      })
      atMs = closedMs + MINUTE
    }
    const done = await this.state()
    if (openContainer(done) === undefined && chargedG(done) > 0 && untilMs !== null)
      await this.deed(atMs, { kind: 'step-finished', payload: { step: 'charge' } })
  }

  private async prove(atMs: number): Promise<void> {
    const idle = {
      lowPaG: 229_000,
      highPaG: 704_000,
      ventC: 6.1,
      ambientC: 11,
      note: '',
      engine: 'idle' as const,
      humidity: 0.3,
    }
    const speed = {
      lowPaG: 217_000,
      highPaG: 672_000,
      ventC: 5.0,
      ambientC: 11,
      note: 'steady',
      engine: 'at-speed' as const,
      humidity: 0.3,
    }
    await this.deed(
      atMs,
      { kind: 'proof-read', payload: idle },
      { kind: 'proof-read', payload: speed },
      { kind: 'step-finished', payload: { step: 'prove' } },
    )
  }

  private async leave(fromMs: number, items: number): Promise<void> {
    for (let i = 0; i < items; i++) {
      const call = callFor(await this.state(), { nowMs: fromMs, clock: String })
      if (call.action.does.do === 'record') await this.deed(fromMs + i * 90_000, ...call.action.does.deeds)
    }
  }
}

const turn = (part: 'valve-low' | 'container-valve' | 'engine', state: string): Deed => ({
  kind: 'part-set',
  payload: { part, state },
})
const zeroRead = (pa: number): Deed => ({
  kind: 'zero-read',
  payload: {
    lowPaG: pa,
    highPaG: pa,
    errorPa: 7000,
    typed: pa === 0 ? 'low 0 psig, high 0 psig' : `low ${pa / 1000} kPa, high ${pa / 1000} kPa`,
  },
})
