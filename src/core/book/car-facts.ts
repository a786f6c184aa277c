import * as z from 'zod'
import { text } from '../entry/text'
import { CORE_SIZES } from '../job/events'
import { W } from '../language/book/car-facts'

/** Letters an identification number may have: no I, O, Q. */
const VIN = /^[A-HJ-NPR-Z0-9]{17}$/

const most = (value: z.ZodNumber) => value.nullable().default(null)

/** What a car is besides its name and its label; empty or null where nobody told. */
export const CarFacts = z.strictObject({
  /** identification number, 17 characters */
  vin: text(17, 0)
    .transform((v) => v.toUpperCase())
    .refine((v) => v === '' || VIN.test(v), { error: W.has17CharactersDigitsAnd })
    .default(''),
  /** the owner's own number or name for it */
  owner: text(80, 0).default(''),
  evaporators: most(z.number().int().min(1).max(4)),
  /** free volume where it was measured, L */
  measuredL: most(z.number().min(0.5).max(20)),
  coreLow: z.enum(CORE_SIZES).nullable().default(null),
  coreHigh: z.enum(CORE_SIZES).nullable().default(null),
  /** what whoever opens the hood next ought to know */
  remark: text(300, 0).default(''),
})
export type CarFacts = z.infer<typeof CarFacts>

export const NO_FACTS: CarFacts = CarFacts.parse({})

/** What a letter counts in the check digit; digits count as themselves (ISO 3779, as North America uses it). */
const LETTERS: Record<string, number> = {
  ...{ A: 1, B: 2, C: 3, D: 4, E: 5, F: 6, G: 7, H: 8, J: 1, K: 2, L: 3, M: 4, N: 5, P: 7, R: 9 },
  ...{ S: 2, T: 3, U: 4, V: 5, W: 6, X: 7, Y: 8, Z: 9 },
}
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2]

/**
 * Whether the ninth character of an identification number is the check digit of the others. Only some regions use one:
 * where it is none, that is a remark and no fault.
 * @param vin - 17 characters
 */
export function checkDigitFits(vin: string): boolean {
  const sum = [...vin].reduce((s, c, i) => s + (LETTERS[c] ?? Number(c)) * (WEIGHTS[i] as number), 0)
  const digit = sum % 11
  return vin[8] === (digit === 10 ? 'X' : String(digit))
}
