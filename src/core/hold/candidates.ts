import { type Bend, EQUALISING, NOTHING_TO_EQUALISE } from './bends'
import { FIRST_BEND, FIRST_EQUALISING, HOSE, LEVEL, LINE } from './columns'
import type { CrossProducts } from './cross-products'
import type { LogUniform, Piece } from './normal'

/**
 * Gas of hoses: so many times the column of one law, give or take `spread` as a deviation; and where the law itself is
 * in doubt, a column that bends it, about zero with a deviation of its own.
 */
export type HoseGas = { law: number; times: number; spread: number; bent?: { law: number; spread: number } }

/** Chances and bounds the hypotheses are weighed with. */
export type Prior = {
  leak: number
  /** chance of water, in a tight car and in one that leaks: an earlier hold may have told one from the other */
  damp: { tight: number; leaks: number }
  /** rise of a leak, Pa/s, in a dry car and beside water: one piece, or what an earlier hold left of it */
  slopes: { dry: readonly Piece[]; wet: readonly Piece[] }
  /** height of a bend of water, Pa */
  height: LogUniform
  /** rise that temperature, weather and the gauge's steps can make by themselves, Pa/s */
  driftPaS: number
  /**
   * slope that no shape of water explains beside a bend, for none of them is the whole truth: deviations, Pa/s, and the
   * chance of each
   */
  unexplained: readonly { paS: number; chance: number }[]
  /** what may rise without being called a leak, permeation of hoses and holes below the least leak, Pa/s */
  permeationPaS: number
  /** how far the warming of what has risen may bend the rise itself, Pa/s */
  warmedPaS: number
  /** deviation of what equalises, Pa */
  equalisingPa: number
  /** gas of hoses, as multiples of the hose column, with the chance of each */
  hoses: readonly (HoseGas & { chance: number })[]
}

/** A hypothesis this far behind the best in ln is not looked at closely. */
const FAR_BEHIND = 8.5

export type Sums = { yy: number; ly: number; ll: number; lineSigma: number }
export type BendSums = { by: number; bb: number; bl: number }

/** What a hypothesis is told by among those of one record, its shape left out. */
const keyOf = (equalising: number, hose: number, bend: number): number =>
  ((equalising + 1) * 100 + hose) * 1000 + bend + 1

/** A hypothesis by its best fit alone, with the sums to weigh it by. */
export type Candidate = {
  key: number
  equalising: number
  hose: HoseGas
  bend: number
  log: number
  chance: number
  sums: Sums
  bendSums: BendSums | null
  bendChance: number
}

/** Every combination of bend, what equalises and hoses, by its best fit; those far behind are left out. */
export function candidates(
  products: CrossProducts,
  bends: readonly Bend[],
  prior: Prior,
  wanted?: ReadonlySet<number>,
): Candidate[] {
  const grounds = groundsOf(products, bends.length, prior)
  const chances = bends.map((bend) => Math.log(bend.prior))
  // there are thousands: looked at by their logs alone first
  const logs = grounds.map((ground) => logsOn(ground, chances, wanted))
  const best = logs.reduce((top, own) => own.reduce((a, log) => Math.max(a, log), top), Number.NEGATIVE_INFINITY)
  return grounds.flatMap((ground, i) => near(ground, logs[i] as Float64Array, best - FAR_BEHIND, chances))
}

/** The bends that fit best of each kind, by their best fit alone: with a leak beside them, and without. */
export function bestOfEachKind(products: CrossProducts, bends: readonly Bend[], prior: Prior): Bend[] {
  const grounds = groundsOf(products, bends.length, prior)
  const chances = bends.map((bend) => Math.log(bend.prior))
  const tops = [Number.POSITIVE_INFINITY, prior.driftPaS].flatMap((heldPaS) => {
    const top = new Map<Bend['kind'], { bend: Bend; log: number }>()
    for (const ground of grounds) {
      const logs = logsOn(ground, chances, undefined, heldPaS)
      bends.forEach((bend, k) => {
        const log = logs[k + 1] as number
        if (!(log <= (top.get(bend.kind)?.log ?? Number.NEGATIVE_INFINITY))) top.set(bend.kind, { bend, log })
      })
    }
    return [...top.values()].map(({ bend }) => bend)
  })
  return [...new Set(tops)]
}

/** What equalises and the hoses of a hypothesis, with the sums they leave for line and bend. */
type Ground = { equalising: number; index: number; hose: HoseGas; chance: number; freed: Freed; sums: Sums }

function groundsOf(products: CrossProducts, bends: number, prior: Prior): Ground[] {
  const readings = FIRST_BEND + bends
  const levelled = products.without(LEVEL, Number.POSITIVE_INFINITY).products
  return [-1, ...EQUALISING.keys()].flatMap((equalising) => {
    const { products: g, log } =
      equalising < 0
        ? { products: levelled, log: 0 }
        : levelled.without(FIRST_EQUALISING + equalising, prior.equalisingPa)
    const own = equalising < 0 ? NOTHING_TO_EQUALISE : (EQUALISING[equalising] as { prior: number }).prior
    return prior.hoses.flatMap((hose, index) => {
      const freed = freedOfHose(g, hose, readings)
      const ll = freed.line[LINE] as number
      if (!(ll > 0)) return []
      const sums = {
        yy: freed.read[readings] as number,
        ly: freed.read[LINE] as number,
        ll,
        lineSigma: 1 / Math.sqrt(ll),
      }
      return [{ equalising, index, hose, chance: Math.log(own) + log + Math.log(hose.chance) + freed.log, freed, sums }]
    })
  })
}

