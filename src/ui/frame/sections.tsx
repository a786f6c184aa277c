'use client'

import Link from 'next/link'
import { usePathname } from 'next/navigation'
import { W } from '@/core/language/screen/frame-sections'
import type { UserView } from './who'

type Place = { href: string; name: string /** nothing for a trainee */; corrects?: true }
/** A place with more than one page; the first of them is where its name leads. */
type Section = { name: string; pages: readonly Place[] }

export const BOOK: Section = {
  name: W.book,
  pages: [
    { href: '/records', name: W.records },
    { href: '/cars', name: W.cars },
    { href: '/fleet', name: W.callIn },
    { href: '/ledger', name: W.ledger },
    { href: '/statement', name: W.statement },
    { href: '/people', name: W.people },
    { href: '/import', name: W.bringIn, corrects: true },
  ],
}

export const BENCH: Section = {
  name: W.bench,
  pages: [
    { href: '/rig-room', name: W.rigRoom },
    { href: '/judge', name: W.judgeAFile },
    { href: '/sums', name: W.sums },
    { href: '/check', name: W.checkARecord },
  ],
}

const within = (path: string, href: string) => path === href || path.startsWith(`${href}/`)
/** Whether a page lies in a section. */
export const inSection = ({ pages }: Section, path: string): boolean => pages.some((p) => within(path, p.href))

/** Pages of the section one is in, under the bar; nothing elsewhere. */
export function SectionPages({ user }: { user: Pick<UserView, 'role'> }) {
  const path = usePathname()
  const section = [BOOK, BENCH].find((s) => inSection(s, path))
  if (!section) return null
  const pages = section.pages.filter((p) => !p.corrects || user.role !== 'trainee')
  return (
    <nav
      aria-label={section.name}
      className={
        'no-print flex h-11 items-center gap-5 overflow-x-auto whitespace-nowrap border-b border-rule bg-sheet ' +
        'px-5 text-small max-sm:gap-4 max-sm:px-4'
      }
    >
      {pages.map(({ href, name }) => (
        <Link
          key={href}
          href={href}
          aria-current={within(path, href) ? 'page' : undefined}
          className={`flex h-full items-center ${within(path, href) ? 'font-semibold' : 'text-ink-2'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  )
}
