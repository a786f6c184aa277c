import { randomUUID } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import type { APIRequest, APIRequestContext, BrowserContext, Page } from '@playwright/test'
import { parse } from 'csv-parse/sync'
import {
  endEarly,
  expect,
  expectStep,
  finished,
  logOf,
  openCar,
  press,
  readings,
  record,
  shot,
  signIn,
  startHold,
  startPull,
  test,
  theCall,
} from '../shop'

const CLOSING = [
  'Container is shut',
  'Low coupler is off',
  'Engine is off',
  'High coupler is off',
  'Both caps are on',
  'Pump is capped',
  'Label is filled in',
]

const waiting = (page: Page) => page.getByRole('status').filter({ hasText: 'Waiting to be sent' })

async function type(page: Page, what: RegExp, value: string): Promise<void> {
  await page.getByLabel(what).fill(value)
  await page.getByRole('button', { name: 'Log it' }).click()
}

/** The service worker of this browser has taken the pages over. */
async function installed(page: Page): Promise<void> {
  await page.goto('/board')
  await page.evaluate(async () => void (await navigator.serviceWorker.ready))
  await page.reload()
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
}

test('without a line the application opens: the board with its age, a car as it was last live, and one nobody opened here', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000)
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false, name: 'Pit car' })
  const other = await openCar(context.request, { simulated: false, name: 'Unopened car' })
  await startPull(context.request, jobId)
  await installed(page)
  // every open car is kept ahead, one after the other
  await expect
    .poll(
      () =>
        page.evaluate(async (p) => (await (await caches.open('yperos-pages')).match(p)) !== undefined, `/job/${other}`),
      {
        timeout: 60_000,
      },
    )
    .toBe(true)
  await page.goto(`/job/${jobId}`)
  await expect(theCall(page)).toContainText('Leave it. Come back at')
  // what comes live after the page was opened is there again too
  await type(page, /Type a vacuum reading/, '1900 micron')
  await expect(page.getByTestId('vacuum')).toHaveText('1,900')
  await page.waitForTimeout(3500)
  await context.setOffline(true)
  await type(page, /Type a vacuum reading/, '900 micron')
  await expect(waiting(page)).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('vacuum')).toHaveText('900')
  await expect(waiting(page)).toContainText('Waiting to be sent: 1.')
  await expect(page.getByText(/What you see is from \d\d:\d\d/)).toBeVisible()
  // its clock goes on as the server's: nothing lies hours away
  await expect(theCall(page)).toContainText(/in (59|60) min/)
  // the prediction is made here
  await expect(theCall(page)).toContainText('half of such pulls are at the target', { timeout: 30_000 })
  await page.goto(`/job/${other}`)
  await expect(page.getByRole('heading', { name: 'Unopened car' })).toBeVisible()
  await page.goto('/board')
  await expect(page.getByRole('listitem').filter({ hasText: 'Pit car' })).toBeVisible()
  await expect(page.getByText(/What you see is from \d\d:\d\d/)).toBeVisible()
  await page.goto(`/job/${randomUUID()}`)
  await expect(page.getByRole('heading', { name: 'No line here.' })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Kept on this device' })).toContainText('Pit car')
  await context.setOffline(false)
  await page.goto('/board')
  await expect(waiting(page)).toBeHidden({ timeout: 20_000 })
  await expect.poll(async () => (await readings(context.request, jobId, 'vacuum')).length, { timeout: 20_000 }).toBe(2)
  // whoever signs out leaves nothing of the shop here
  await page.getByRole('button', { name: /menu$/ }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expect.poll(() => page.evaluate(async () => (await (await caches.open('yperos-pages')).keys()).length)).toBe(0)
})

/** The same server, from a desk that has a line. */
async function beside(playwright: { request: APIRequest }, baseURL: string | undefined): Promise<APIRequestContext> {
  const request = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
  await signIn(request, 'maira')
  return request
}

/** The line is back, everything is sent, and nothing was refused. */
async function sentAll(page: Page, context: BrowserContext): Promise<void> {
  await context.setOffline(false)
  await expect(waiting(page)).toBeHidden({ timeout: 30_000 })
  await expect(page.getByText('Not taken')).toBeHidden()
}

