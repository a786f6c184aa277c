import { seededRandom as seeded } from '../units/seeded'
import { compareCost, type Day, type DayCost, type DayPlan, lateOf, type Minutes } from './day'
import { costOf, type Ground, groundOf } from './layout'

/**
 * Layouts a search may make, by the number of blocks of the day: bounded by steps, so that the same day gives the
 * same plan.
 */
const LAYOUTS_MOST = 80_000
const BLOCKS_TIMES_LAYOUTS = 1_900_000
/** Plans kept for choosing the one that stands the long tail best. */
const POOL_MOST = 60
/** A plan counts as equal in its ends within this share of the best. */
export const SAME_ENDS = 0.02

/** What a search found: the best plan, and others as good but for the uncertain length of waits, best first. */
export type Found = { ground: Ground; best: Candidate; pool: readonly Candidate[] }
export type Candidate = { order: readonly number[]; cost: DayCost }

const BROKEN_WEIGHS = 1e4

/**
 * One walk of a search: its share of the layouts, how hot it begins, and what a minute late weighs against the ends
 * on it.
 */
type Walk = { share: number; hot: number; late: number; from: 'list' | 'best' }
/**
 * Walks that weigh lateness otherwise, and begin hotter, get stuck in other places: with all of them cool one day of
 * three cars came out 109 minutes late where 76 can be had. The last two mend the best that was met.
 */
const WALKS: readonly Walk[] = [
  { share: 0.15, hot: 0.1, late: 4, from: 'list' },
  { share: 0.15, hot: 0.04, late: 8, from: 'list' },
  { share: 0.15, hot: 0.02, late: 25, from: 'list' },
  { share: 0.15, hot: 0.1, late: 2, from: 'list' },
  { share: 0.2, hot: 0.02, late: 12, from: 'best' },
  { share: 0.2, hot: 0.004, late: 30, from: 'best' },
]

/** How far a search goes: its share of the layouts, 1 for all of them, and lists to begin from besides the rules'. */
export type Effort = { share: number; from: readonly (readonly number[])[] }
export const WHOLE: Effort = { share: 1, from: [] }

/**
 * Searches for the best plan of a day: by several list rules first, then by moving one piece of the list after another
 * and keeping what is better, or little worse while it is early (simulated annealing, seeded).
 */
export function searchDay(day: Day, effort = WHOLE): Found {
  const ground = groundOf(day)
  const lists = [...effort.from, ...listRules(ground)]
  const candidates = lists.map((order) => ({ order, cost: costOf(ground, order) }))
  const pool = new Pool()
  for (const c of candidates) pool.offer(c)
  const blocks = ground.turns.reduce((n, t) => n + t, 0)
  const most = Math.min(LAYOUTS_MOST, Math.ceil(BLOCKS_TIMES_LAYOUTS / Math.max(1, blocks)))
  const layouts = blocks > 1 ? Math.ceil(most * effort.share) : 0
  const random = seeded(1 + blocks)
  const starts = [...candidates].sort((a, b) => compareCost(a.cost, b.cost))
  for (const [i, walk] of WALKS.entries()) {
    const start = walk.from === 'best' ? pool.best : (starts[i % starts.length] as Candidate)
    wander(ground, start, walk, Math.floor(layouts * walk.share), random, pool)
  }
  return { ground, best: pool.best, pool: pool.asGood() }
}

/** One walk from a plan, cooling as it goes. */
function wander(
  ground: Ground,
  start: Candidate,
  { hot, late }: Walk,
  layouts: number,
  random: () => number,
  pool: Pool,
): void {
  const worth = (cost: DayCost) => BROKEN_WEIGHS * cost.broken + late * cost.late + cost.ends
  let now = start
  const begins = Math.max(4, start.cost.ends * hot)
  for (let i = 0; i < layouts; i++) {
    const heat = begins * (1 - i / layouts) ** 2 + 0.01
    const order = moved(now.order, random)
    const next = { order, cost: costOf(ground, order) }
    pool.offer(next)
    const worse = worth(next.cost) - worth(now.cost)
    if (worse <= 0 || random() < Math.exp(-worse / heat)) now = next
  }
}

