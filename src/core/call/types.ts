import type { HandFlow } from '../charge/by-hand'
import type { Closing } from '../charge/closing'
import type { HoldResult } from '../hold/types'
import type { EventDraft, EventKind, PayloadOf } from '../job/events'
import type { PressureFinding } from '../leak/pressure-test'
import type { Learned } from '../leak/search-view'
import type { PullAdvice } from '../pull/advice'
import type { PullForecast } from '../pull/forecast'
import { type Say, USUAL_SAY } from '../units/say'
import type { Caution } from './cautions'

/** An event a button records, before it gets its id and time. */
export type Deed = { [K in EventKind]: { kind: K; payload: PayloadOf<K> } }[EventKind]

/** Where the sheet of other ways opens: turning back, stopping here, ending it, charging with a leak that is known. */
export type WayOut = 'back' | 'park' | 'close' | 'accept' | 'search'

/** The forms a step may show; the call's button sends the one it names. */
export type FormName =
  | 'zero'
  | 'recovered'
  | 'fix'
  | 'leak-found'
  | 'plan'
  | 'container-start'
  | 'container-end'
  | 'proof'
  | 'sign'

/** What a button does: record deeds, send a form, end the hold on the server, or go somewhere. */
export type Does =
  | { do: 'record'; deeds: Deed[] }
  | { do: 'send'; form: FormName }
  | { do: 'judge' }
  | { do: 'go'; to: 'board' | 'record' }
  | { do: 'wait' }
  /** the hand goes to the pad, to type what a gauge or a scale shows */
  | { do: 'type' }
  /** the sheet of other ways opens, at one of them */
  | { do: 'way'; at: WayOut }

/** A button that wants a reason first: it is recorded as this event, then the hold is judged or not. */
export type Ask = {
  question: string
  price: string
  kind: 'hold-skipped' | 'hold-shortened' | 'reopened'
  /** the hold is judged with it */
  judge: boolean
  /** what the two buttons say: to leave it, and to do it */
  stay: string
  go: string
}

export type CallButton = { label: string; sub?: string; key: string; does: Does; ask?: Ask }

/** The one voice of a step: how sure, one sentence, why, what it proves, the next action. */
export type Call = {
  sure?: string
  sentence: string
  /** the largest thing said, a time or a weight, with what stands behind it */
  figure?: { text: string; caption: string }
  why: string[]
  form?: FormName
  proves?: { title: string; text: string }
  watch: string[]
  action: CallButton
  plain: CallButton[]
  after?: string
}

/** What the instruments and the clock say now. Pressures Pa absolute, masses g, temperatures Celsius. */
export type Live = {
  /** job time, ms since the epoch */
  nowMs: number
  /** how fast the job's clock runs, times the wall; 1 when left out */
  factor?: number
  /** a gauge at the pump, while another hangs at the far end, Pa */
  pumpPa?: number
  vacuumPa?: number
  /** when that was read, job time in ms */
  vacuumAtMs?: number
  /** its newest reading was typed: nobody waits for the next by itself */
  vacuumByHand?: boolean
  /** its newest reading came in this unit: inches are a needle's, which shows no target */
  vacuumUnit?: string
  /** the gauge's clock was set back by so much when its newest reading came, s */
  gaugeBackS?: number
  /** how vacuum moves, Pa/s, over the last minutes */
  fallPaS?: number
  /** how far its newest readings lie above all of the minute before, Pa */
  leaptPa?: number
  lowPa?: number
  highPa?: number
  /** when the barometer was read last, job time in ms */
  airAtMs?: number
  scaleG?: number
  /** when that was read, job time in ms */
  scaleAtMs?: number
  /** the weight was typed: no scale reports it */
  scaleByHand?: boolean
  /** what the typed weights tell of the flow */
  handFlow?: HandFlow
  /** when the low valve has to be told to close, in the hand's own seconds */
  closing?: Closing
  /** the word that was said for this container, for what it teaches */
  said?: { saidG: number; gramsPerS: number; stepG: number }
  /** what moved the scale and was no refrigerant */
  scaleNotes?: string[]
  /** what leaves the container, g/min of job time */
  flowGMin?: number
  ventC?: number
  /** how the air conditioner runs: vent's trend, cycling */
  running?: string[]
  /** whether the compressor was seen going on and off */
  cycling?: boolean
  judgement?: HoldResult
  /** whoever looks is a trainee who needs a nod before the charge, or somebody who may give it */
  nod?: 'asks' | 'gives'
  /** leaks this shop found so far, by place: the search begins with them */
  learned?: Learned
  /** what the pressure test that runs says by now */
  pressureTest?: PressureFinding
  /** where the running pull stands */
  pull?: PullAdvice
  /** when the running pull ends, as the server's watch says */
  forecast?: PullForecast
  clock: (ms: number) => string
  /** figures in the units of whoever reads; the usual ones when left out */
  say?: Say
}

/** How figures are said to whoever reads. */
export const sayOf = ({ say }: Live): Say => say ?? USUAL_SAY

export const record = (...deeds: Deed[]): Does => ({ do: 'record', deeds })
export const set = (part: PayloadOf<'part-set'>['part'], state: string): Deed => ({
  kind: 'part-set',
  payload: { part, state },
})
export const finish = (step: PayloadOf<'step-finished'>['step']): Deed => ({ kind: 'step-finished', payload: { step } })

/** A draft asks for its caution by kind and payload only. */
export type CautionCheck = (event: Pick<EventDraft, 'kind' | 'payload'>) => Caution[]
