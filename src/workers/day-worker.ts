import { planShop, SEARCH, withPin } from '@/core/day/plan-shop'
import type { Pin, ShopDay } from '@/core/day/shop-day'

/** Plans the day with one piece put elsewhere, off the page's thread: the last question asked is the one that counts. */
self.onmessage = (message: MessageEvent<{ number: number; shop: ShopDay; pin: Pin; before: string[] }>) => {
  const { number, shop, pin, before } = message.data
  self.postMessage({ number, plan: planShop(withPin(shop, pin), before, SEARCH.price) })
}
