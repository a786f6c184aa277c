import { W } from '../language/job/reduce'
import { MINUTE_MS } from '../units/constants'
import { type EventKind, type JobEvent, type JobOpened, type PayloadOf, SERVER_KINDS } from './events'
import { RIG_AT_START, type RigState } from './parts'
import { searchOn } from './search'
import { atStage, lastOf, nextOf } from './stage-now'
import { plainStages } from './stages'
import {
  benchGaugeIsFar,
  chargedG,
  currentHold,
  currentPull,
  type GaugeFacts,
  type Hung,
  type JobState,
  lostG,
  type Opened,
  type Planned,
} from './state'
import { STEPS, type Step } from './steps'
import { chargeHoseRead, procedureRead, rigRead } from './written'

/**
 * Folds the events of one job, in stored order, into its state.
 * @throws RangeError when the first event is not the opening of a job: nothing before it has a meaning
 */
export function foldJob(events: readonly JobEvent[]): JobState {
  const first = events[0]
  if (first?.kind !== 'job-opened') throw new RangeError(W.aJobBeginsWithThe)
  return events.slice(1).reduce(reduceJob, openJob(first))
}

/** Another plan is another thing to nod to. */
function withoutNod({ nodded: _n, ...state }: JobState): JobState {
  return state
}

const plannedRead = ({ hose, ...plan }: PayloadOf<'charge-planned'>): Planned => ({
  ...plan,
  ...(hose && { hose: chargeHoseRead(hose) }),
})

const openedRead = ({ rig, procedure, ...opened }: JobOpened): Opened => ({
  ...opened,
  rig: rigRead(rig),
  procedure: procedureRead(procedure),
})

function gaugeFacts({ rig }: Pick<JobOpened, 'rig'>): GaugeFacts {
  const { gauge, gaugeAt, resolutionPa } = rigRead(rig)
  return { gauge, gaugeAt, resolutionPa }
}

function hang(state: JobState, { instead, ...hung }: PayloadOf<'instrument-hung'>): JobState {
  const stay = state.hung.filter((h) => h.instrument !== hung.instrument && h.instrument !== instead?.instrument)
  return withHung(state, [...stay, hung])
}

/** The vacuum gauge that counts is the one farthest out that hangs on the car; the rig's own where none does. */
function withHung(state: JobState, hung: readonly Hung[]): JobState {
  const gauges = hung.filter((h) => h.kind === 'vacuum')
  const counts = gauges.find((h) => h.seat === 'far') ?? (benchGaugeIsFar(state) ? undefined : gauges[0])
  const facts: GaugeFacts = counts
    ? { gauge: 'electronic', gaugeAt: counts.seat, resolutionPa: counts.stepPa }
    : state.ownGauge
  return { ...state, hung, opened: { ...state.opened, rig: { ...state.opened.rig, ...facts } } }
}

/** What was told of the car after it had come. */
function toldOf(
  opened: Opened,
  { lastChargeG, daysSinceCharge, oilKind, oilMl, volumeL }: PayloadOf<'car-told'>,
): Opened {
  const { label, history } = opened
  return {
    ...opened,
    label: { ...label, oilKind: oilKind ?? label.oilKind, oilMl: oilMl ?? label.oilMl },
    history: {
      ...history,
      lastChargeG: lastChargeG ?? history.lastChargeG,
      daysSinceCharge: daysSinceCharge ?? history.daysSinceCharge,
    },
    volumeL: volumeL ?? opened.volumeL,
  }
}

/** The repair knows better than the door how long it stood open, and whether the drier is new. */
function fixedOf(opened: Opened, { renewed, openHours }: PayloadOf<'fix-logged'>): Opened {
  const drierReplaced = opened.story.drierReplaced || renewed.some(({ what }) => what === 'drier')
  return { ...opened, story: { ...opened.story, openHours, drierReplaced } }
}

