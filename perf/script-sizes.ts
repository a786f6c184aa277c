import { gzipSync } from 'node:zlib'
import { atMost, type Measure } from './measure'
import type { RunningShop } from './running-shop'
import BUDGET from './script-budget.json' with { type: 'json' }

/**
 * A view may grow by so much before somebody has to look why. The budget is what was looked at last: after the bay,
 * the day, the
 * book and what works without a line, and after the alarm bar had stopped bringing a car's call to every page (50 KiB
 * each).
 */
const GROWTH = 1.2

/** The ten views, and how to find one of each in the demo shop. */
async function viewsOf(shop: RunningShop): Promise<Record<keyof typeof BUDGET, string>> {
  const id = async (sql: string) => (await shop.db.query<{ id: string }>(sql)).rows[0]?.id
  const open = await id('select id from job where signed_at is null order by id limit 1')
  const signed = await id('select id from job where signed_at is not null order by id limit 1')
  const thing = await id('select id from equipment order by id limit 1')
  return {
    'sign-in': '/sign-in',
    board: '/board',
    'new car': '/job/new',
    job: `/job/${open}`,
    record: `/job/${signed}/record`,
    'rig room': '/rig-room',
    'a thing of the rig room': `/rig-room/${thing}`,
    judge: '/judge',
    ledger: '/ledger',
    shop: '/shop',
  }
}

/** JavaScript each view asks for before it can be used, KiB as sent (gzip), against its budget. */
export async function measureScripts(shop: RunningShop): Promise<Measure[]> {
  const sizes = new Map<string, number>()
  const sizeOf = async (path: string): Promise<number> => {
    const known = sizes.get(path)
    if (known !== undefined) return known
    const script = await fetch(`${shop.address}${path}`)
    if (!script.ok) throw new Error(`${path}: ${script.status}`)
    const kib = gzipSync(Buffer.from(await script.arrayBuffer())).byteLength / 1024
    sizes.set(path, kib)
    return kib
  }
  const measures: Measure[] = []
  for (const [view, path] of Object.entries(await viewsOf(shop))) {
    const page = await fetch(`${shop.address}${path}`, { headers: view === 'sign-in' ? {} : { cookie: shop.cookie } })
    if (!page.ok) throw new Error(`${view}, ${path}: ${page.status}`)
    const html = await page.text()
    const scripts = new Set([...html.matchAll(/(?:src|href)="(\/_next\/[^"]+\.js[^"]*)"/g)].map((m) => m[1] as string))
    if (scripts.size === 0) throw new Error(`${view}, ${path}: no script found in the page`)
    let total = 0
    for (const script of scripts) total += await sizeOf(script)
    const budget = BUDGET[view as keyof typeof BUDGET]
    measures.push(atMost(`JavaScript of ${view}, compressed`, total, 'KiB', Math.round(budget * GROWTH)))
  }
  return measures
}
