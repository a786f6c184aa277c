'use client'

import { useEffect, useState } from 'react'
import { W } from '@/core/language/screen/offline'
import { PAGES } from './asked'

type KeptPage = { path: string; title: string; atMs: number }

/** What was kept of a page: its address, what it calls itself, and when. */
async function keptPage(cache: Cache, request: Request): Promise<KeptPage | null> {
  const answer = await cache.match(request)
  if (!answer) return null
  const text = await answer.text()
  const path = new URL(request.url).pathname
  const atMs = Number(/data-kept-at="(\d+)"/.exec(text)?.[1] ?? 0)
  return { path, title: NAMES[path] ?? nameOf(text) ?? path, atMs }
}

const NAMES: Record<string, string> = {
  '/board': W.theBoard,
  '/ledger': W.ledger,
  '/rig-room': W.rigRoom,
  '/judge': W.judge,
  '/job/new': W.newCar,
}
/** A car's page names its car in its log. */
const nameOf = (html: string): string | null => /\\"car\\":\{\\"name\\":\\"([^\\"]+)/.exec(html)?.[1] ?? null

/** Pages that were kept on this device, for whoever came to an address that was not. */
export function KeptPages() {
  const [pages, setPages] = useState<readonly KeptPage[] | null>(null)
  useEffect(() => {
    void (async () => {
      if (typeof caches === 'undefined') return setPages([])
      const cache = await caches.open(PAGES)
      const found = await Promise.all((await cache.keys()).map((request) => keptPage(cache, request)))
      setPages(found.flatMap((p) => p ?? []).sort((a, b) => order(a) - order(b) || a.title.localeCompare(b.title)))
    })().catch(() => setPages([]))
  }, [])
  const time = (ms: number) => new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return (
    <main className="mx-auto max-w-[640px] px-5 py-8 max-sm:px-4">
      <h1 className="text-call font-semibold leading-tight">{W.noLineHere}</h1>
      <p className="mt-2 mb-5 text-lead">{W.thisPageWasNotOpened}</p>
      <button type="button" className="plain-button mb-6" onClick={() => window.location.reload()}>
        {W.tryAgain}
      </button>
      <ul aria-label={W.keptOnThisDevice} className="border-t-2 border-ink">
        {(pages ?? []).map((p) => (
          <li key={p.path} className="border-b border-rule">
            <a href={p.path} className="flex min-h-11 items-center gap-3 text-row">
              <b className="font-semibold">{p.title}</b>
              <span className="ml-auto text-note text-ink-2">{W.asAt2(time(p.atMs))}</span>
            </a>
          </li>
        ))}
      </ul>
      {pages?.length === 0 && <p className="text-body">{W.nothingIsKeptHereYet}</p>}
    </main>
  )
}

/** The board first, then the cars. */
const order = ({ path }: KeptPage): number => (path === '/board' ? 0 : path.startsWith('/job/') ? 1 : 2)
