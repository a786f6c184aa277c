import * as z from 'zod'
import { Day } from '../entry/instant'
import { text } from '../entry/text'
import { INSTRUMENT_KINDS, type InstrumentKind, type Seat } from '../job/instrument-kinds'
import { W } from '../language/shop/instruments'
import { type Channel, READING_UNITS, type ReadingUnit, toStored } from '../units/channel'

/** Channels an instrument of a kind may report; the first is its own unless it says another. */
export const CHANNELS_OF: Record<InstrumentKind, readonly Channel[]> = {
  vacuum: ['vacuum'],
  low: ['low'],
  high: ['high'],
  scale: ['scale'],
  thermometer: ['ambient', 'vent', 'engine_bay'],
  barometer: ['barometer'],
}

/** Units an instrument of a kind may show; the first is the usual one. */
export const UNITS_OF: Record<InstrumentKind, readonly ReadingUnit[]> = {
  vacuum: ['micron', 'Pa', 'mbar', 'kPa'],
  low: ['psig', 'kPag', 'barg', 'inHgV'],
  high: ['psig', 'kPag', 'barg'],
  scale: ['g', 'oz', 'lb', 'kg'],
  thermometer: ['C', 'F'],
  barometer: ['mbar', 'Pa', 'kPa', 'inHg'],
}

/** An instrument as the lead registers it; step and range in its own unit. */
export const NewInstrument = z
  .strictObject({
    kind: z.enum(INSTRUMENT_KINDS),
    name: text(80, 1, W.theNameOnItsTape),
    unit: z.enum(READING_UNITS),
    step: z.number().positive(W.moreThanNothing).max(1e6),
    rangeLow: z.number().min(-1e6).max(1e6).nullable(),
    rangeHigh: z.number().min(-1e6).max(1e6).nullable(),
    calibratedOn: Day.nullable(),
  })
  .refine(({ kind, unit }) => UNITS_OF[kind].includes(unit), { path: ['unit'], error: W.notAUnitOfThis })
  .refine(({ rangeLow, rangeHigh }) => rangeLow === null || rangeHigh === null || rangeHigh > rangeLow, {
    path: ['rangeHigh'],
    error: W.theUpperEndMustLie,
  })
export type NewInstrument = z.infer<typeof NewInstrument>

/** What an instrument said last: as it was sent, and when by its own clock. */
export type LastSaid = { channel: Channel; value: number; unit: ReadingUnit; at: string }

/** An instrument of the shop, and where it hangs. */
export type Instrument = NewInstrument & {
  id: string
  last: LastSaid | null
  /** 0 to 1; null where it does not tell */
  battery: number | null
  seenAt: string | null
  withdrawn: boolean
  /** the car it is on now */
  on: { jobId: string; car: string; since: string; seat: Seat } | null
  /** what came that cannot be used: how many, and why the last one */
  odd: { count: number; reason: string } | null
}

/** What a gauge at the pump is kept as while another hangs at the far end. */
export const PUMP_CHANNEL = 'vacuum_pump' satisfies Channel

type Sent = { channel: Channel; value: number; unit: ReadingUnit }

/**
 * Why a reading of a registered instrument cannot be used, in words; null where it can. It is kept as it was sent.
 * @param barometerPa - air of the place, Pa
 */
export function oddness(
  { kind, unit, rangeLow, rangeHigh }: Pick<NewInstrument, 'kind' | 'unit' | 'rangeLow' | 'rangeHigh'>,
  sent: Sent,
  barometerPa: number,
): string | null {
  if (!CHANNELS_OF[kind].includes(sent.channel)) return W.comesFromNoItWas(sent.channel, KIND_WORDS[kind])
  if (sent.unit !== unit) return W.sentInRegisteredInSet(sent.unit, unit)
  if ((rangeLow !== null && sent.value < rangeLow) || (rangeHigh !== null && sent.value > rangeHigh))
    return W.liesOutsideItsRangeTo(sent.value, sent.unit, rangeLow ?? '…', rangeHigh ?? '…', unit)
  try {
    toStored(sent.channel, sent.value, sent.unit, barometerPa)
    return null
  } catch (error) {
    return (error as Error).message
  }
}

export const KIND_WORDS: Record<InstrumentKind, string> = {
  vacuum: W.vacuumGauge,
  low: W.lowSideTransducer,
  high: W.highSideTransducer,
  scale: W.scale2,
  thermometer: W.thermometer,
  barometer: W.barometer,
}

export const SEAT_WORDS: Record<Seat, string> = { far: W.atTheFarEnd, pump: W.atThePump }
