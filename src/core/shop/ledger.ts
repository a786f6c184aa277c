import * as z from 'zod'
import { Id } from '../entry/id'
import { Day } from '../entry/instant'
import { text } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'

export const LEDGER_KINDS = ['bought', 'charged', 'purged', 'recovered', 'heel', 'corrected'] as const
export type LedgerKind = (typeof LEDGER_KINDS)[number]

/** A line of the ledger: into its container above zero, out of it below, g. Times ISO 8601. */
export type LedgerEntry = {
  id: string
  kind: LedgerKind
  happenedAt: string
  by: string
  refrigerant: string
  container: string
  equipmentId: string | null
  grams: number
  jobId: string | null
  car: string | null
  why: string
}

/** What a hand may enter: a purchase, or a correction with its reason. */
export const LedgerDraft = z
  .strictObject({
    id: Id,
    kind: z.enum(['bought', 'corrected']),
    refrigerant: z.enum(REFRIGERANTS),
    container: text(80, 1, 'what people call it'),
    equipmentId: Id.nullable(),
    grams: z.number().min(-100_000).max(100_000),
    why: text(300, 0),
  })
  .refine((d) => d.kind !== 'corrected' || d.why !== '', { path: ['why'], error: 'a correction says why' })
  .refine((d) => d.kind !== 'bought' || d.grams > 0, { path: ['grams'], error: 'what was bought weighs something' })
export type LedgerDraft = z.infer<typeof LedgerDraft>

/** What one container gave: into the car, and purged or left in the hose, g, both at least zero. */
export function gaveOut(
  startGrossG: number,
  endGrossG: number,
  plannedLossG: number,
): { chargedG: number; purgedG: number } {
  const out = Math.max(0, startGrossG - endGrossG)
  const purgedG = Math.min(plannedLossG, out)
  return { chargedG: out - purgedG, purgedG }
}

/** A can counts as emptied while it holds no more than so many times its heel and a scale's blur, g (assumed). */
const EMPTIED_HEELS = 1.6
const EMPTIED_BLUR_G = 3

/**
 * What goes away with a can that was emptied, g; nothing for a cylinder, or for a can that is put back.
 * @param heelG - vapour at ambient in its volume, g
 */
export function heelLeftG(
  container: { kind: 'can' | 'cylinder'; tareG: number },
  endGrossG: number,
  heelG: number,
): number {
  const left = endGrossG - container.tareG
  return container.kind === 'can' && left > 0 && left <= EMPTIED_HEELS * heelG + EMPTIED_BLUR_G ? left : 0
}

/** What is left in a container by the book, g. */
export type Balance = { container: string; equipmentId: string | null; refrigerant: string; grams: number }

const Part = text(80, 0).optional()
/**
 * Which lines of the ledger are asked for: days of the shop, both included, and parts of the names of container and
 * car.
 */
export const LedgerQuery = z.object({ from: Day.optional(), to: Day.optional(), container: Part, car: Part })
export type LedgerQuery = z.infer<typeof LedgerQuery>

/** Sums by refrigerant and kind, g, each above zero: what an inspector asks for. */
export function totalsOf(entries: readonly LedgerEntry[]): { refrigerant: string; sums: Record<LedgerKind, number> }[] {
  const all = [...new Set(entries.map((e) => e.refrigerant))].sort()
  return all.map((refrigerant) => ({
    refrigerant,
    sums: Object.fromEntries(
      LEDGER_KINDS.map((kind) => [
        kind,
        entries
          .filter((e) => e.refrigerant === refrigerant && e.kind === kind)
          .reduce((sum, e) => sum + (kind === 'corrected' ? e.grams : Math.abs(e.grams)), 0),
      ]),
    ) as Record<LedgerKind, number>,
  }))
}
