import { expect, logOf, openCar, press, signIn, startPull, test, theCall } from '../shop'

test('@long without a line what is done is kept, shown as done, and sent once, at its own time, when the line is back', async ({
  page,
  context,
  playwright,
  baseURL,
}) => {
  test.setTimeout(120_000)
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await expect(theCall(page)).toContainText('Leave it. Come back at')
  // a server of one's own to look at meanwhile: this browser has no line
  const beside = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
  await signIn(beside, 'maira')
  const before = (await logOf(beside, jobId)).length

  await context.setOffline(true)
  await page.getByLabel(/Type a vacuum reading/).fill('900 micron')
  await page.getByRole('button', { name: 'Log it' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Waiting to be sent: 1.' })).toBeVisible()
  await expect(page.getByText('900').first()).toBeVisible()
  // what was typed counts here: by it the pull is stuck, or not
  await press(page, /^Isolate/)
  await press(page, 'Both valves are shut')
  await expect(page.getByRole('status').filter({ hasText: 'Waiting to be sent: 3.' })).toBeVisible()
  // the screen went on: what was done counts here
  await expect(theCall(page)).toContainText('Now stop the pump.')
  expect((await logOf(beside, jobId)).length).toBe(before)
  const doneBy = Date.now()

  await page.waitForTimeout(4000)
  await context.setOffline(false)
  await expect(page.getByText('Waiting to be sent')).toBeHidden({ timeout: 20_000 })
  const log = await logOf(beside, jobId)
  const closed = log.slice(before).filter((e) => e.kind === 'part-set' && e.payload.part === 'valve-low')
  expect(closed).toHaveLength(1)
  expect(log.slice(before).filter((e) => e.kind === 'isolated')).toHaveLength(1)
  expect(new Set(log.map((e) => e.id)).size).toBe(log.length)
  // at the time it was done, not when it was sent
  for (const e of log.slice(before)) expect(Date.parse(e.happenedAt)).toBeLessThanOrEqual(doneBy + 1000)
  const read = await (await beside.get(`/api/jobs/${jobId}/readings?channel=vacuum&most=100`)).json()
  expect(read.points).toHaveLength(1)
  await expect(theCall(page)).toContainText('Now stop the pump.')
  await beside.dispose()
})

test('what waits survives the tab: closed and opened again it is sent', async ({ page, context }) => {
  test.setTimeout(90_000)
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await expect(theCall(page)).toContainText('Leave it. Come back at')
  await context.setOffline(true)
  await press(page, 'Isolate now')
  await expect(page.getByRole('status').filter({ hasText: 'Waiting to be sent: 1.' })).toBeVisible()
  await page.close()
  await context.setOffline(false)
  const again = await context.newPage()
  await again.goto('/board')
  await expect
    .poll(
      async () =>
        (await logOf(context.request, jobId)).some(
          (e) => e.kind === 'step-finished' && 'step' in e.payload && (e.payload as { step: string }).step === 'pull',
        ),
      {
        timeout: 20_000,
      },
    )
    .toBe(true)
  await expect(again.getByText('Waiting to be sent')).toBeHidden()
})

test('@long a caution is asked without a line too, before what is done is kept', async ({ page, context }) => {
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await context.setOffline(true)
  await page
    .getByRole('region', { name: 'Connection' })
    .getByRole('button', { name: /pump on/ })
    .click()
  await expect(theCall(page)).toContainText('with the pump off the vacuum is lost')
  await theCall(page).getByRole('button', { name: 'Do it all the same' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Waiting to be sent: 1.' })).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText('Waiting to be sent')).toBeHidden({ timeout: 20_000 })
  const kinds = (await logOf(context.request, jobId)).slice(-2).map((e) => e.kind)
  expect(kinds).toEqual(['caution-passed', 'part-set'])
})
