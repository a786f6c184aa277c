import * as z from 'zod'
import { Id } from '../entry/id'
import { Instant } from '../entry/instant'
import { text, verbatim } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { W } from '../language/job/events'
import { INSTRUMENT_KINDS, SEATS } from './instrument-kinds'
import { LeakChecked, LeakFound, NITROGEN_MOST_PA_G, SEARCH_WHY } from './leak'
import { LINK_KINDS } from './link-kinds'
import { PartSet } from './parts'
import { PHOTO_OF } from './photos'
import { RULE_IDS, Stages } from './stages'
import { STEPS } from './steps'
import { WAYS } from './ways'

const Text = text(200)
const Note = text(1000, 0)
const Grams = z.number().min(0).max(50_000)
const PaGauge = z.number().min(-110_000).max(6_000_000)
const Celsius = z.number().min(-60).max(90)
const Band = (value: z.ZodNumber) =>
  z.tuple([value, value]).refine(([low, high]) => high >= low, { error: W.theUpperEndMustNot })

/**
 * Refrigerants a label may name; the first two can be charged here, the others are recognised and refused with a
 * reason.
 */
export const LABEL_REFRIGERANTS = [...REFRIGERANTS, 'R-12', 'R-744'] as const
export const OPENED = ['nothing', 'cap-or-core', 'component', 'overnight', 'days'] as const
/** What stands for an oil nobody has read from the label yet. */
export const OIL_UNREAD = 'not on the label'
export const PURPOSES = ['work', 'training', 'demonstration'] as const
export const RENEWED = [
  'core-small',
  'core-large',
  'caps',
  'drier',
  'seals',
  'compressor',
  'condenser',
  'evaporator',
  'hose',
] as const
/** Steps a job can be turned back to. */
export const TURNS_TO = ['zero', 'fix', 'rig', 'pull', 'charge'] as const
/** How a job may end before its last step. */
export const CLOSED_AS = ['without-proof', 'without-charge', 'handed-over', 'given-up'] as const
/** Sizes of valve core; the larger is common on newer high sides (practice). */
export const CORE_SIZES = ['small', 'large'] as const
/** How oil gets into a system (practice). */
export const OIL_WAYS = ['into-part', 'injector', 'by-vacuum', 'can'] as const
/** Cans one charge by counting takes. */
export const MOST_CANS = 12
export const LEAVE_ITEMS = [
  'cores-in',
  'container-shut',
  'low-coupler-off',
  'engine-off',
  'high-coupler-off',
  'caps-on',
  'pump-capped',
  'label-filled',
] as const

export const Label = z
  .strictObject({
    refrigerant: z.enum(REFRIGERANTS),
    lowG: z.number().min(50).max(5000),
    highG: z.number().min(50).max(5000),
    typed: Text,
    toleranceG: z.number().min(1).max(200),
    oilKind: Text,
    oilMl: z.number().min(0).max(1000).nullable(),
    source: z.enum(['label', 'manual']),
    /**
     * where the label has a line for each engine or for front and rear: all of them, and the name of the one that is
     * this car's
     */
    lines: z
      .array(z.strictObject({ name: Text, lowG: z.number().min(50).max(5000), highG: z.number().min(50).max(5000) }))
      .max(6)
      .optional(),
    line: Text.optional(),
  })
  .refine((label) => label.highG >= label.lowG, {
    path: ['highG'],
    error: W.theUpperEndMustNot,
  })

/** A procedure as events and files write it. */
export const ProcedureWritten = z.strictObject({
  name: Text,
  targetMicron: z.number().min(50, W.from50Micron).max(20_000, W.upTo20000Micron),
  pullMinutes: z.number().min(1, W.fromAMinute).max(1440, W.upToADay),
  holdMinutes: z.number().min(5, W.from5Minutes).max(1440, W.upToADay),
  /** its stages in order; one pull, one hold, the charge and its proof where they are left out */
  stages: Stages.optional(),
})
export type ProcedureWritten = z.infer<typeof ProcedureWritten>

const HoseFigures = z.strictObject({
  boreMm: z.number().min(1).max(30),
  lengthM: z.number().min(0.05).max(10),
  kind: z.enum(LINK_KINDS),
})

