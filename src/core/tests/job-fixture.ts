import type { Deed } from '../call/types'
import type { JobEvent, JobOpened } from '../job/events'
import { foldJob, reduceJob } from '../job/reduce'
import type { JobState } from '../job/state'
import { MINUTE_MS } from '../units/constants'
import { CERRO_LUMEN, OPENING } from './opening'

/** A small car at Cerro Lumen, for tests that need a job. */
export const CAR: JobOpened = {
  ...OPENING,
  car: { name: 'Night car 4', model: 'Pelmira 3', hybrid: false },
  label: { ...OPENING.label, lowG: 540, highG: 540, typed: '540 g', oilMl: 120 },
  place: CERRO_LUMEN,
  history: { daysSinceCharge: 200, lastChargeG: 540, recoveredG: null },
}

/** 10:00 on a day in March, ms. */
export const TEN = Date.parse('2026-03-02T10:00:00.000Z')
export const minutes = (m: number): number => TEN + m * MINUTE_MS

let counter = 0
export const eventAt = (m: number, deed: Deed): JobEvent => {
  const at = new Date(minutes(m)).toISOString()
  return { id: `event-${counter++}`, happenedAt: at, storedAt: at, by: 'Teo Brisal', ...deed } as JobEvent
}

/** A job opened at ten with deeds at minutes after it. */
export const job = (opened: JobOpened, ...deeds: [minute: number, deed: Deed][]): JobState =>
  foldJob([eventAt(0, { kind: 'job-opened', payload: opened }), ...deeds.map(([m, d]) => eventAt(m, d))])

export const later = (state: JobState, m: number, ...deeds: Deed[]): JobState =>
  deeds.reduce((s, d) => reduceJob(s, eventAt(m, d)), state)

export const part = (name: string, to: string): Deed =>
  ({ kind: 'part-set', payload: { part: name, state: to } }) as Deed
export const done = (step: JobState['step']): Deed => ({ kind: 'step-finished', payload: { step } })
export const rest = (paG: number): Deed => ({
  kind: 'zero-read',
  payload: { lowPaG: paG, highPaG: paG, errorPa: 7000, typed: 'typed' },
})

/** Zero read and everything rigged: ready to pull. */
export const RIGGED: [number, Deed][] = [
  [1, rest(0)],
  [2, done('zero')],
  [3, done('fix')],
  [4, part('valve-low', 'closed')],
  [4, part('valve-high', 'closed')],
  [4, part('coupler-low', 'open')],
  [4, part('coupler-high', 'open')],
  [4, part('centre-hose', 'pump')],
  [4, part('exhaust-cap', 'off')],
  [5, done('rig')],
]
/** Pulling since minute 6. */
export const PULLING: [number, Deed][] = [
  ...RIGGED,
  [6, part('pump', 'on')],
  [6, part('valve-low', 'open')],
  [6, part('valve-high', 'open')],
]
/** Holding since minute 40. */
export const HOLDING: [number, Deed][] = [
  ...PULLING,
  [40, done('pull')],
  [40, part('valve-low', 'closed')],
  [40, part('valve-high', 'closed')],
  [40, { kind: 'isolated', payload: {} }],
  [41, part('pump', 'off')],
  [41, part('centre-hose', 'off')],
  [41, done('isolate')],
]

/** 540 g out of one cylinder that weighs 9,000 g, nothing purged. */
export const CYLINDER_PLANNED: Deed = {
  kind: 'charge-planned',
  payload: {
    targetG: 540,
    purgeEachG: 0,
    containers: [{ id: 'cylinder-7', kind: 'cylinder', grossG: 9000, tareG: 4000 }],
    stops: [{ id: 'cylinder-7', stopGrossG: 8460, takenG: 540, purgeG: 0 }],
    bandG: [535, 545],
  },
}
