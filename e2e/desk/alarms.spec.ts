import { randomUUID } from 'node:crypto'
import type { APIRequestContext } from '@playwright/test'
import { alarmSaying, expect, openCar, signIn, startPull, test } from '../shop'

/** A vacuum that is typed by whoever asks. */
const typed = async (request: APIRequestContext, jobId: string, micron: number) => {
  const readings = [{ seq: Math.floor(Math.random() * 9e14), channel: 'vacuum', value: micron, unit: 'micron' }]
  expect((await request.post(`/api/jobs/${jobId}/readings`, { data: { readings } })).ok()).toBe(true)
}

test('an alarm finds whoever has the car on another car’s page, is given on with the car, and answered once for all', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  test.setTimeout(90_000)
  await signIn(context.request)
  const [calling, other] = [
    await openCar(context.request, { simulated: false, name: 'Alarm car' }),
    await openCar(context.request, { simulated: false, name: 'Quiet car' }),
  ]
  await startPull(context.request, calling)
  await page.goto(`/job/${other}`)
  const lead = await browser.newContext({ ...(baseURL && { baseURL }) })
  await signIn(lead.request, 'maira')
  const hers = await lead.newPage()
  await hers.goto('/board')
  const said = 'Target reached: 61'
  const ring = (on: typeof page) => on.getByTestId('alarm').filter({ hasText: said })
  const begun = Date.now()
  await typed(lead.request, calling, 61)
  await expect(await alarmSaying(page, said, 8000)).toContainText('Alarm car:')
  expect(Date.now() - begun).toBeLessThan(8000)
  await expect(page).toHaveTitle(/^\(\d+\) .+: /)
  // she has not got the car: the board says it, nothing rings at her
  const row = hers.getByRole('listitem').filter({ hasText: 'Alarm car' })
  await expect(row).toContainText('target reached')
  await expect(ring(hers)).toBeHidden()

  // the car is given to her on its own page, and rings at her, wherever she is
  await page.goto(`/job/${calling}`)
  await alarmSaying(page, said)
  await page.getByRole('button', { name: 'Give it to…' }).click()
  await page.getByRole('button', { name: /^Maira/ }).click()
  await expect(page.getByRole('region', { name: 'Whose car' })).toContainText(/Maira.* has this car/)
  await hers.goto('/ledger')
  await (await alarmSaying(hers, said)).getByRole('button', { name: /^Seen/ }).click()
  await expect(ring(hers)).toBeHidden()
  await expect(ring(page)).toBeHidden()
  await page.getByText(/^What rang: 1/).click()
  await expect(page.getByRole('list', { name: 'What rang' })).toContainText(/Target reached.*seen by Maira/)
  await lead.close()
})

test('@long who else has a car’s page open is seen there and on the board, and gone when they close it', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false, name: 'Two hands' })
  const lead = await browser.newContext({ ...(baseURL && { baseURL }) })
  await signIn(lead.request, 'maira')
  const hers = await lead.newPage()
  await page.goto(`/job/${jobId}`)
  await hers.goto(`/job/${jobId}`)
  const whose = page.getByRole('region', { name: 'Whose car' })
  await expect(whose).toContainText(/Your car.*here now: Maira/)
  // what she does is said with her name
  await lead.request.post(`/api/jobs/${jobId}/events`, {
    data: { events: [{ id: randomUUID(), kind: 'noted', payload: { text: 'rear core weeps' } }] },
  })
  await expect(whose).toContainText('rear core weeps')
  await lead.close()
  await expect(whose).not.toContainText('here now')
})
