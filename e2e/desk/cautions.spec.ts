import { expect, finished, openCar, part, record, signIn, startHold, startPull, test, theCall } from '../shop'

test.beforeEach(({ context }) => signIn(context.request))

const ask = 'Before you do that'

test('the pump stopped before the valves is named before it costs the vacuum', async ({ page, context }) => {
  const jobId = await openCar(context.request)
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await page.getByRole('button', { name: /^pump on/ }).click()
  await expect(page.getByRole('alertdialog', { name: ask })).toContainText('with the pump off the vacuum is lost')
  await page.getByRole('button', { name: 'Go back' }).click()
  await expect(page.getByRole('button', { name: /^pump on/ })).toBeVisible()
})

test('whoever goes on all the same can, and the record says so', async ({ page, context }) => {
  const jobId = await openCar(context.request)
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await page.getByRole('button', { name: /^pump on/ }).click()
  await page.getByRole('button', { name: /Do it all the same/ }).click()
  await expect(page.getByRole('button', { name: /^pump off/ })).toBeVisible()
  await expect(page.getByText('Went on past the caution: pump off before valves')).toBeVisible()
})

test('@long the high side opened while the engine runs is named', async ({ page, context }) => {
  const jobId = await openCar(context.request)
  await startPull(context.request, jobId)
  await startHold(context.request, jobId)
  await record(context.request, jobId, { kind: 'hold-skipped', payload: { why: 'test' } }, part('engine', 'on'))
  await page.goto(`/job/${jobId}`)
  await page.getByRole('button', { name: /^high valve closed/ }).click()
  await expect(page.getByRole('alertdialog', { name: ask })).toContainText(
    'the compressor can fill the container until it bursts',
  )
})

test('@long a coupler’s sense is told when it is turned from off to open at once', async ({ page, context }) => {
  const jobId = await openCar(context.request)
  await record(context.request, jobId, finished('zero'), finished('fix'))
  await page.goto(`/job/${jobId}`)
  await page.getByRole('button', { name: /^low coupler off/ }).click()
  await expect(page.getByRole('alertdialog', { name: ask })).toContainText(
    'Close both manifold valves, clockwise, first.',
  )
})

test('@long a pump on a system under pressure, and with its exhaust cap on, is named with both costs', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request)
  const pressure = {
    kind: 'zero-read',
    payload: { lowPaG: 300_000, highPaG: 300_000, errorPa: 7000, typed: '300 kPa' },
  }
  await record(context.request, jobId, pressure, finished('zero'), finished('fix'))
  await page.goto(`/job/${jobId}`)
  await page.getByRole('button', { name: /^pump off/ }).click()
  const dialog = page.getByRole('alertdialog', { name: ask })
  await expect(dialog).toContainText('pressure breaks its vanes')
  await expect(dialog).toContainText('The exhaust cap is on')
  await expect(theCall(page).getByRole('button', { name: 'Go back' })).toBeVisible()
})