function openJob(event: Extract<JobEvent, { kind: 'job-opened' }>): JobState {
  const opened: JobState = {
    opened: openedRead(event.payload),
    openedAt: event.happenedAt,
    step: 'zero',
    visits: [
      { step: 'take-in', startedAt: event.happenedAt, endedAt: event.happenedAt },
      { step: 'zero', startedAt: event.happenedAt },
    ],
    ...(event.payload.history.recoveredG !== null && { recoveredG: event.payload.history.recoveredG }),
    rig: RIG_AT_START,
    hung: [],
    ownGauge: gaugeFacts(event.payload),
    turnedAt: {},
    pulls: [],
    holds: [],
    priors: 'story',
    alarms: {},
    whose: { name: event.by },
    sweeps: [],
    containers: [],
    proofs: [],
    left: [],
    spent: [],
    turns: [],
    looked: [],
    leaksFound: [],
    corrections: [],
    notes: [],
    photos: [],
    aside: {},
    benchRunning: event.payload.simulated,
    stages: event.payload.procedure.stages ?? plainStages(event.payload.procedure),
    stage: 0,
    swept: 0,
    pulledBefore: 0,
  }
  return event.payload.procedure.stages ? atStage(opened, 0) : opened
}

/** Kinds that say nothing of where hands are: written by the server, or from wherever somebody stands. */
const NO_HANDS: readonly EventKind[] = [...SERVER_KINDS, 'alarm-answered', 'car-given', 'corrected', 'deed-chosen']

/** One event onto a state: pure, total, and never forbidding; what is unwise is named by `cautionsBefore`. */
export function reduceJob(state: JobState, event: JobEvent): JobState {
  const next = withEvent(state, event)
  const touched = NO_HANDS.includes(event.kind) ? {} : { touched: { at: event.happenedAt, by: event.by } }
  if (next.visits === state.visits) return { ...next, ...touched }
  // whoever ended a visit did its work
  const visits = next.visits.map((v) => (v.endedAt === undefined || v.by !== undefined ? v : { ...v, by: event.by }))
  return { ...next, ...touched, visits }
}

