import { randomUUID } from 'node:crypto'
import { expect, openCar, press, record, signIn, startPull, test, theCall } from '../shop'

const eventsOf = async (request: import('@playwright/test').APIRequestContext, jobId: string) =>
  (await (await request.get(`/api/jobs/${jobId}/events`)).json()).events as {
    kind: string
    payload: Record<string, unknown>
  }[]

test('what two hands press at once is done once; the later page says who did it, and moves on', async ({
  browser,
  baseURL,
}) => {
  const people = await Promise.all(
    (['teo', 'maira'] as const).map(async (who) => {
      const context = await browser.newContext({ ...(baseURL && { baseURL }) })
      await signIn(context.request, who)
      return context
    }),
  )
  const [teo, maira] = people
  if (!teo || !maira) throw new Error('two people')
  const jobId = await openCar(teo.request, { simulated: false })
  await startPull(teo.request, jobId)
  const pages = await Promise.all(people.map((c) => c.newPage()))
  for (const page of pages) {
    // a page that hears nothing while the other presses, as a phone behind a car does
    await page.route('**/live?*', (route) => route.abort())
    await page.goto(`/job/${jobId}`)
    await expect(theCall(page)).toContainText('Come back at')
  }
  for (const page of pages) await press(page, /Isolate now|Isolate/)
  // pressed in one breath: whichever came second is told who was first
  const told = async () => {
    const said = await Promise.all(pages.map((page) => theCall(page).textContent()))
    return said.filter((text) => /(Teo Brisal|Maira Qolque), \d+ s ago: .*nothing was recorded/s.test(text ?? ''))
      .length
  }
  await expect.poll(told).toBe(1)
  const kinds = (await eventsOf(teo.request, jobId))
    .filter((e) => e.kind === 'step-finished')
    .map((e) => e.payload.step)
  expect(kinds).toEqual(['zero', 'fix', 'rig', 'pull'])
  for (const context of people) await context.close()
})

test('@long a deed whose answer is lost is sent again by itself and recorded once', async ({ page, context }) => {
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await expect(theCall(page)).toContainText('Come back at')
  let lost = 0
  await page.route(`**/api/jobs/${jobId}/events`, async (route) => {
    if (lost > 0) return route.continue()
    lost += 1
    // it arrives and is recorded; only the answer is lost
    await route.fetch()
    await route.abort()
  })
  await press(page, /Isolate/)
  await expect(theCall(page)).not.toContainText('Come back at', { timeout: 10_000 })
  expect(lost).toBe(1)
  expect(
    (await eventsOf(context.request, jobId)).filter((e) => e.kind === 'step-finished' && e.payload.step === 'pull'),
  ).toHaveLength(1)
})

test('what was done without a line and contradicts is shown side by side, with one tap for which holds', async ({
  page,
  context,
}) => {
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await record(context.request, jobId, { kind: 'recovered', payload: { grams: 350 } })
  const late = {
    id: randomUUID(),
    kind: 'recovered',
    payload: { grams: 340 },
    seen: 1,
    waited: true,
    happenedAt: new Date().toISOString(),
  }
  expect((await context.request.post(`/api/jobs/${jobId}/events`, { data: { events: [late] } })).status()).toBe(201)
  await page.goto(`/job/${jobId}`)
  const aside = page.getByRole('list', { name: 'Set aside' })
  await expect(aside).toContainText('Recovered 350 g')
  await expect(aside).toContainText('Recovered 340 g')
  await aside.getByRole('button', { name: 'Teo Brisal is right' }).first().click()
  await expect(aside).toBeHidden()
  const lines = (await (await context.request.get('/api/ledger.csv')).text())
    .split('\n')
    .filter((l) => /recovered.*,350\.0,|recovered.*,340\.0,/.test(l))
  expect(lines.some((l) => l.includes(',340.0,'))).toBe(false)
})
