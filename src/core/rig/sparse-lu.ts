/**
 * LU of matrices that are empty in the same places, worked out once where they are: which pivot comes when, what fills
 * in, and what is multiplied with what. Pivots stay on the diagonal, in the order that fills in least: for the balance
 * of a network, whose diagonal outweighs its columns, no exchange of rows is needed.
 * @see I. S. Duff, A. M. Erisman, J. K. Reid, Direct Methods for Sparse Matrices, ch. 7 (Markowitz) and 9
 */
export class SparseLu {
  private readonly plan: Plan
  private readonly values: Float64Array
  private readonly inverse: Float64Array

  /** @param filled - row-major `size` x `size`: 1 where an entry may be other than zero; the diagonal always may */
  constructor(size: number, filled: Uint8Array) {
    this.plan = planFor(size, filled)
    this.values = new Float64Array(this.plan.count)
    this.inverse = new Float64Array(size)
  }

  /**
   * Factors `diagonal` I - `jac`, both row-major; false where a pivot is zero or no number.
   * @param jac - zero wherever the pattern says so
   */
  factor(jac: Float64Array, diagonal: number): boolean {
    const { values, inverse } = this
    const { taken, work, order, diagonal: pivots } = this.plan
    for (let i = 0; i < taken.length; i += 2) values[taken[i + 1] as number] = -(jac[taken[i] as number] as number)
    for (let k = 0; k < pivots.length; k++) {
      const at = pivots[k] as number
      values[at] = (values[at] as number) + diagonal
    }
    let w = 0
    for (let n = 0; n < order.length; n++) {
      const k = order[n] as number
      const pivot = values[pivots[k] as number] as number
      if (!(Math.abs(pivot) > 0)) return false
      const over = 1 / pivot
      inverse[k] = over
      const rows = work[w++] as number
      const columns = work[w++] as number
      for (let i = 0; i < rows; i++) {
        const at = work[w++] as number
        const factor = (values[at] as number) * over
        values[at] = factor
        for (let j = 0; j < columns; j++) {
          const target = work[w++] as number
          values[target] = (values[target] as number) - factor * (values[work[w++] as number] as number)
        }
      }
    }
    return true
  }

  /** Solves for `b`, in its place. */
  solve(b: Float64Array): void {
    const { values, inverse } = this
    const { below, right, order } = this.plan
    let w = 0
    for (let n = 0; n < order.length; n++) {
      const known = b[order[n] as number] as number
      for (let rows = below[w++] as number; rows > 0; rows--) {
        const i = below[w++] as number
        b[i] = (b[i] as number) - (values[below[w++] as number] as number) * known
      }
    }
    w = 0
    for (let n = order.length - 1; n >= 0; n--) {
      const k = order[n] as number
      let sum = b[k] as number
      for (let columns = right[w++] as number; columns > 0; columns--) {
        const j = right[w++] as number
        sum -= (values[right[w++] as number] as number) * (b[j] as number)
      }
      b[k] = sum * (inverse[k] as number)
    }
  }
}

/**
 * What factoring and solving do, as lists of places: of the values kept (`count` of them), of the matrix they are
 * `taken` from, and of the unknowns.
 */
type Plan = {
  count: number
  /** pairs: a place of the matrix, row-major, and the value it goes to */
  taken: Int32Array
  /** the value of each state's own entry */
  diagonal: Int32Array
  /** which state is the pivot when */
  order: Int32Array
  /** for each pivot: how many rows and columns follow; for each row its value, then pairs of target and factor */
  work: Int32Array
  /** for each pivot, and for each of them backwards: how many, then pairs of unknown and value */
  below: Int32Array
  right: Int32Array
}

/** Plans of the networks seen last: the explanations of one pull are alike. */
const plans = new Map<string, Plan>()
const MOST_PLANS = 64

function planFor(size: number, filled: Uint8Array): Plan {
  const key = filled.join('')
  const found = plans.get(key)
  if (found) return found
  if (plans.size >= MOST_PLANS) plans.clear()
  const plan = made(size, filled)
  plans.set(key, plan)
  return plan
}

function made(size: number, filled: Uint8Array): Plan {
  const { order, full } = eliminated(size, filled)
  const at = new Int32Array(size * size).fill(-1)
  let count = 0
  for (let i = 0; i < size * size; i++) if (full[i]) at[i] = count++
  const place = (row: number, column: number): number => at[row * size + column] as number
  const [taken, work, below, right]: [number[], number[], number[], number[]] = [[], [], [], []]
  for (const [i, to] of at.entries()) if (to >= 0) taken.push(i, to)
  for (const [n, k] of order.entries()) {
    const later = order.slice(n + 1)
    const rows = later.filter((i) => place(i, k) >= 0)
    const columns = later.filter((j) => place(k, j) >= 0)
    work.push(rows.length, columns.length)
    for (const i of rows) work.push(place(i, k), ...columns.flatMap((j) => [place(i, j), place(k, j)]))
    below.push(rows.length, ...rows.flatMap((i) => [i, place(i, k)]))
  }
  for (const [n, k] of [...order.entries()].reverse()) {
    const columns = order.slice(n + 1).filter((j) => place(k, j) >= 0)
    right.push(columns.length, ...columns.flatMap((j) => [j, place(k, j)]))
  }
  return {
    count,
    taken: Int32Array.from(taken),
    diagonal: Int32Array.from({ length: size }, (_, k) => place(k, k)),
    order: Int32Array.from(order),
    work: Int32Array.from(work),
    below: Int32Array.from(below),
    right: Int32Array.from(right),
  }
}

/** The order that fills in least, step by step, and the pattern with what fills in. */
function eliminated(size: number, filled: Uint8Array): { order: number[]; full: Uint8Array } {
  const full = Uint8Array.from({ length: size * size }, (_, i) => (filled[i] || i % (size + 1) === 0 ? 1 : 0))
  const left = new Set(Array.from({ length: size }, (_, k) => k))
  const order: number[] = []
  const is = (row: number, column: number) => full[row * size + column] === 1
  while (left.size > 0) {
    const all = [...left]
    const cost = (k: number): number => {
      const others = all.filter((i) => i !== k)
      return others.filter((i) => is(i, k)).length * others.filter((j) => is(k, j)).length
    }
    const best = all.reduce((found, k) => (cost(k) < cost(found) ? k : found))
    left.delete(best)
    order.push(best)
    for (const i of left) if (is(i, best)) for (const j of left) if (is(best, j)) full[i * size + j] = 1
  }
  return { order, full }
}