test('@long a hold that is typed and ended without a line is judged here, and by the server at the moment it was ended', async ({
  page,
  context,
  playwright,
  baseURL,
}) => {
  test.setTimeout(120_000)
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false, holdMinutes: 20 })
  await startPull(context.request, jobId)
  await startHold(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  const desk = await beside(playwright, baseURL)
  const before = (await logOf(desk, jobId)).length
  await context.setOffline(true)
  for (const micron of [420, 424, 427, 431]) {
    await type(page, /Type a vacuum reading/, `${micron} micron`)
    await expect(page.getByTestId('vacuum')).toHaveText(String(micron))
    await page.waitForTimeout(900)
  }
  await endEarly(page, 'no line, and the day ends')
  await expect(theCall(page)).toContainText('Still undecided.')
  await expect(theCall(page)).toContainText('4 readings')
  await press(page, 'Pull again')
  await page.waitForTimeout(3000)
  expect((await logOf(desk, jobId)).length).toBe(before)
  await sentAll(page, context)
  const log = await logOf(desk, jobId)
  expect(new Set(log.map((e) => e.id)).size).toBe(log.length)
  const ended = log.filter((e) => e.kind === 'hold-ended')
  expect(ended).toHaveLength(1)
  expect(ended[0]?.payload.samples).toBe(4)
  expect(Date.parse(ended[0]?.storedAt ?? '') - Date.parse(ended[0]?.happenedAt ?? '')).toBeGreaterThan(2500)
  expect(log.filter((e) => e.kind === 'hold-decided')).toHaveLength(1)
  expect((await readings(desk, jobId, 'vacuum')).map((p) => Math.round(p.value / 0.1333224))).toEqual([
    420, 424, 427, 431,
  ])
  await desk.dispose()
})

test('@long a can charged by typed weights without a line, and a photograph, are there once when the line is back', async ({
  page,
  context,
  playwright,
  baseURL,
}) => {
  test.setTimeout(150_000)
  await signIn(context.request)
  const car = `Deep pit ${randomUUID().slice(0, 5)}`
  const jobId = await openCar(context.request, { simulated: false, name: car, chargeG: 330 })
  await startPull(context.request, jobId)
  await startHold(context.request, jobId)
  await record(context.request, jobId, { kind: 'hold-skipped', payload: { why: 'test' } })
  await page.goto(`/job/${jobId}`)
  await expectStep(page, 'Charge')
  const desk = await beside(playwright, baseURL)
  const before = (await logOf(desk, jobId)).length
  await context.setOffline(true)
  await page.getByLabel('Gross of container 1, as weighed').fill('474 g')
  await page.getByLabel('Net of container 1, from its label').fill('340 g')
  await press(page, 'Plan the charge')
  await press(page, 'can-1 is connected')
  await press(page, 'It is purged')
  await press(page, 'Both are open')
  await type(page, /Type what the scale shows/, '300 g')
  await page.waitForTimeout(1100)
  await type(page, /Type what the scale shows/, '145 g')
  await press(page, 'Low valve is shut')
  await press(page, 'Container is shut')
  await page.getByText(/^Notes and photographs/).click()
  await page
    .locator('input[type=file]')
    .setInputFiles(fileURLToPath(new URL('../../docs/screenshots/board.png', import.meta.url)))
  await expect(page.getByRole('list', { name: 'Photographs' })).toContainText('waits to be sent')
  expect((await logOf(desk, jobId)).length).toBe(before)
  await sentAll(page, context)
  const log = await logOf(desk, jobId)
  expect(new Set(log.map((e) => e.id)).size).toBe(log.length)
  expect((await readings(desk, jobId, 'scale')).map((p) => p.value)).toEqual([300, 145])
  expect(log.filter((e) => e.kind === 'pictured')).toHaveLength(1)
  await expect(page.getByRole('list', { name: 'Photographs' })).not.toContainText('waits')
  const file = await (await desk.get(`/api/ledger.csv?car=${encodeURIComponent(car)}`)).text()
  const ledger = parse(file, { columns: true }) as { kind: string; grams: string }[]
  expect(ledger.filter((l) => l.kind === 'charged')).toHaveLength(1)
  await desk.dispose()
})

