import {
  benchToken,
  controlBench,
  endEarly,
  expect,
  openCar,
  press,
  readings,
  signIn,
  startHold,
  startPull,
  test,
  theCall,
} from '../shop'

test.beforeEach(({ context }) => signIn(context.request))

test('a reload and a second browser show the same state and the same come-back time', async ({
  page,
  context,
  browser,
}) => {
  const jobId = await openCar(context.request, { holdMinutes: 600 })
  await startPull(context.request, jobId)
  await startHold(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  const figure = theCall(page).locator('.figure:visible')
  const comeBack = await figure.textContent()
  expect(comeBack).toMatch(/^\d\d:\d\d$/)
  await page.reload()
  await expect(figure).toHaveText(comeBack ?? '')
  const other = await browser.newContext({ baseURL: new URL(page.url()).origin })
  await signIn(other.request, 'anouk')
  const second = await other.newPage()
  await second.goto(`/job/${jobId}`)
  await expect(theCall(second).locator('.figure:visible')).toHaveText(comeBack ?? '')
  await endEarly(page, 'enough seen')
  await expect(theCall(second)).toContainText(/Hold on longer|Pull again|Go on to charging/)
  await other.close()
})

test('@long a reading typed in any unit stands on the chart in the others at once, in both browsers', async ({
  page,
  context,
  browser,
}) => {
  const jobId = await openCar(context.request, { simulated: false })
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  const other = await browser.newContext({ baseURL: new URL(page.url()).origin })
  await signIn(other.request, 'maira')
  const second = await other.newPage()
  await second.goto(`/job/${jobId}`)
  await page.getByLabel(/Type a vacuum reading/).fill('0.1 kPa')
  await expect(page.getByText('750 micron, 0.100 kPa absolute')).toBeVisible()
  await page.getByRole('button', { name: 'Log it' }).click()
  await expect(page.getByTestId('vacuum')).toHaveText('750')
  await expect(second.getByTestId('vacuum')).toHaveText('750')
  await page.getByLabel(/Type a vacuum reading/).fill('25 inHg')
  await expect(page.getByText('more than the air here can give: is it off its zero')).toBeVisible()
  await page.getByRole('button', { name: 'Log it' }).click()
  // kept as it was typed, as a needle's: no depth, and no target by it
  await expect(second.getByTestId('vacuum')).toHaveText('22.4')
  await expect(theCall(page)).toContainText('at its stop: somewhere from 0 to 13,000 micron')
  await expect(page.getByText(/Target reached|Deep enough/)).toHaveCount(0)
  await page.getByLabel(/Type a vacuum reading/).fill('250 inHg')
  await page.getByRole('button', { name: 'Log it' }).click()
  await expect(page.getByText(/must lie between -200 and 33 inHg/)).toBeVisible()
  await other.close()
})

test('@long a bench that is stopped falls silent, started again it goes on; put back it is full of air', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request)
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await expect(page.getByTestId('vacuum')).toBeVisible()
  await page.getByRole('button', { name: /^Simulated bench/ }).click()
  await page.getByRole('button', { name: 'Stop the bench' }).click()
  await expect(page.getByRole('button', { name: 'Start the bench' })).toBeVisible()
  // what was on its way when the bench stopped has arrived after this
  await page.waitForTimeout(1500)
  const silent = (await readings(context.request, jobId, 'vacuum')).length
  await page.waitForTimeout(1500)
  expect((await readings(context.request, jobId, 'vacuum')).length).toBe(silent)
  await page.getByText('plain leak').click()
  await page.getByRole('button', { name: /Put the car back/ }).click()
  await page.getByRole('button', { name: 'Start the bench' }).click()
  await expect.poll(async () => (await readings(context.request, jobId, 'vacuum')).length).toBeGreaterThan(silent)
})

for (const [name, leakPaM3S, waterG, words] of [
  // a car out of the shed has water in its oil too, and after so short a pull that may show beside the leak
  ['a leak', 3e-4, 0.02, /It leaks(\.|, and it is damp\.)/],
  ['water', 0, 4, /Damp.* Pull again\./],
] as const) {
  test(`@long ${name} on the bench ends in the right call`, async ({ page, context }) => {
    const jobId = await openCar(context.request)
    await startPull(context.request, jobId)
    await controlBench(context.request, jobId, { action: 'reset', leakPaM3S, waterG })
    await page.goto(`/job/${jobId}`)
    // half a minute of wall time is half an hour of the bench; the pull is cut short, as people do
    await page.waitForTimeout(5000)
    await startHold(context.request, jobId)
    await expect(theCall(page)).toContainText(/No need to wait|Time is up/, { timeout: 60_000 })
    await press(page, /End the hold|Judge the hold/)
    await expect(theCall(page)).toContainText(words)
  })
}

test('@long a car the bench cannot play says so at its head, and stops saying it when it plays again', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request)
  await page.goto(`/job/${jobId}`)
  const said = page.getByRole('alert').filter({ hasText: 'The bench cannot play this car' })
  await expect(page.getByRole('button', { name: /^Simulated bench/ })).toBeVisible()
  await expect(said).toBeHidden()
  const tell = (words: string | null) =>
    context.request.post('/api/bench/trouble', {
      headers: { authorization: `Bearer ${benchToken()}` },
      data: { jobId, words },
    })
  expect((await tell('ambient 90 C is beyond the tables')).ok()).toBe(true)
  await expect(said).toContainText('ambient 90 C is beyond the tables')
  await expect(said).toBeInViewport()
  // the way out is open on the same page
  await expect(page.getByText('plain leak')).toBeVisible()
  expect((await tell(null)).ok()).toBe(true)
  await expect(said).toBeHidden()
})