function withEvent(state: JobState, event: JobEvent): JobState {
  const at = event.happenedAt
  const waiting = state.aside[event.id]
  if (waiting?.event === null) return { ...state, aside: { ...state.aside, [event.id]: { ...waiting, event } } }
  switch (event.kind) {
    case 'job-opened':
      return state
    case 'label-set':
      return { ...state, opened: { ...state.opened, label: event.payload } }
    case 'car-told':
      return {
        ...state,
        opened: toldOf(state.opened, event.payload),
        ...(event.payload.switchPaG !== undefined && { switchPaG: event.payload.switchPaG }),
        ...(event.payload.ageYears !== undefined && { ageYears: event.payload.ageYears }),
        ...(event.payload.nitrogenLimitPaG !== undefined && { nitrogenLimitPaG: event.payload.nitrogenLimitPaG }),
      }
    case 'rig-taken':
      return withHung(
        {
          ...state,
          opened: { ...state.opened, rig: rigRead(event.payload.rig) },
          ownGauge: gaugeFacts(event.payload),
        },
        state.hung,
      )
    case 'zero-read':
      return { ...state, zero: { ...event.payload, at, by: event.by }, recoveredUnread: false }
    case 'recovered':
      return recover(state, event.payload.grams, at)
    case 'zero-explained':
      return { ...state, zeroAnswer: event.payload.answer }
    case 'fix-logged':
      return { ...state, fix: event.payload, opened: fixedOf(state.opened, event.payload) }
    case 'part-set':
      return turnPart(state, event.payload.part, event.payload.state, at)
    case 'step-finished':
      return event.payload.step === state.step ? finishStep(state, at) : state
    case 'isolated':
      return isolate(state, at)
    case 'hold-ended':
      return changeHold(state, (hold) => ({ ...hold, ended: { ...event.payload, at } }))
    case 'hold-skipped':
      return enter(
        changeHold(state, (hold) => ({ ...hold, skipped: { why: event.payload.why, by: event.by } })),
        'charge',
        at,
      )
    case 'hold-shortened':
      return changeHold(state, (hold) => ({ ...hold, shortened: { why: event.payload.why, by: event.by } }))
    case 'hold-lengthened':
      return lengthen(state, event.payload.minutes)
    case 'alarm-answered': {
      const untilMs = event.payload.answer === 'seen' ? null : Date.parse(at) + event.payload.minutes * MINUTE_MS
      return { ...state, alarms: { ...state.alarms, [event.payload.alarm]: { by: event.by, at, untilMs } } }
    }
    case 'car-given':
      return { ...state, whose: event.payload }
    case 'nitrogen-swept':
      return swept(
        { ...state, sweeps: [...state.sweeps, { ...event.payload, at, by: event.by }] },
        event.payload.passes,
      )
    case 'pump-oil':
      return changeOil(state, event.payload.stage)
    case 'hoses-shut':
      return { ...state, hosesShutAt: at }
    case 'hoses-held': {
      const { hosesShutAt: _over, ...rest } = state
      const held = { ...rest, hosesHeld: { ...event.payload, at, by: event.by } }
      // hoses that leak are mended, and held once more
      return event.payload.moved ? held : atStage(held, state.stage + 1)
    }
    case 'priors-set':
      return { ...state, priors: event.payload.use }
    case 'hold-decided':
      return decide(state, event.payload, at, event.by)
    case 'leak-accepted':
      return { ...state, accepted: { ...event.payload, at, by: event.by } }
    case 'looked-at':
      return { ...state, looked: [...state.looked, { ...event.payload, at, by: event.by }] }
    case 'search-begun':
    case 'leak-checked':
    case 'nitrogen-in':
    case 'nitrogen-out':
    case 'leak-found':
    case 'search-ended':
      return searchOn(state, event)
    case 'part-charge':
      return state
    case 'turned-back':
      return turnBack(state, event.payload, at, event.by)
    case 'parked':
      return park(state, { ...event.payload, at, by: event.by }, at)
    case 'taken-up': {
      const { parked, ...rest } = state
      return { ...rest, ...(parked?.couplers === 'off' && { stoodOff: true as const }) }
    }
    case 'closed':
      return { ...state, closed: { ...event.payload, at, by: event.by } }
    case 'reopened': {
      const { closed: _over, ...rest } = state
      return rest
    }
    case 'charge-planned':
      return planCharged(withoutNod(state), plannedRead(event.payload))
    case 'cans-planned':
      return { ...withoutNod(state), counted: { ...event.payload, emptied: state.counted?.emptied ?? [] } }
    case 'charge-nodded':
      return { ...state, nodded: { by: event.by, at } }
    case 'can-emptied':
      return state.counted
        ? { ...state, counted: { ...state.counted, emptied: [...state.counted.emptied, { ...event.payload, at }] } }
        : state
    case 'container-started':
      return {
        ...turnPart(turnPart(state, 'centre-hose', 'container', at), 'line', lineAt(state, event.payload.id), at),
        containers: [
          ...state.containers,
          {
            id: event.payload.id,
            startGrossG: event.payload.grossG,
            startedAt: at,
            ...(event.payload.differs && { differs: event.payload.differs }),
          },
        ],
      }
    case 'container-ended':
      return {
        ...turnPart(state, 'container-valve', 'closed', at),
        containers: state.containers.map((c) =>
          c.id === event.payload.id && c.endGrossG === undefined
            ? { ...c, endGrossG: event.payload.grossG, endedAt: at }
            : c,
        ),
      }
    case 'proof-read':
      return { ...state, proofs: [...state.proofs, { ...event.payload, at }] }
    case 'container-warmed':
      return { ...state, warmedC: event.payload.celsius }
    case 'before-read':
      return { ...state, before: { ...event.payload, at } }
    case 'rest-read':
      return { ...state, rest: { ...event.payload, at } }
    case 'maker-bands-set':
      return { ...state, makerBands: event.payload }
    case 'leave-tapped':
      return leaveItem(state, event.payload.item, event.payload.done, at)
    case 'noted':
      return { ...state, notes: [...state.notes, { text: event.payload.text, at, by: event.by }] }
    case 'pictured':
      return { ...state, photos: [...state.photos, { ...event.payload, at, by: event.by }] }
    case 'corrected':
      return { ...state, corrections: [...state.corrections, { ...event.payload, at, by: event.by }] }
    case 'caution-passed':
    case 'clock-set-back':
      return state
    case 'set-aside':
      return {
        ...state,
        aside: { ...state.aside, [event.payload.eventId]: { because: event.payload.because, event: null } },
      }
    case 'deed-chosen':
      return choose(state, event.payload.eventId, event.payload.holds)
    case 'bench-set':
      return {
        ...state,
        benchRunning:
          event.payload.action === 'stop' ? false : event.payload.action === 'start' ? true : state.benchRunning,
      }
    case 'instrument-hung':
      return hang(state, event.payload)
    case 'instrument-off':
      return withHung(
        state,
        state.hung.filter((h) => h.instrument !== event.payload.instrument),
      )
    case 'signed':
      return { ...closeVisit(state, at), signed: { ...event.payload, at, by: event.by } }
    default: {
      const unknown: never = event
      return unknown
    }
  }
}

