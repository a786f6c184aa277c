import { z } from 'zod'
import { REFRIGERANTS } from '../fluids/refrigerant'

export const LEDGER_KINDS = ['bought', 'charged', 'purged', 'recovered', 'corrected'] as const
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
    id: z.uuid(),
    kind: z.enum(['bought', 'corrected']),
    refrigerant: z.enum(REFRIGERANTS),
    container: z.string().trim().min(1).max(80),
    equipmentId: z.uuid().nullable(),
    grams: z.number().min(-100_000).max(100_000),
    why: z.string().trim().max(300),
  })
  .refine((d) => d.kind !== 'corrected' || d.why !== '', { path: ['why'], error: 'a correction says why' })
  .refine((d) => d.kind !== 'bought' || d.grams > 0, { path: ['grams'], error: 'what was bought weighs something' })
export type LedgerDraft = z.infer<typeof LedgerDraft>

/** What one container gave: into the car, and purged or left in the hose, g, both at least zero. */
export function gaveOut(startGrossG: number, endGrossG: number, plannedLossG: number): { chargedG: number; purgedG: number } {
  const out = Math.max(0, startGrossG - endGrossG)
  const purgedG = Math.min(plannedLossG, out)
  return { chargedG: out - purgedG, purgedG }
}

export type Balance = { container: string; equipmentId: string | null; refrigerant: string; grams: number }

/** What is left in every container by the book, g; those of one charge only are left out. */
export function balancesOf(entries: readonly LedgerEntry[]): Balance[] {
  const found = new Map<string, Balance>()
  for (const e of entries) {
    if (e.equipmentId === null && e.kind !== 'bought' && e.kind !== 'corrected') continue
    const key = e.equipmentId ?? `${e.container} ${e.refrigerant}`
    const balance = found.get(key) ?? { container: e.container, equipmentId: e.equipmentId, refrigerant: e.refrigerant, grams: 0 }
    found.set(key, { ...balance, grams: balance.grams + e.grams })
  }
  return [...found.values()].sort((a, b) => a.container.localeCompare(b.container))
}

/** Sums by refrigerant and kind, g, each above zero: what an inspector asks for. */
export function totalsOf(entries: readonly LedgerEntry[]): { refrigerant: string; sums: Record<LedgerKind, number> }[] {
  const all = [...new Set(entries.map((e) => e.refrigerant))].sort()
  return all.map((refrigerant) => ({
    refrigerant,
    sums: Object.fromEntries(
      LEDGER_KINDS.map((kind) => [
        kind,
        entries.filter((e) => e.refrigerant === refrigerant && e.kind === kind).reduce((sum, e) => sum + (kind === 'corrected' ? e.grams : Math.abs(e.grams)), 0),
      ]),
    ) as Record<LedgerKind, number>,
  }))
}