/** A rig as events and files write it. */
export const RigWritten = z.strictObject({
  name: Text,
  boreMm: z.number().min(1).max(30),
  lengthM: z.number().min(0.1).max(10),
  hoses: z.number().int().min(1).max(2),
  pumpCfm: z.number().min(0.2).max(30),
  ultimateMicron: z.number().min(1).max(5000),
  gauge: z.enum(['electronic', 'needle']),
  scaleStepG: z.number().min(0.1).max(100),
  /** kind of the hoses to the car; by their bore when it is not said */
  hoseKind: z.enum(LINK_KINDS).optional(),
  /** the high side's hose where it differs, and the hose from the manifold to the pump */
  highHose: HoseFigures.optional(),
  pumpHose: HoseFigures.optional(),
  cores: z.enum(['in', 'out']).optional(),
  /** couplers that open by themselves when they are pushed on; turned by hand when it is not said */
  couplers: z.enum(['turned', 'auto']).optional(),
  /** the vacuum gauge hangs behind a valve of its own, which is shut before pressure comes */
  gaugeValve: z.literal(true).optional(),
  /** a fourth port: the container hangs on it from the start, and its hose is evacuated along */
  fourPort: z.literal(true).optional(),
  gaugeAt: z.enum(['far', 'pump']).optional(),
  /** smallest step the gauge shows, Pa */
  resolutionPa: z.number().min(0.001).max(20_000).optional(),
  /** gas the hoses to the car were found to give when held alone, Pa m3/s */
  hoseBaselinePaM3S: z.number().min(0).max(1).optional(),
  /** what it was made of, so that hours and wet jobs are counted where they belong */
  equipment: z.strictObject({ pump: Id, hoses: z.array(Id).max(6), gauge: Id, scale: Id }).optional(),
})
export type RigWritten = z.infer<typeof RigWritten>

/** What the reception of a car fixes; every figure of the job goes back to it. */
export const JobOpened = z.strictObject({
  car: z.strictObject({ name: Text, model: text(200, 0), plate: text(40, 0).optional(), hybrid: z.boolean() }),
  complaint: Note,
  label: Label,
  place: z.strictObject({
    altitudeM: z.number().min(-430).max(6000).nullable(),
    barometerPa: z.number().min(40_000).max(110_000),
    ambientC: Celsius,
  }),
  story: z.strictObject({
    opened: z.enum(OPENED),
    openHours: z.number().min(0).max(10_000),
    drierReplaced: z.boolean(),
  }),
  history: z.strictObject({
    daysSinceCharge: z.number().min(0).max(20_000).nullable(),
    lastChargeG: Grams.nullable(),
    recoveredG: Grams.nullable(),
  }),
  /** free volume of the system, L (assumed from the number of evaporators unless measured) */
  volumeL: z.number().min(0.5).max(20),
  procedure: ProcedureWritten,
  rig: RigWritten,
  simulated: z.boolean(),
  /**
   * what the job is for; work when left out. Training and demonstration reach no ledger, no pump's hours and no hand's
   * learned lead
   */
  purpose: z.enum(PURPOSES).optional(),
  /** set where it was entered later than it happened: a pull nobody wrote down, a night's log that is imported */
  datedBack: z.literal(true).optional(),
})
export type JobOpened = z.infer<typeof JobOpened>

const HoldEnded = z.strictObject({
  verdict: z.enum(['tight', 'damp', 'leak', 'leak-and-damp', 'undecided', 'invalid']),
  leak: z.number().min(0).max(1),
  damp: z.number().min(0).max(1),
  risePaS: z.number().nullable(),
  provesGramsPerYear: z.number().nullable(),
  leakGramsPerYear: z.number().nullable(),
  heldS: z.number().min(0),
  samples: z.number().int().min(0),
  reasons: z.array(verbatim(2000, 0)).max(20),
  /** the same for programs; records from before they were kept have none */
  codes: z.array(verbatim(60)).max(20).optional(),
  /** codes with their figures in SI, of which sentences are made in the reader's units; older records have none */
  findings: z
    .array(z.strictObject({ code: verbatim(60), of: z.record(verbatim(40), z.union([z.number(), verbatim(400, 0)])) }))
    .max(20)
    .optional(),
  /** what it hands on to the next hold of the same car; older records have none */
  carried: z
    .strictObject({
      leakAndDamp: z.number().min(0).max(1),
      riseIfDryPaS: z.array(z.number().positive()).max(40),
      riseIfWetPaS: z.array(z.number().positive()).max(40),
    })
    .optional(),
  /** what the procedure's own simple rule says of it, where one decides */
  rule: z
    .strictObject({ id: z.enum(RULE_IDS), words: verbatim(120), says: z.enum(['passes', 'fails', 'not yet']) })
    .optional(),
})
export type HoldEnded = z.infer<typeof HoldEnded>