/** What was set aside takes effect from now on, or is dropped; both stay in the log. */
function choose(state: JobState, id: string, holds: boolean): JobState {
  const { [id]: waiting, ...aside } = state.aside
  if (!waiting) return state
  const without = { ...state, aside }
  return holds && waiting.event ? reduceJob(without, waiting.event) : without
}

/**
 * What comes out of a car: what it brought, and after a charge of this job that charge, which is spent and begins anew.
 */
function recover(state: JobState, grams: number, at: string): JobState {
  const charged = chargedG(state)
  if (charged <= 0) return { ...state, recoveredG: (state.recoveredG ?? 0) + grams, recoveredUnread: true }
  const { plan: _spent, rest: _rested, counted: _counted, ...kept } = state
  const spent = { containers: state.containers, chargedG: charged, proofs: state.proofs, recoveredG: grams, at }
  return { ...kept, containers: [], proofs: [], spent: [...state.spent, spent], recoveredUnread: true }
}

/** Back to an earlier step. A hold that was not judged is left as it is; the gauges at rest are read anew. */
function turnBack(state: JobState, { to, why }: PayloadOf<'turned-back'>, at: string, by: string): JobState {
  const hold = currentHold(state)
  const left = hold && !hold.ended && !hold.skipped && !hold.left && state.step === 'hold'
  const {
    zero: _read,
    zeroAnswer: _said,
    parked: _over,
    ...rest
  } = left ? changeHold(state, (h) => ({ ...h, left: { why, by, at } })) : state
  const again =
    to === 'zero'
      ? rest
      : { ...rest, ...(state.zero && { zero: state.zero }), ...(state.zeroAnswer && { zeroAnswer: state.zeroAnswer }) }
  const turned = { ...again, left: [], turns: [...state.turns, { to, why, from: state.step, at, by }] }
  const { stages, stage } = state
  const first = to === 'zero' || to === 'fix'
  return enter(
    to === 'charge' ? turned : atStage(turned, first ? 0 : Math.max(0, lastOf(stages, 'pull', stage))),
    to,
    at,
  )
}

/** Couplers that come off are closed first: the car keeps its vacuum. */
function park(state: JobState, parked: NonNullable<JobState['parked']>, at: string): JobState {
  const off = parked.couplers === 'off'
  const sides = (['low', 'high'] as const).filter((side) => off && state.rig[`coupler-${side}`] !== 'off')
  return { ...sides.reduce((s, side) => turnPart(s, `coupler-${side}`, 'off', at), state), parked }
}

/** A line that stayed shut while the container was changed holds no air. */
const lineAt = (state: JobState, id: string): string => (lostG(state, id).purgeG > 0 ? 'air' : 'purged')

/** A second plan in the middle of a charge adds its containers to those that were used already. */
function planCharged(state: JobState, payload: NonNullable<JobState['plan']>): JobState {
  const used = (id: string) => state.containers.some((c) => c.id === id)
  const kept = state.plan ?? { containers: [], stops: [] }
  return {
    ...state,
    plan: {
      ...payload,
      containers: [...kept.containers.filter((c) => used(c.id)), ...payload.containers],
      stops: [...kept.stops.filter((s) => used(s.id)), ...payload.stops],
    },
  }
}

const following = (step: Step): Step => STEPS[Math.min(STEPS.length - 1, STEPS.indexOf(step) + 1)] as Step

function closeVisit(state: JobState, at: string): JobState {
  const visits = state.visits.map((v, i) =>
    i === state.visits.length - 1 && v.endedAt === undefined ? { ...v, endedAt: at } : v,
  )
  return { ...state, visits }
}

function enter(state: JobState, step: Step, at: string): JobState {
  if (step === state.step) return state
  const closed = closeVisit(state, at)
  return { ...closed, step, visits: [...closed.visits, { step, startedAt: at }] }
}

