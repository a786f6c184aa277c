import { expose } from 'comlink'
import { planShop, SEARCH, withPin } from '@/core/day/plan-shop'
import type { Pin, ShopDay } from '@/core/day/shop-day'

/** Plans the day with one piece put elsewhere, off the page's thread. */
const day = {
  planWith: (shop: ShopDay, pin: Pin, before: readonly string[]) => planShop(withPin(shop, pin), before, SEARCH.price),
}
export type DayWorker = typeof day
expose(day)
