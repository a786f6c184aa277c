'use client'

import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { W } from '@/core/language/screen/frame-open-bar'

/** The bar for whoever is not signed in: what is open to anybody, and the way in. */
export function OpenBar() {
  const path = usePathname()
  const pages = [
    { href: '/sums', name: W.sums },
    { href: '/check', name: W.checkARecord },
    { href: '/sign-in', name: W.signIn },
  ]
  return (
    <header className="no-print flex h-11 items-center gap-6 border-b border-rule px-5 max-sm:gap-4 max-sm:px-4">
      <b className="text-head font-semibold max-sm:hidden">Yperos</b>
      <nav aria-label={W.openToAnybody} className="flex h-full gap-5 text-body">
        {pages.map(({ href, name }) => (
          <Link
            key={href}
            href={href}
            aria-current={path.startsWith(href) ? 'page' : undefined}
            className={`flex h-full items-center ${path.startsWith(href) ? 'font-semibold' : 'text-ink-2'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
    </header>
  )
}
