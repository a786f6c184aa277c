import * as z from 'zod'
import { text } from '../entry/text'

/** Places of a car's circuit a leak may sit at, along the way the refrigerant goes; `rig` is the shop's own hoses. */
export const LEAK_PLACES = [
  'compressor-seal',
  'compressor-body',
  'joint-discharge',
  'hose-high',
  'port-high',
  'joint-condenser-in',
  'condenser',
  'joint-condenser-out',
  'switch',
  'drier',
  'joint-drier',
  'joint-device',
  'device',
  'evaporator',
  'joint-evaporator',
  'joint-rear',
  'evaporator-rear',
  'port-low',
  'hose-low',
  'joint-suction',
  'rig',
] as const
export type LeakPlace = (typeof LEAK_PLACES)[number]

/** Ways to look for it. */
export const LEAK_CHECKS = ['look', 'couplers', 'hoses', 'nitrogen', 'soap', 'sniffer', 'weigh'] as const
export type LeakCheck = (typeof LEAK_CHECKS)[number]

const Place = z.enum(LEAK_PLACES)
/** What a person adds in words. */
const Note = text(200, 0).optional()

/** A check that was made and what it showed; each kind has its own answers. */
export const LeakChecked = z.discriminatedUnion('check', [
  /** with a light, for oil and dye: at a place, or nowhere */
  z.strictObject({ check: z.literal('look'), at: Place.nullable(), note: Note }),
  z.strictObject({ check: z.literal('sniffer'), at: Place.nullable(), note: Note }),
  /** soap at one place, with pressure inside */
  z.strictObject({ check: z.literal('soap'), at: Place, bubbles: z.boolean(), note: Note }),
  /** held with the couplers off, against the hold with them on: more at one of the two, the same, or less */
  z.strictObject({
    check: z.literal('couplers'),
    says: z.enum(['off-worse', 'low-worse', 'high-worse', 'same', 'on-worse']),
    note: Note,
  }),
  z.strictObject({ check: z.literal('hoses'), says: z.enum(['rose', 'still']), note: Note }),
  /** the pressure test: what was left when the temperature was taken out */
  z.strictObject({
    check: z.literal('nitrogen'),
    says: z.enum(['falls', 'stands', 'undecided']),
    /** in refrigerant a year: what falls, and what would have shown, worst case */
    gramsPerYear: z.number().nullable(),
    showsGramsPerYear: z.number().min(0).nullable(),
    minutes: z.number().min(0).max(10_000),
    note: Note,
  }),
  /** charged, weighed after days */
  z.strictObject({ check: z.literal('weigh'), says: z.enum(['lost', 'kept']), note: Note }),
])
export type LeakChecked = z.infer<typeof LeakChecked>

/** Where it was, what was done there, and how sure the search was of it, 0 to 1. */
export const LeakFound = z.strictObject({ at: Place, done: text(200), sure: z.number().min(0).max(1) })
export type LeakFound = z.infer<typeof LeakFound>

export const SEARCH_WHY = ['hold', 'empty'] as const
/**
 * No test of a vehicle's system goes above this, whatever its label says, Pa above the air (assumed, a shop's set
 * limit).
 */
export const NITROGEN_MOST_PA_G = 1_000_000

/** A search as its events add up. Times are job time, ISO 8601. */
export type Search = {
  why: (typeof SEARCH_WHY)[number]
  begunAt: string
  /** the shop's own hoses hung on the car when it began */
  hosesIn: boolean
  seen: readonly { seen: LeakChecked; when: string; by: string }[]
  /** nitrogen that stands in the car */
  nitrogen?: { inAt: string; pressurePaG: number }
  found?: LeakFound & { when: string; by: string }
  ended?: { why: string; dye: boolean; when: string; by: string }
}
