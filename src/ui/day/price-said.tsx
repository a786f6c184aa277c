import type { ShopPlan } from '@/core/day/plan-shop'
import { W } from '@/core/language/screen/day'
import { MINUTE_MS } from '@/core/units/constants'
import { personName, priceWords } from '@/core/words/shop-plan-words'
import { slot, Worded } from '../worded'
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
  const fromMs = price && row ? price.plan.madeMs + row.from * MINUTE_MS : null
  const put = price
    ? W.atInsteadOf(
        personName(plan, row?.person ?? price.pin.person ?? ''),
        clock(fromMs ?? price.pin.fromMs),
        price.pin.rig ? W.with2(price.pin.rig) : '',
        clock(piece.fromMs),
      )
    : `${piece.name}, ${piece.step}`
  const later = price && fromMs !== null && fromMs - price.pin.fromMs > 120_000
  return (
    <div
      role="status"
      className={
        'pointer-events-none fixed right-5 bottom-5 z-30 w-[360px] rounded border-[1.5px] border-ink bg-sheet p-3 ' +
        'text-body'
      }
      data-price={busy ? 'asked' : price ? 'told' : 'none'}
    >
      <p className="text-lead font-semibold">{put}</p>
      {later && <p>{W.itCannotBeThere(clock(fromMs))}</p>}
      <p>
        {price && !busy ? priceWords(plan, price.changes) : busy ? W.workingOutWhatItCosts : W.itStandsWhereItStood}
      </p>
      <p className="mt-1">
        <Worded words={W.letGoToKeepIt(slot('escape'))} escape={<span className="key">Esc</span>} />
      </p>
    </div>
  )
}