function turnPart<P extends keyof RigState>(state: JobState, part: P, to: string, at: string): JobState {
  const rig = { ...state.rig, [part]: to } as RigState
  const turned = { ...state, rig, turnedAt: { ...state.turnedAt, [part]: at } }
  const pulling =
    rig.pump === 'on' && rig['centre-hose'] === 'pump' && (rig['valve-low'] === 'open' || rig['valve-high'] === 'open')
  const open = currentPull(state)
  if (pulling && (!open || open.endedAt) && state.step === 'pull')
    return { ...turned, pulls: [...state.pulls, { startedAt: at }] }
  if (!pulling && open && !open.endedAt)
    return { ...turned, pulls: [...state.pulls.slice(0, -1), { ...open, endedAt: at }] }
  return turned
}

function isolate(state: JobState, at: string): JobState {
  const hold = { isolatedAt: at, plannedMinutes: state.opened.procedure.holdMinutes }
  return { ...state, holds: [...state.holds, hold] }
}

function changeHold(
  state: JobState,
  change: (hold: NonNullable<ReturnType<typeof currentHold>>) => JobState['holds'][number],
): JobState {
  const hold = currentHold(state)
  return hold ? { ...state, holds: [...state.holds.slice(0, -1), change(hold)] } : state
}

function decide(
  state: JobState,
  { next, minutes, accepted }: PayloadOf<'hold-decided'>,
  at: string,
  by: string,
): JobState {
  const told = accepted ? changeHold(state, (hold) => ({ ...hold, accepted: { by, as: accepted } })) : state
  if (next !== 'hold') return enter(atStage(told, stageFor(told, next, accepted !== undefined)), next, at)
  return lengthen(state, minutes ?? state.opened.procedure.holdMinutes)
}

/** Holding on: the same isolation, a later end, and the verdict so far taken back. */
const lengthen = (state: JobState, minutes: number): JobState =>
  changeHold(state, ({ ended: _taken, ...hold }) => ({ ...hold, plannedMinutes: hold.plannedMinutes + minutes }))

/** The pull that was broken off for the pump's oil is not its stage's: the one behind it is. */
function changeOil(state: JobState, stage: PayloadOf<'pump-oil'>['stage']): JobState {
  const { oilOut: _in, ...rest } = state
  return stage === 'begun' ? { ...rest, oilOut: true } : { ...rest, pulledBefore: state.pulls.length }
}

/** Where in its stages a job goes on after a hold: the one that follows, the pull before it once more, or the first. */
function stageFor({ stages, stage }: JobState, next: 'charge' | 'pull' | 'fix', accepted: boolean): number {
  if (next === 'fix') return 0
  if (next === 'charge') return Math.max(stage, nextOf(stages, 'charge', 0))
  const ahead = accepted ? nextOf(stages, 'pull', stage + 1) : -1
  return ahead >= 0 ? ahead : Math.max(0, lastOf(stages, 'pull', stage))
}

/** The pull's end brings its hold. */
function finishStep(state: JobState, at: string): JobState {
  const hold = state.step === 'pull' ? nextOf(state.stages, 'hold', state.stage) : -1
  return enter(hold >= 0 ? { ...state, stage: hold } : state, following(state.step), at)
}

/** A sweep that is done leads to the pull behind it. */
function swept(state: JobState, passes: number): JobState {
  const next = state.stages[state.stage + 1]
  const count = state.swept + passes
  return next?.kind === 'sweep' && count >= next.passes ? atStage(state, state.stage + 2) : { ...state, swept: count }
}

function leaveItem(state: JobState, item: JobState['left'][number], done: boolean, at: string): JobState {
  const left = done ? [...new Set([...state.left, item])] : state.left.filter((i) => i !== item)
  const turned: Partial<Record<typeof item, [keyof RigState, string]>> = {
    'cores-in': ['cores', 'in'],
    'container-shut': ['container-valve', 'closed'],
    'low-coupler-off': ['coupler-low', 'off'],
    'engine-off': ['engine', 'off'],
    'high-coupler-off': ['coupler-high', 'off'],
  }
  const turn = done ? turned[item] : undefined
  const next = { ...state, left }
  return turn ? turnPart(next, turn[0], turn[1], at) : next
}
