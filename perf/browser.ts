import { type BrowserContext, chromium, type Page } from '@playwright/test'
import { requireChromium } from '@/ops/packages'
import { atMost, type Measure, percentile } from './measure'
import { line, openGauges, post, type RunningShop } from './running-shop'

const JOBS = 20
const SECONDS = 30
const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** What a person waits for: a reading to show, the board and a long job to appear. */
export async function measureBrowser(shop: RunningShop): Promise<Measure[]> {
  const browser = await chromium.launch({ executablePath: requireChromium(), args: FLAGS })
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const [name = '', value = ''] = shop.cookie.split(/=(.*)/s)
    await context.addCookies([{ name, value, url: shop.address }])
    const page = await context.newPage()
    const live = await measureLive(shop, page)
    await page.close()
    return [live, ...(await measureBoard(shop, context)), ...(await measureLongJob(shop, context))]
  } finally {
    await browser.close()
  }
}

/** Post to paint: 20 jobs at 1 Hz each, one of them open in a browser. */
async function measureLive(shop: RunningShop, page: Page): Promise<Measure> {
  const gauges = await openGauges(shop.db, JOBS, 'live')
  const watched = gauges[0] as (typeof gauges)[number]
  await advanceToPull(shop, watched.jobId)
  await page.goto(`${shop.address}/job/${watched.jobId}`)
  await post(shop.address, watched, [line(watched, 0, new Date(), 9000)])
  await page.getByTestId('vacuum').waitFor()
  await page.evaluate(() => {
    const seen: Record<string, number> = {}
    Object.assign(window, { seen })
    const look = () => {
      const text = document.querySelector('[data-testid="vacuum"]')?.textContent?.replace(/,/g, '') ?? ''
      seen[text] ??= performance.timeOrigin + performance.now()
    }
    new MutationObserver(look).observe(document.body, { subtree: true, childList: true, characterData: true })
  })
  const posted: Record<string, number> = {}
  for (let s = 1; s <= SECONDS; s++) {
    const began = Date.now()
    await Promise.all(
      gauges.map(async (gauge, i) => {
        // spread over the second as twenty real gauges would be
        await new Promise((done) => setTimeout(done, i * 40))
        if (gauge === watched) posted[String(8000 - s)] = performance.timeOrigin + performance.now()
        await post(shop.address, gauge, [line(gauge, s, new Date(), 8000 - s)])
      }),
    )
    await new Promise((done) => setTimeout(done, Math.max(0, 1000 - (Date.now() - began))))
  }
  const seen = await page.evaluate(() => (window as unknown as { seen: Record<string, number> }).seen)
  const delays = Object.entries(posted).map(([text, at]) => (seen[text] ?? Number.POSITIVE_INFINITY) - at)
  return atMost('a posted reading shows in an open browser, p95, 20 jobs at 1 Hz', percentile(delays, 0.95), 'ms', 300)
}

async function advanceToPull(shop: RunningShop, jobId: string): Promise<void> {
  const events = ['zero', 'fix', 'rig'].map((step) => ({
    id: crypto.randomUUID(),
    kind: 'step-finished',
    payload: { step },
  }))
  const answer = await fetch(`${shop.address}/api/jobs/${jobId}/events`, {
    method: 'POST',
    headers: { cookie: shop.cookie, 'content-type': 'application/json' },
    body: JSON.stringify({ events }),
  })
  if (!answer.ok) throw new Error(`events: ${answer.status} ${await answer.text()}`)
}

/** From asking for a page to its being painted with what it is opened for, and to its answering a question, ms. */
type FirstView = { paintedMs: number; answersMs: number }

/** Notes when what is looked for was painted: the frame after the one in which it stood in the page. */
function notePaint(ready: string): void {
  const look = new MutationObserver(() => {
    if (!document.querySelector(ready)) return
    look.disconnect()
    requestAnimationFrame(() => {
      const painted = new MessageChannel()
      painted.port1.onmessage = () => {
        performance.mark('painted')
      }
      painted.port2.postMessage(null)
    })
  })
  look.observe(document, { subtree: true, childList: true })
}

/**
 * Once to warm the server, then the middle of three cold loads of the page.
 * @param lines - as many must stand in it in the end, or this fails: what comes first is not all of it
 */
async function firstView(context: BrowserContext, url: string, ready: string, lines = 1): Promise<FirstView> {
  const page = await context.newPage()
  await page.addInitScript(notePaint, ready)
  const views: FirstView[] = []
  for (let i = 0; i < 4; i++) {
    await page.goto('about:blank')
    const began = performance.now()
    const asked = performance.timeOrigin + began
    await page.goto(url, { waitUntil: 'commit' })
    await page.locator(ready).last().waitFor()
    const answersMs = performance.now() - began
    await page
      .locator(ready)
      .nth(lines - 1)
      .waitFor({ state: 'attached' })
    await page.waitForFunction(() => performance.getEntriesByName('painted').length > 0)
    const painted = await page.evaluate(
      () => performance.timeOrigin + (performance.getEntriesByName('painted')[0]?.startTime ?? Number.NaN),
    )
    views.push({ paintedMs: painted - asked, answersMs })
  }
  await page.close()
  const middle = (of: (v: FirstView) => number) => percentile(views.slice(1).map(of), 0.5)
  return { paintedMs: middle((v) => v.paintedMs), answersMs: middle((v) => v.answersMs) }
}

/** What is painted has the limit; scripts that start after it hold up a hand, not an eye, and have our own. */
const measuresOf = (what: string, { paintedMs, answersMs }: FirstView): Measure[] => [
  atMost(`first view of ${what}, median of 3`, paintedMs, 'ms', 500),
  atMost('the same, until it answers a hand', answersMs, 'ms', 800),
]

async function measureBoard(shop: RunningShop, context: BrowserContext): Promise<Measure[]> {
  await openGauges(shop.db, 200, 'board')
  const cars = await shop.db.query('select 1 from job where signed_at is null')
  const view = await firstView(context, `${shop.address}/board`, 'li a[href^="/job/"]', cars.rowCount ?? 0)
  return measuresOf(`the board with ${cars.rowCount} cars`, view)
}

async function measureLongJob(shop: RunningShop, context: BrowserContext): Promise<Measure[]> {
  const [gauge] = await openGauges(shop.db, 1, 'long')
  if (!gauge) throw new Error('no job')
  await advanceToPull(shop, gauge.jobId)
  await shop.db.query(
    `insert into reading (job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id, device_seq)
     select $1::uuid, n, now() - interval '24 hours' + n * interval '1 second', 'vacuum', 60 + random(), 450, 'micron', $2, n from generate_series(1, 86400) n`,
    [gauge.jobId, gauge.instrument],
  )
  await shop.db.query(
    `update job set reading_seq = 86400, readings_from = now() - interval '24 hours', readings_to = now() where id = $1`,
    [gauge.jobId],
  )
  // what came over a day has long been counted by the database; what was put in at one stroke has not
  await shop.db.query('vacuum analyze reading')
  await post(shop.address, gauge, [line(gauge, 90_000, new Date(), 450)])
  const view = await firstView(context, `${shop.address}/job/${gauge.jobId}`, '[data-testid="vacuum"]')
  return measuresOf('a job with 86,400 readings', view)
}
