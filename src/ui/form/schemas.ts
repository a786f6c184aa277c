import * as z from 'zod'
import { W } from '@/core/language/screen/form-schemas'
import type { Units } from '@/core/units/shown'
import { type Entry, readAmount, readMass } from './entries'

/** An entry of a form as one of our readers reads it: text in, value out, its reason beside the field. */
export const entry = <T>(read: (text: string) => Entry<T>) =>
  z.string().transform((text, context) => {
    const found = read(text)
    if ('value' in found) return found.value
    context.addIssue({ code: 'custom', message: found.error })
    return z.NEVER
  })

/** Grams, from a mass in any unit, a bare one in that of whoever types. */
export const mass = (units: Units) => entry((text) => readMass(text, units))

/** Grams, which may be missing: a minus before it is kept. */
export const signedMass = (units: Units) =>
  entry((text) => {
    const bare = text.trim()
    const negative = /^[-−]/.test(bare)
    const read = readMass(bare.replace(/^[-−]/, ''), units)
    return 'value' in read && negative ? { value: -read.value } : read
  })

/** A count in one unit that the field's label names, from 0 to `most`. @param what - in words, for the reason */
export const amount = (what: string, most: number) => entry((text) => readAmount(text, what, most))

/** A number whose range the schema behind it knows. */
export const figure = entry((text) => {
  const value = Number(text.trim().replace(',', '.'))
  return text.trim() === '' || !Number.isFinite(value) ? { error: W.typeANumber } : { value }
})

/** The same where an empty field asks for nothing. */
export const optional = <T extends z.ZodType<unknown, string>>(schema: T) =>
  z
    .string()
    .transform((text) => (text.trim() === '' ? undefined : text))
    .pipe(z.union([z.undefined(), schema]))

/** Reasons by field, as our own readers of whole forms give them, put where a form looks for them. */
export function tellFaults(context: z.RefinementCtx, faults: Record<string, string>): never {
  for (const [field, message] of Object.entries(faults))
    context.addIssue({ code: 'custom', path: field.split('.'), message, input: undefined })
  return z.NEVER
}
