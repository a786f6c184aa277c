import type { ShopPlan } from '@/core/day/plan-shop'
import { personName, priceWords } from '@/core/words/shop-plan-words'
import type { Piece } from './lanes-of'
import type { Price } from './use-day-price'

/** What it costs to let go here, said before it is let go. */
export function PriceSaid({
  piece,
  plan,
  price,
  busy,
  clock,
}: {
  piece: Piece
  plan: ShopPlan
  price: Price | null
  busy: boolean
  clock: (ms: number) => string
}) {
  const row = price?.plan.rows.find((r) => r.car === price.pin.car && r.step === price.pin.step && r.person !== null)
  const fromMs = price && row ? price.plan.madeMs + row.from * 60_000 : null
  const put = price
    ? `${personName(plan, row?.person ?? price.pin.person ?? '')} at ${clock(fromMs ?? price.pin.fromMs)}${price.pin.rig ? ` with ${price.pin.rig}` : ''} instead of ${clock(piece.fromMs)}`
    : `${piece.name}, ${piece.step}`
  const later = price && fromMs !== null && fromMs - price.pin.fromMs > 120_000
  return (
    <div
      role="status"
      className="pointer-events-none fixed right-5 bottom-5 z-30 w-[360px] rounded border-[1.5px] border-ink bg-sheet p-3 text-body"
      data-price={busy ? 'asked' : price ? 'told' : 'none'}
    >
      <p className="text-lead font-semibold">{put}</p>
      {later && <p>It cannot be there before {clock(fromMs)}.</p>}
      <p>
        {price && !busy
          ? priceWords(plan, price.changes)
          : busy
            ? 'Working out what it costs.'
            : 'It stands where it stood.'}
      </p>
      <p className="mt-1">
        Let go to keep it; <span className="key">Esc</span> puts it back.
      </p>
    </div>
  )
}
