import * as z from 'zod'
import { Id } from '../entry/id'
import { Day } from '../entry/instant'
import { text } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { W } from '../language/shop/ledger'

export const LEDGER_KINDS = [
  'bought',
  'charged',
  'purged',
  'recovered',
  'heel',
  'handed-in',
  'reused',
  'lost',
  'weighed',
  'corrected',
] as const
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

/** Where what is recovered stands until it is handed in or used again. */
export const RECOVERY = 'recovery cylinder'

/** What a hand may enter. */
export const BY_HAND = ['bought', 'weighed', 'handed-in', 'reused', 'lost', 'corrected'] as const
export type ByHand = (typeof BY_HAND)[number]

/** Why a line of its kind has to say more: a receipt, a reason. */
const ASKS_WHY: Partial<Record<ByHand, string>> = {
  corrected: W.aCorrectionSaysWhy,
  weighed: W.aDifferenceSaysWhyWhere,
  'handed-in': W.theNumberOfTheReceipt,
  reused: W.whoCleanedItOrThat,
  lost: W.howItWasLost,
}

/**
 * What a hand enters: a purchase, a container weighed against the book, what was handed in, used again, lost, or a
 * correction with its reason. Grams: what came or went; for `weighed` what is in it by the scale.
 */
export const LedgerDraft = z
  .strictObject({
    id: Id,
    kind: z.enum(BY_HAND),
    refrigerant: z.enum(REFRIGERANTS),
    container: text(80, 1, W.whatPeopleCallIt),
    equipmentId: Id.nullable(),
    grams: z.number().min(-100_000).max(100_000),
    why: text(300, 0),
  })
  .superRefine(({ kind, grams, why, equipmentId }, issues) => {
    const add = (path: string, message: string) => issues.addIssue({ code: 'custom', path: [path], message })
    const asked = ASKS_WHY[kind]
    if (asked !== undefined && why === '') add('why', asked)
    if (kind === 'bought' && grams <= 0) add('grams', W.whatWasBoughtWeighsSomething)
    if ((kind === 'handed-in' || kind === 'reused' || kind === 'lost') && grams <= 0) add('grams', W.howMuchItWasMore)
    if (kind === 'weighed' && grams < 0) add('grams', W.whatIsInItBy)
    if (kind === 'reused' && equipmentId === null) add('equipmentId', W.theContainerOfTheShelf)
  })
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

/** Sums by refrigerant and kind, g, each above zero but for what may be either: what an inspector asks for. */
export type Totals = { refrigerant: string; sums: Record<LedgerKind, number> }[]

/** Kinds whose lines may add or take. */
export const EITHER_WAY: readonly LedgerKind[] = ['corrected', 'weighed']