const ChargeContainer = z
  .strictObject({
    id: Text,
    kind: z.enum(['can', 'cylinder']),
    grossG: z.number().min(1).max(60_000),
    netG: Grams.optional(),
    tareG: Grams.optional(),
    /** what its own label says is in it */
    refrigerant: verbatim(20, 0).optional(),
    /** the container on the shelf it is, so that its book and its weight follow */
    stockId: Id.optional(),
  })
  .refine((c) => c.tareG !== undefined || c.netG !== undefined, {
    path: ['netG'],
    error: W.aContainerNeedsItsNet,
  })
  .refine((c) => (c.tareG ?? c.grossG - (c.netG ?? 0)) >= 0 && c.grossG > (c.tareG ?? 0), {
    path: ['grossG'],
    error: W.theGrossWeightMustBe,
  })

/** Payload of every event kind; the kind says what a hand did or an instrument showed. */
export const PAYLOADS = {
  'job-opened': JobOpened,
  'label-set': Label,
  /** what was not asked at the door, told where it is used; what is left out stays as it was */
  'car-told': z.strictObject({
    lastChargeG: Grams.optional(),
    daysSinceCharge: z.number().min(0).max(20_000).optional(),
    oilKind: Text.optional(),
    oilMl: z.number().min(0).max(1000).optional(),
    volumeL: z.number().min(0.5).max(20).optional(),
    /** the low-pressure switch lets the compressor run from here, Pa above the air */
    switchPaG: z.number().min(20_000).max(600_000).optional(),
    /** how old the car is */
    ageYears: z.number().min(0).max(80).optional(),
    /** the most its label or manual lets in for a test or a sweep, Pa above the air */
    nitrogenLimitPaG: z.number().min(5_000).max(3_000_000).optional(),
  }),
  /** another rig than it was taken in with, before any hose hangs on it */
  'rig-taken': z.strictObject({ rig: RigWritten }),
  'zero-read': z.strictObject({
    lowPaG: PaGauge,
    highPaG: PaGauge,
    errorPa: z.number().min(1).max(100_000),
    typed: Text,
  }),
  recovered: z.strictObject({ grams: Grams }),
  'zero-explained': z.strictObject({ answer: z.enum(['already-under-vacuum', 'needle-off-zero']) }),
  'fix-logged': z.strictObject({
    renewed: z.array(z.strictObject({ what: z.enum(RENEWED), count: z.number().int().min(1).max(20) })).max(20),
    openHours: z.number().min(0).max(10_000),
    oilOwedMl: z.number().min(0).max(500),
    oilReason: Note,
    /** how it goes in; what was drained of the old part, mL; refrigerant that came in the same can, g */
    oilWay: z.enum(OIL_WAYS).optional(),
    /** the size of valve core each port takes, where somebody looked */
    ports: z.strictObject({ low: z.enum(CORE_SIZES), high: z.enum(CORE_SIZES) }).optional(),
    drainedMl: z.number().min(0).max(500).optional(),
    oilCanG: z.number().min(0).max(500).optional(),
  }),
  'part-set': PartSet,
  'step-finished': z.strictObject({ step: z.enum(STEPS) }),
  isolated: z.strictObject({}),
  'hold-ended': HoldEnded,
  'hold-skipped': z.strictObject({ why: Text }),
  /** ended before its planned time while nothing was found: what was not proved is the price */
  'hold-shortened': z.strictObject({ why: Text }),
  /** the judge could not decide by its end, and its procedure holds until it can */
  'hold-lengthened': z.strictObject({ minutes: z.number().min(1).max(1440) }),
  'alarm-answered': z.strictObject({
    alarm: Text,
    answer: z.enum(['seen', 'snoozed']),
    minutes: z.number().min(0).max(1440),
  }),
  /** whose car it is from now on: an account of the shop, by its name */
  'car-given': z.strictObject({ account: Id, name: text(80) }),
  /** a technician looked at the plan of a charge, and lets a trainee make it */
  'charge-nodded': z.strictObject({}),
  /** dry nitrogen let in and out again between two pulls */
  'nitrogen-swept': z.strictObject({
    passes: z.number().int().min(1).max(9),
    pressurePaG: z.number().min(0).max(1_200_000),
  }),
  /**
   * the pump's oil is changed in the middle of a pull, behind a shut valve: begun; fresh oil is in, or the old stays
   */
  'pump-oil': z.strictObject({ stage: z.enum(['begun', 'done', 'left']) }),
  /** the hoses alone were shut in, and what they did */
  'hoses-shut': z.strictObject({}),
  'hoses-held': z.strictObject({ minutes: z.number().min(0).max(1440), moved: z.boolean() }),
  /** whether the job's story weighs in on the judgement, or nothing is presumed */
  'priors-set': z.strictObject({ use: z.enum(['story', 'even']) }),
  'hold-decided': z.strictObject({
    next: z.enum(['charge', 'pull', 'fix', 'hold']),
    /** how much longer it is held; by the procedure when left out */
    minutes: z.number().min(1).max(1440).optional(),
    /** by what it was accepted, where it was */
    accepted: z.enum(['judge', 'rule', 'word']).optional(),
  }),
  /** charged although it leaks by so much a year: why, and what whoever pays said to it */
  'leak-accepted': z.strictObject({ gramsPerYear: z.number().min(0).max(1e6), why: Text, customer: Text }),
  /** a place that was looked at for the leak, and what was found there */
  'looked-at': z.strictObject({ place: Text, found: Text }),
  /** the search for the leak begins: a hold leaked, or the car came in empty */
  'search-begun': z.strictObject({ why: z.enum(SEARCH_WHY) }),
  'leak-checked': LeakChecked,
  /** dry nitrogen stands in the car for a pressure test */
  'nitrogen-in': z.strictObject({ pressurePaG: z.number().min(5_000).max(NITROGEN_MOST_PA_G) }),
  'nitrogen-out': z.strictObject({}),
  /** a part charge for the sniffer: weighed in, and recovered again before anything is opened, g */
  'part-charge': z.strictObject({ inG: z.number().min(1).max(500), outG: Grams }),
  'leak-found': LeakFound,
  /** not found: why it was given up, and whether dye goes in with the charge */
  'search-ended': z.strictObject({ why: Text, dye: z.boolean() }),
  /** the work turned back to an earlier step */
  'turned-back': z.strictObject({ to: z.enum(TURNS_TO), why: Text }),
  /** left standing under its vacuum, until then where it is known */
  parked: z.strictObject({ why: Text, couplers: z.enum(['on', 'off']), comeBackAt: Instant.optional() }),
  'taken-up': z.strictObject({}),
  /** ended without all of its steps, as what it is */
  closed: z.strictObject({ as: z.enum(CLOSED_AS), why: Text }),
  reopened: z.strictObject({ why: Text }),
  'charge-planned': z.strictObject({
    targetG: Grams,
    purgeEachG: z.number().min(0).max(50),
    containers: z.array(ChargeContainer).min(1).max(6),
    stops: z.array(z.strictObject({ id: Text, stopGrossG: Grams, takenG: Grams, purgeG: Grams })).max(6),
    bandG: z.tuple([z.number(), z.number()]),
    /** way of letting it in; vapour by the low side when it is not said */
    way: z.enum(WAYS).optional(),
    hose: z
      .strictObject({ boreMm: z.number().min(1).max(30), lengthM: z.number().min(0).max(10), drawnDown: z.boolean() })
      .optional(),
    /** whether the manifold stays on for the charge, or comes off for one charging hose on the low port */
    line: z.enum(['rig-stays', 'single-hose']).optional(),
    /** false where the hose stays shut while a container is changed */
    purgeOnChange: z.boolean().optional(),
    /** why the target is not the label's */
    reason: Text.optional(),
  }),
  /** no scale: whole cans of a net weight, counted */
  'cans-planned': z.strictObject({
    count: z.number().int(W.wholeCansOnly).min(1).max(MOST_CANS),
    netG: Grams,
    targetG: Grams,
  }),
  /** a can that was counted is empty: what it brought by estimate, g, with half of 95 % */
  'can-emptied': z.strictObject({ netG: Grams, estimateG: Grams, plusMinusG: Grams }),
  'container-started': z.strictObject({
    id: Text,
    grossG: z.number().min(1).max(60_000),
    /**
     * why it weighs otherwise than planned: the hose was not on the scale then, or it is another container of the same
     * net
     */
    differs: z.enum(['hose-hung-on', 'another-container']).optional(),
  }),
  'container-warmed': z.strictObject({ celsius: z.number().min(0).max(100) }),
  'container-ended': z.strictObject({
    id: Text,
    grossG: z.number().min(1).max(60_000),
    /**
     * weight and flow when the word to close was said, and the scale's step: how long this hand takes is learned from
     * it
     */
    closing: z
      .strictObject({ saidG: z.number(), gramsPerS: z.number().min(0).max(100), stepG: z.number().min(0) })
      .optional(),
  }),
  'proof-read': z.strictObject({
    lowPaG: PaGauge,
    /** null where nothing hangs on the high port */
    highPaG: PaGauge.nullable(),
    ventC: Celsius,
    ambientC: Celsius,
    note: Note,
    engine: z.enum(['idle', 'at-speed']).optional(),
    /** relative humidity of the air, 0 to 1 */
    humidity: z.number().min(0).max(1).optional(),
  }),
  /** how it cooled when it came in, running */
  'before-read': z.strictObject({
    lowPaG: PaGauge.nullable(),
    highPaG: PaGauge.nullable(),
    ventC: Celsius,
    ambientC: Celsius,
  }),
  /** pressure of the charged system at rest, engine off long enough to be as warm as the air */
  'rest-read': z.strictObject({ paG: PaGauge, errorPa: z.number().min(1).max(100_000), ambientC: Celsius }),
  /** the maker's own figures, which lead */
  'maker-bands-set': z.strictObject({
    lowPaG: Band(PaGauge).optional(),
    highPaG: Band(PaGauge).optional(),
    ventC: Band(Celsius).optional(),
  }),
  'leave-tapped': z.strictObject({ item: z.enum(LEAVE_ITEMS), done: z.boolean() }),
  noted: z.strictObject({ text: Text }),
  /** a photograph, kept beside the job; its digest makes the record vouch for it */
  pictured: z.strictObject({ photo: Id, of: z.enum(PHOTO_OF), caption: text(200, 0), sha256: verbatim(64, 64) }),
  corrected: z.strictObject({ eventId: Id, was: Text, is: Text, why: Text }),
  'caution-passed': z.strictObject({ code: Text }),
  /** the server's clock stood earlier than at the entry before: times across it cannot be compared */
  'clock-set-back': z.strictObject({ backS: z.number().min(0).max(1e10) }),
  /**
   * what was done without a line and contradicts what others did meanwhile: it waits for somebody to choose; stands
   * before it
   */
  'set-aside': z.strictObject({ eventId: Id, because: Id }),
  'deed-chosen': z.strictObject({ eventId: Id, holds: z.boolean() }),
  'bench-set': z.strictObject({
    action: z.enum(['start', 'stop', 'reset', 'speed', 'scenario', 'gauge', 'scale']),
    factor: z.number().min(1).max(600),
  }),
  /** an instrument of the shop was hung on this car; `instead` of one that came off with it, so that nothing is lost */
  'instrument-hung': z.strictObject({
    instrument: verbatim(80),
    name: Text,
    kind: z.enum(INSTRUMENT_KINDS),
    seat: z.enum(SEATS),
    /** smallest step of a vacuum gauge, Pa */
    stepPa: z.number().positive().max(100_000).optional(),
    instead: z.strictObject({ instrument: verbatim(80), name: Text }).optional(),
  }),
  'instrument-off': z.strictObject({ instrument: verbatim(80), name: Text }),
  signed: z.strictObject({
    /** empty where the law of the place asks for none and none was given */
    certificate: text(200, 0),
    readingCount: z.number().int().min(0),
    readingsSha256: verbatim(64, 64),
  }),
} as const

