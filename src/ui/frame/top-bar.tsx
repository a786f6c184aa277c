'use client'

import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { W } from '@/core/language/screen/frame-top-bar'
import { PA_PER_INHG } from '@/core/units/constants'
import { shownTemperature } from '@/core/units/shown'
import { paText } from '../format'
import { useWallNow } from '../hooks/use-now'
import { useClock, useUnits } from '../units'
import { Strong, slot, Worded } from '../worded'
import { AccountMenu } from './account-menu'
import { BENCH, BOOK, inSection } from './sections'
import type { ShopView, UserView } from './who'

/** The bar on every page: places, where we are and what the air is here, the time, who works. */
export function TopBar({ shop, user, serverNowMs }: { shop: ShopView; user: UserView; serverNowMs: number }) {
  const path = usePathname()
  const now = useWallNow(serverNowMs)
  const clock = useClock(shop.timeZone)
  const warm = shownTemperature(shop.ambientC, useUnits().temperature, 0)
  const places = [
    { href: '/board', name: W.board, here: path === '/board' },
    { href: '/job/new', name: W.newCar, here: path === '/job/new' },
    ...[BOOK, BENCH].map((s) => ({ href: s.pages[0]?.href ?? '', name: s.name, here: inSection(s, path) })),
    ...(user.role === 'lead' ? [{ href: '/shop', name: W.shop, here: path === '/shop' }] : []),
  ]
  return (
    <header className="no-print flex h-11 items-center gap-5 border-b border-rule px-5 max-sm:gap-3 max-sm:px-4">
      <Link href="/board" className="flex items-center gap-2 text-head font-semibold max-sm:hidden">
        <svg width="22" height="22" viewBox="0 0 24 24" aria-hidden="true">
          <path d="M1 3h22M4 8h6M14 8h6M12 3v17M7 15l5 6 5-6" fill="none" stroke="currentColor" strokeWidth="2.6" />
        </svg>
        <span className="max-sm:sr-only">Yperos</span>
      </Link>
      <nav
        aria-label={W.places}
        className={
          'flex h-full gap-5 whitespace-nowrap pl-8 text-body max-sm:min-w-0 max-sm:flex-1 max-sm:gap-2.5 ' +
          'max-sm:overflow-x-auto max-sm:pl-0 max-sm:text-note'
        }
      >
        {places.map(({ href, name, here }) => (
          <Link
            key={href}
            href={href}
            aria-current={here ? 'page' : undefined}
            className={
              `flex h-full items-center border-b-4 pt-1 ` +
              `${here ? 'border-ink font-semibold' : 'border-transparent text-ink-2'}`
            }
          >
            {name}
          </Link>
        ))}
      </nav>
      <p className="ml-auto flex gap-5 text-note text-ink-2 max-lg:hidden">
        <span>
          <Worded
            words={
              shop.altitudeM === null ? slot('shop') : W.altitude(slot('shop'), shop.altitudeM.toLocaleString('en'))
            }
            shop={<Strong className="text-ink">{shop.name}</Strong>}
          />
        </span>
        <span>
          <Worded
            words={W.airHere(slot('air'), (shop.barometerPa / PA_PER_INHG).toFixed(1))}
            air={<Strong className="text-ink">{paText(shop.barometerPa)}</Strong>}
          />
        </span>
        <span>
          <Worded
            words={W.hall(slot('warm'))}
            warm={
              <Strong className="text-ink">
                {warm.text} {warm.unit}
              </Strong>
            }
          />
        </span>
      </p>
      <div className="flex items-center gap-4 max-lg:ml-auto">
        <time className="text-head font-semibold max-sm:hidden" suppressHydrationWarning>
          {clock(now)}
        </time>
        <AccountMenu user={user} />
      </div>
    </header>
  )
}