/** The list with one piece elsewhere, two cars' pieces exchanged, or all of one car's drawn together forward. */
function moved(order: readonly number[], random: () => number): number[] {
  const next = [...order]
  const pick = () => Math.floor(random() * next.length)
  const way = random()
  if (way < 0.6) {
    const [piece] = next.splice(pick(), 1)
    next.splice(Math.floor(random() * (next.length + 1)), 0, piece as number)
  } else if (way < 0.8) {
    const [i, j] = [pick(), pick()]
    ;[next[i], next[j]] = [next[j] as number, next[i] as number]
  } else if (way < 0.9) {
    const [a, b] = [next[pick()], next[pick()]]
    return exchanged(next, a as number, b as number)
  } else {
    const car = next[pick()] as number
    const own = next.filter((c) => c === car)
    const others = next.filter((c) => c !== car)
    others.splice(Math.floor(random() * (others.length + 1)), 0, ...own)
    return others
  }
  return next
}

/** The list with the places of two cars exchanged; each keeps as many as it has blocks. */
function exchanged(order: readonly number[], a: number, b: number): number[] {
  let left = order.filter((car) => car === a).length
  let right = order.filter((car) => car === b).length
  return order.map((car) => {
    if (car !== a && car !== b) return car
    // where one was the other comes, as long as it has any left
    const takesA = car === b ? left > 0 : right === 0
    if (takesA) left--
    else right--
    return takesA ? a : b
  })
}

/** Lists a shop would make by a rule: first come, most urgent, shortest, longest, and what each leaves between. */
export function listRules(ground: Ground): number[][] {
  const { cars } = ground.day
  const length = (i: number): Minutes => cars[i]?.steps.reduce((s, step) => s + (step.hands ?? step.wait ?? 0), 0) ?? 0
  const slack = (i: number): Minutes => (cars[i]?.promised ?? 1e6) - Math.max(0, cars[i]?.arrives ?? 0) - length(i)
  const rules: ((i: number) => number)[] = [
    (i) => cars[i]?.arrives ?? 0,
    (i) => cars[i]?.promised ?? 1e6,
    slack,
    length,
    (i) => -length(i),
    (i) => Math.max(0, cars[i]?.arrives ?? 0) + length(i),
  ]
  return rules.flatMap((rule) => {
    const sorted = cars.map((_, i) => i).sort((a, b) => rule(a) - rule(b) || a - b)
    const whole = sorted.flatMap((i) => Array<number>(ground.turns[i] ?? 0).fill(i))
    // one block of each in turn, as hands go round while cars wait by themselves
    const most = Math.max(0, ...ground.turns)
    const round = Array.from({ length: most }, (_, k) => sorted.filter((i) => k < (ground.turns[i] ?? 0))).flat()
    return [whole, round]
  })
}

/** The best plans met, each once by what it costs and how it runs. */
class Pool {
  private kept: Candidate[] = []

  get best(): Candidate {
    return this.kept[0] as Candidate
  }

  offer(candidate: Candidate): void {
    const { cost } = candidate
    const worst = this.kept.at(-1)
    if (this.kept.length >= POOL_MOST && worst && compareCost(cost, worst.cost) >= 0) return
    if (this.kept.some((c) => compareCost(c.cost, cost) === 0)) return
    const at = this.kept.findIndex((c) => compareCost(cost, c.cost) < 0)
    this.kept.splice(at < 0 ? this.kept.length : at, 0, candidate)
    if (this.kept.length > POOL_MOST) this.kept.pop()
  }

  /** Those as late as the best whose ends are within two of a hundred of its. */
  asGood(): Candidate[] {
    const { broken, late, ends } = this.best.cost
    return this.kept.filter(
      ({ cost }) => cost.broken <= broken + 1e-6 && cost.late <= late + 1e-6 && cost.ends <= ends * (1 + SAME_ENDS),
    )
  }
}

/** Minutes every car is late, by its id. */
export const lateBy = (day: Day, plan: DayPlan): Record<string, Minutes> =>
  Object.fromEntries(day.cars.map((car) => [car.id, lateOf(car, plan.ends.get(car.id) ?? 0)]))