export type EventKind = keyof typeof PAYLOADS
export type PayloadOf<K extends EventKind> = z.infer<(typeof PAYLOADS)[K]>

/** An event before it is stored: what happened, in job time (ISO 8601), with the id its maker gave it. */
export type EventDraft = {
  [K in EventKind]: { id: string; kind: K; happenedAt: string; payload: PayloadOf<K> }
}[EventKind]
/** An event as stored; `by` is the name of who recorded it. */
export type JobEvent = EventDraft & { storedAt: string; by: string }

/** Kinds only the server writes, because it alone can vouch for them. */
export const SERVER_KINDS: readonly EventKind[] = [
  'job-opened',
  'hold-ended',
  'hold-lengthened',
  'signed',
  'bench-set',
  'instrument-hung',
  'instrument-off',
  'clock-set-back',
  'set-aside',
  'pictured',
]
/** Kinds that may follow a signature. */
export const AFTER_SIGNATURE: readonly EventKind[] = ['corrected', 'noted', 'pictured', 'clock-set-back']

const drafts = (Object.keys(PAYLOADS) as EventKind[]).map((kind) =>
  z.strictObject({ id: Id, kind: z.literal(kind), happenedAt: Instant, payload: PAYLOADS[kind] }),
)
/** Parses an event draft of any kind. */
export const EventDraftSchema = z.discriminatedUnion('kind', drafts as never) as unknown as z.ZodType<EventDraft>
