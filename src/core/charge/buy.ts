import * as z from 'zod'
import { text } from '../entry/text'
import type { Refrigerant } from '../fluids/refrigerants'
import { W } from '../language/charge/buy'
import { heelG } from './plan'

/** A size on sale at this shop: what is in a full one, g, and what it costs here, in the shop's own money. */
export const OnSale = z.strictObject({
  name: text(60),
  kind: z.enum(['can', 'cylinder']),
  netG: z.number().min(50, W.from50G).max(50_000, W.upTo50Kg),
  price: z.number().min(0).max(100_000),
})
export type OnSale = z.infer<typeof OnSale>
/** Sizes a shop keeps at most. */
export const MOST_SIZES = 12

/** What people can buy nearly everywhere, where the shop has no list of its own (assumed; no prices). */
export const USUAL_SIZES: readonly OnSale[] = [
  { name: W.canOf340G, kind: 'can', netG: 340, price: 0 },
  { name: W.canOf250G, kind: 'can', netG: 250, price: 0 },
]

/** What to buy: how many of each size, what it costs together, and how much stays over, g. */
export type Buy = { pieces: { size: OnSale; count: number }[]; cost: number; leftG: number }

/** Cans one charge is made of at most; a second cylinder never helps. */
const MOST_CANS = 6

/**
 * The cheapest set of full containers that brings `needG` into the car, with purges, heels and hose counted; of two
 * that cost the same the one that leaves less over. Null where none does.
 * @param purgeEachG - what each container loses when its line is purged, g
 * @param hoseG - what stays in the hose, g
 */
export function cheapest(
  needG: number,
  sizes: readonly OnSale[],
  given: { refrigerant: Refrigerant; ambientC: number; purgeEachG: number; hoseG: number },
): Buy | null {
  const gives = (size: OnSale) =>
    size.netG -
    given.purgeEachG -
    heelG({ id: '', kind: size.kind, grossG: size.netG, netG: size.netG, tareG: 0 }, given.refrigerant, given.ambientC)
  const wanted = needG + given.hoseG
  const priced = sizes.some((s) => s.price > 0)
  let best: Buy | null = null
  const worth = (buy: Buy) => (priced ? buy.cost : buy.pieces.reduce((n, p) => n + p.count * (p.size.netG + 1), 0))
  const better = (buy: Buy) =>
    best === null || worth(buy) < worth(best) || (worth(buy) === worth(best) && buy.leftG < best.leftG)
  const add = (from: number, pieces: Buy['pieces'], haveG: number, cost: number, cans: number): void => {
    if (haveG >= wanted) {
      const buy = { pieces, cost, leftG: haveG - wanted }
      if (better(buy)) best = buy
      return
    }
    for (let i = from; i < sizes.length; i++) {
      const size = sizes[i] as OnSale
      if (size.kind === 'can' && cans >= MOST_CANS) continue
      if (size.kind === 'cylinder' && pieces.some((p) => p.size === size)) continue
      const had = pieces.find((p) => p.size === size)
      const next = had
        ? pieces.map((p) => (p.size === size ? { ...p, count: p.count + 1 } : p))
        : [...pieces, { size, count: 1 }]
      add(i, next, haveG + gives(size), cost + size.price, cans + (size.kind === 'can' ? 1 : 0))
    }
  }
  add(0, [], 0, 0, 0)
  return best
}
