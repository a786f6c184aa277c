'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { ShopPlan } from '@/core/day/plan-shop'
import { priceOf } from '@/core/day/price'
import type { Pin } from '@/core/day/shop-day'
import type { DayWorker } from '@/workers/day-worker'
import { inWorker } from '../hooks/in-worker'

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
  const end = useRef<(() => void) | null>(null)
  const asked = useRef('')
  const wait = useRef<ReturnType<typeof setTimeout>>(undefined)
  const stop = useCallback(() => {
    end.current?.()
    end.current = null
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
        const worker = new Worker(new URL('../../workers/day-worker.ts', import.meta.url), { type: 'module' })
        end.current = inWorker<DayWorker>(worker, async (far) => {
          const plan = await far.planWith(before.shop, pin, before.order)
          setPrice({ pin, plan, changes: priceOf(before, plan) })
          setBusy(false)
        })
      }, REST_MS)
    },
    [before, stop],
  )
  return { price, ask, busy }
}
