import {
  alarmSaying,
  controlBench,
  endEarly,
  expect,
  expectStep,
  openCar,
  part,
  press,
  record,
  signIn,
  startHold,
  startPull,
  test,
  theCall,
} from '../shop'

test.beforeEach(({ context }) => signIn(context.request))

/** A hold runs thirty bench minutes in fifteen of the wall's seconds. */
const QUICK = { action: 'speed', factor: 120 }

test('@long a tight car ends in the call to charge it, and the simple rules stand beside it', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request)
  await controlBench(context.request, jobId, { action: 'named-scenario', name: 'Nothing wrong with it' })
  await startPull(context.request, jobId)
  await controlBench(context.request, jobId, QUICK)
  await page.goto(`/job/${jobId}`)
  await expect(theCall(page)).toContainText('Deep enough', { timeout: 60_000 })
  await startHold(context.request, jobId)
  await expect(page.getByText('needle unmoved after 30 minutes')).toBeVisible()
  await expect(page.getByText(/leak 40 %, water 40 %|leak 40 %, water \d+ %/)).toBeVisible()
  await press(page, 'Judge the hold', 60_000)
  await expect(theCall(page)).toContainText('Tight. Charge it.')
  await expect(theCall(page)).toContainText(/No leak of [\d,]+ g a year/)
})

test('@long what the hoses give is not laid at the car’s door when they were held alone before', async ({
  page,
  context,
}) => {
  // the hold of those hoses by themselves: their gas and the hole in one of them
  const jobId = await openCar(context.request, { rig: { hoseKind: 'rubber-old', hoseBaselinePaM3S: 1.6e-5 } })
  await controlBench(context.request, jobId, { action: 'named-scenario', name: 'The borrowed manifold' })
  await startPull(context.request, jobId)
  await controlBench(context.request, jobId, QUICK)
  await page.goto(`/job/${jobId}`)
  await expect(theCall(page)).toContainText(/Deep enough|Come back at/, { timeout: 60_000 })
  await page.waitForTimeout(4000)
  await startHold(context.request, jobId)
  await press(page, 'Judge the hold', 60_000)
  await expect(theCall(page)).not.toContainText('It leaks')
  await expect(theCall(page)).toContainText(/Tight\. Charge it\.|Still undecided\./)
})

test('@long a gauge that dies is noticed and answered, and the hold goes on with typed readings', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request)
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await expect(page.getByTestId('vacuum')).toBeVisible()
  await page.waitForTimeout(3000)
  await startHold(context.request, jobId)
  await expect(page.getByTestId('vacuum')).toBeVisible()
  await page.waitForTimeout(2000)
  await controlBench(context.request, jobId, { action: 'gauge', state: 'dead' })
  const alarm = await alarmSaying(page, 'The gauge has said nothing')
  await alarm.getByRole('button', { name: /^Seen/ }).click()
  await expect(alarm).toBeHidden()
  await expect(page.getByText('Alarm seen: gauge silent')).toBeVisible()
  for (const micron of ['412', '415', '418']) {
    await page.getByLabel(/Type a vacuum reading/).fill(micron)
    await page.getByRole('button', { name: 'Log it' }).click()
    await expect(page.getByTestId('vacuum')).toHaveText(micron)
  }
})

test('@long a hold ended before its time asks why, and the record says what was not proved', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request, { holdMinutes: 240 })
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await expect(page.getByTestId('vacuum')).toBeVisible()
  await startHold(context.request, jobId)
  await press(page, 'End the hold')
  const ask = page.getByRole('form', { name: 'Why end it before its time?' })
  await ask.getByRole('button', { name: 'End it and judge' }).click()
  await expect(ask).toContainText('the record keeps it')
  await ask.getByRole('button', { name: 'Let it hold' }).click()
  await endEarly(page, 'the car is needed')
  await expect(theCall(page)).toContainText('Ended early by Teo Brisal: the car is needed.')
  await page.goto(`/job/${jobId}/record`)
  await expect(page.getByText(/of 240 min by Teo Brisal: the car is needed/)).toBeVisible()
})

test('@long a hold skipped says who and why, and that nothing is proved', async ({ page, context }) => {
  const jobId = await openCar(context.request)
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await press(page, /^Isolate/)
  await press(page, 'Both valves are shut')
  await press(page, 'Pump is off')
  await press(page, 'Skip the hold')
  const ask = page.getByRole('form', { name: 'Why is there no hold?' })
  await expect(ask).toContainText('nothing is proved')
  await ask.getByLabel('Reason').fill('only a look')
  await ask.getByRole('button', { name: 'Skip it' }).click()
  await expectStep(page, 'Charge')
  await page.goto(`/job/${jobId}/record`)
  await expect(page.getByText(/skipped by Teo Brisal: only a look\. Not proved/)).toBeVisible()
})

test('@long a second hold is compared with the first, with a nitrogen sweep logged between behind its caution', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request, { holdMinutes: 240 })
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  await expect(page.getByTestId('vacuum')).toBeVisible()
  await startHold(context.request, jobId)
  await page.waitForTimeout(2000)
  await endEarly(page, 'a look')
  await expect(theCall(page)).toContainText('Held')
  await record(context.request, jobId, { kind: 'hold-decided', payload: { next: 'pull' } }, part('centre-hose', 'pump'))
  await press(page, 'Log a nitrogen sweep')
  await expect(page.getByRole('alertdialog', { name: 'Before you do that' })).toContainText('Never oxygen')
  await page.getByRole('button', { name: /Do it all the same/ }).click()
  await expect(theCall(page)).toContainText('Sweeps so far: 1.')
  await record(context.request, jobId, part('pump', 'on'), part('valve-low', 'open'), part('valve-high', 'open'))
  await page.waitForTimeout(1500)
  await startHold(context.request, jobId)
  await expect(page.getByText('Rise since isolation, hold by hold')).toBeVisible()
  await expect(page.getByRole('img', { name: /hold 1 rose .* hold 2 rose/ })).toBeVisible()
})

test('@long the pull says where it stands, and its chart is brought closer by a key and a button', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request)
  await startPull(context.request, jobId)
  await page.goto(`/job/${jobId}`)
  const stands = page.getByRole('region', { name: 'Where the pull stands' })
  await expect(stands).toContainText(/On course\.|Water is boiling off|Stuck/, { timeout: 30_000 })
  await expect(stands).toContainText('%')
  await page.keyboard.press('+')
  await page.getByRole('button', { name: 'earlier', exact: true }).click()
  await page.getByRole('button', { name: 'all of it' }).click()
  await expect(page.getByRole('button', { name: 'Farther' })).toBeDisabled()
})