/**
 * Ln of each best fit: without a bend, then with each; nothing where it is not wanted.
 * @param heldPaS - the line's own deviation about zero; any line where none is said
 */
function logsOn(
  { equalising, index, chance, freed, sums }: Ground,
  chances: readonly number[],
  wanted: ReadonlySet<number> | undefined,
  heldPaS = Number.POSITIVE_INFINITY,
): Float64Array {
  const { line, read, squares } = freed
  const { yy, ly } = sums
  const ll = sums.ll + 1 / heldPaS ** 2
  const straight = -(yy - ly ** 2 / ll) / 2 + chance
  const logs = new Float64Array(chances.length + 1).fill(Number.NEGATIVE_INFINITY)
  if (!wanted || wanted.has(keyOf(equalising, index, -1))) logs[0] = straight
  for (let k = 0; k < chances.length; k++) {
    if (wanted && !wanted.has(keyOf(equalising, index, k))) continue
    const bl = line[FIRST_BEND + k] as number
    const full = (squares[FIRST_BEND + k] as number) - bl ** 2 / ll
    const height = full > 0 ? Math.max(0, (read[FIRST_BEND + k] as number) - (bl * ly) / ll) : 0
    logs[k + 1] = straight + (full > 0 ? height ** 2 / full : 0) / 2 + (chances[k] as number)
  }
  return logs
}

function near(
  { equalising, index, hose, chance, freed, sums }: Ground,
  logs: Float64Array,
  from: number,
  chances: readonly number[],
): Candidate[] {
  const found: Candidate[] = []
  logs.forEach((log, place) => {
    if (!(log > from)) return
    const bend = place - 1
    const column = FIRST_BEND + bend
    found.push({
      key: keyOf(equalising, index, bend),
      equalising,
      hose,
      bend,
      log,
      chance,
      sums,
      bendSums:
        bend < 0
          ? null
          : {
              by: freed.read[column] as number,
              bb: freed.squares[column] as number,
              bl: freed.line[column] as number,
            },
      bendChance: bend < 0 ? 0 : (chances[bend] as number),
    })
  })
  return found
}

/** Products of the line and of the readings with every column, and of every column with itself. */
type Freed = { line: Float64Array; read: Float64Array; squares: Float64Array; log: number }

/**
 * Those products when hoses give so many times their column, give or take: taken off the readings, the doubt integrated
 * out. Of all sums only what is asked for: a copy of them for each kind of hose took longer than all the rest.
 */
function freedOfHose(g: CrossProducts, { law, times, spread, bent }: HoseGas, readings: number): Freed {
  const gas = HOSE + law
  /** Products of a column with all others, the readings less the gas. */
  const rowOf = (column: number): Float64Array => {
    const row = g.row(column)
    if (times !== 0) row[readings] = (row[readings] as number) - times * g.get(column, gas)
    return row
  }
  const read = g.row(readings)
  if (times !== 0) {
    for (let a = 0; a < readings; a++) read[a] = (read[a] as number) - times * g.get(gas, a)
    read[readings] = g.get(readings, readings) - times * (g.get(gas, readings) + (read[gas] as number))
  }
  const freed: Freed = { line: rowOf(LINE), read, squares: g.squares(), log: 0 }
  freed.squares[readings] = read[readings] as number
  if (times === 0 || !(spread > 0)) return freed
  const gives = rowOf(gas)
  const pivot = takeOut(freed, gives, gas, spread, readings)
  if (!bent) return freed
  const bends = rowOf(HOSE + bent.law)
  const shared = (bends[gas] as number) / pivot
  for (let a = 0; a <= readings; a++) bends[a] = (bends[a] as number) - shared * (gives[a] as number)
  takeOut(freed, bends, HOSE + bent.law, bent.spread, readings)
  return freed
}

/**
 * Takes a column out of those products, its coefficient's prior normal about zero.
 * @param row - the column's products with all others
 * @returns the column's own square with its prior's
 */
function takeOut(freed: Freed, row: Float64Array, column: number, spread: number, readings: number): number {
  const { line, read, squares } = freed
  const pivot = (row[column] as number) + 1 / spread ** 2
  const ofLine = (row[LINE] as number) / pivot
  const ofReadings = (row[readings] as number) / pivot
  for (let a = 0; a <= readings; a++) {
    const own = row[a] as number
    line[a] = (line[a] as number) - ofLine * own
    read[a] = (read[a] as number) - ofReadings * own
    squares[a] = (squares[a] as number) - (own * own) / pivot
  }
  freed.log -= 0.5 * Math.log(pivot * spread * spread)
  return pivot
}