test('a car is left and signed without a line: the record is sealed when it comes in, with all that was done before it', async ({
  page,
  context,
  playwright,
  baseURL,
}) => {
  test.setTimeout(90_000)
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await startPull(context.request, jobId)
  await startHold(context.request, jobId)
  await record(
    context.request,
    jobId,
    { kind: 'hold-skipped', payload: { why: 'test' } },
    finished('charge'),
    finished('prove'),
  )
  await page.goto(`/job/${jobId}`)
  await expectStep(page, 'Leave')
  const desk = await beside(playwright, baseURL)
  await context.setOffline(true)
  for (const label of CLOSING) await press(page, label)
  await expect(page.getByLabel('Certificate number')).toHaveValue('CL-0533')
  await press(page, 'Sign')
  await expect(theCall(page)).toContainText('Signed. The car can go.')
  await expect(waiting(page)).toBeVisible()
  expect((await logOf(desk, jobId)).some((e) => e.kind === 'leave-tapped')).toBe(false)
  await sentAll(page, context)
  const log = await logOf(desk, jobId)
  expect(log.at(-1)).toMatchObject({ kind: 'signed', by: 'Teo Brisal', payload: { certificate: 'CL-0533' } })
  expect(log.filter((e) => e.kind === 'leave-tapped')).toHaveLength(CLOSING.length)
  const sealed = await (await desk.get(`/api/jobs/${jobId}/record.json`)).json()
  expect(sealed.signature.value).toBeTruthy()
  await desk.dispose()
})

test('@long two phones without a line on one car: what contradicts stands side by side, one tap says which holds', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000)
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false, name: 'Two phones', holdMinutes: 30 })
  await startPull(context.request, jobId)
  await startHold(context.request, jobId)
  const second = await browser.newContext({ ...(baseURL && { baseURL }) })
  await signIn(second.request, 'maira')
  const hers = await second.newPage()
  await page.goto(`/job/${jobId}`)
  await hers.goto(`/job/${jobId}`)
  await expectStep(page, 'Hold')
  await expectStep(hers, 'Hold')
  await context.setOffline(true)
  await second.setOffline(true)
  await endEarly(page, 'enough seen')
  await expect(theCall(page)).toContainText(/Hold on longer|Pull again/)
  await press(page, 'Pull again')
  await endEarly(hers, 'the bay closes')
  await expect(waiting(page)).toBeVisible()
  await expect(waiting(hers)).toBeVisible()
  await sentAll(page, context)
  await sentAll(hers, second)
  const aside = hers.getByRole('list', { name: 'Set aside' })
  await expect(aside).toContainText('Which holds?')
  await expect(aside).toBeInViewport()
  await expect(aside).toContainText('Teo Brisal')
  await expect(aside).toContainText('Maira Qolque')
  await shot(hers, 'set-aside')
  await hers.setViewportSize({ width: 390, height: 844 })
  await shot(hers, 'set-aside-phone')
  const questions = await aside.getByRole('button', { name: 'Teo Brisal is right' }).count()
  for (let left = questions; left > 0; left--) {
    await aside.getByRole('button', { name: 'Teo Brisal is right' }).first().click()
    await expect(aside.getByRole('button', { name: 'Teo Brisal is right' })).toHaveCount(left - 1)
  }
  const log = await logOf(second.request, jobId)
  // both stay in the log
  expect(
    log
      .filter((e) => e.kind === 'hold-ended')
      .map((e) => e.by)
      .sort(),
  ).toEqual(['Maira Qolque', 'Teo Brisal'])
  expect(questions).toBe(1)
  const setAside = log.filter((e) => e.kind === 'set-aside').length
  expect(log.filter((e) => e.kind === 'deed-chosen')).toHaveLength(setAside)
  await expectStep(hers, 'Pull')
  await second.close()
})

test('@long two phones without a line that did the same agree: nobody is asked', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  test.setTimeout(90_000)
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await startPull(context.request, jobId)
  const second = await browser.newContext({ ...(baseURL && { baseURL }) })
  await signIn(second.request, 'maira')
  const hers = await second.newPage()
  for (const on of [page, hers]) {
    await on.goto(`/job/${jobId}`)
    await expect(theCall(on)).toContainText('Leave it. Come back at')
  }
  await context.setOffline(true)
  await second.setOffline(true)
  for (const on of [page, hers]) {
    await press(on, /^Isolate now/)
    await press(on, 'Both valves are shut')
  }
  await sentAll(page, context)
  await sentAll(hers, second)
  await expect(theCall(hers)).toContainText('Now stop the pump.')
  await expect(hers.getByRole('list', { name: 'Set aside' })).toBeHidden()
  const shut = (await logOf(second.request, jobId)).filter(
    (e) => e.kind === 'step-finished' && e.payload.step === 'pull',
  )
  expect(shut.map((e) => e.by)).toEqual(['Teo Brisal', 'Maira Qolque'])
  await second.close()
})
