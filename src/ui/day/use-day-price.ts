'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { ShopPlan } from '@/core/day/plan-shop'
import { priceOf } from '@/core/day/price'
import type { Pin } from '@/core/day/shop-day'

/** What putting a piece somewhere costs, once it is worked out. */
export type Price = { pin: Pin; plan: ShopPlan; changes: ReturnType<typeof priceOf> }

/** A question waits for the hand to rest this long, ms. */
const REST_MS = 120

/** Plans the day in a worker with one piece put elsewhere, while it is moved about. */
export function useDayPrice(before: ShopPlan | null): {
  price: Price | null
  ask: (pin: Pin | null) => void
  busy: boolean
} {
  const [price, setPrice] = useState<Price | null>(null)
  const [busy, setBusy] = useState(false)
  const worker = useRef<Worker | null>(null)
  const number = useRef(0)
  const asked = useRef('')
  const wait = useRef<ReturnType<typeof setTimeout>>(undefined)
  const stop = useCallback(() => {
    worker.current?.terminate()
    worker.current = null
  }, [])
  useEffect(() => stop, [stop])
  const ask = useCallback(
    (pin: Pin | null) => {
      if (!pin || !before) {
        clearTimeout(wait.current)
        stop()
        asked.current = ''
        setPrice(null)
        setBusy(false)
        return
      }
      const key = JSON.stringify(pin)
      if (key === asked.current) return
      clearTimeout(wait.current)
      asked.current = key
      setBusy(true)
      wait.current = setTimeout(() => {
        // a question that is no longer asked is not answered first
        stop()
        const now = ++number.current
        const made = new Worker(new URL('../../workers/day-worker.ts', import.meta.url), { type: 'module' })
        worker.current = made
        made.onmessage = (message: MessageEvent<{ number: number; plan: ShopPlan }>) => {
          if (message.data.number !== number.current || asked.current !== key) return
          const { plan } = message.data
          setPrice({ pin, plan, changes: priceOf(before, plan) })
          setBusy(false)
          stop()
        }
        made.postMessage({ number: now, shop: before.shop, pin, before: before.order })
      }, REST_MS)
    },
    [before, stop],
  )
  return { price, ask, busy }
}
