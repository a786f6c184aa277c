import { randomUUID } from 'node:crypto'
import { OPENING } from '../../src/core/tests/opening'
import { expect, sheetOf, shot, signIn, test, theCall } from '../shop'

const MINUTE = 60_000

test('a needle is a span of depths, its pull ends by the minutes, and a needle that stood still is a finding one charges from', async ({
  page,
  context,
}) => {
  const { request } = context
  await signIn(request)
  // a real car at sea level, entered two hours later from the pencilled sheet
  const opened = Date.now() - 150 * MINUTE
  const payload = {
    ...OPENING,
    car: { name: `Needle ${randomUUID().slice(0, 4)}`, model: 'Pelmira 3', hybrid: false },
    rig: { ...OPENING.rig, gauge: 'needle' },
  }
  const answer = await request.post('/api/jobs', {
    data: { id: randomUUID(), eventId: randomUUID(), payload, openedAt: new Date(opened).toISOString() },
  })
  expect(answer.ok(), await answer.text()).toBe(true)
  const { id } = (await answer.json()) as { id: string }
  const { read, pulled, shutIn } = sheetOf(request, id, opened)
  await pulled()

  await page.goto(`/job/${id}`)
  await expect(theCall(page)).toContainText('type what the needle shows')
  const field = page.getByLabel(/Type a vacuum reading/)
  await field.fill('31')
  await expect(page.getByText('more than the air here can give: is it off its zero')).toBeVisible()
  await field.fill('29.9')
  await expect(page.getByText('at its stop: somewhere from 0 to 13,000 micron')).toBeVisible()
  await read(60, 29.9)
  await expect(page.getByTestId('vacuum')).toHaveText('29.9')
  await expect(theCall(page)).toContainText('No needle shows 500 micron: the pull ends by its minutes')
  await expect(theCall(page)).toContainText('Its minutes are over. Isolate it.')
  await expect(page.getByText(/Target reached/)).toHaveCount(0)
  await shot(page, 'needle-pull')

  await shutIn()
  for (const minutes of [74, 84, 94, 104, 120]) await read(minutes, 29.5)
  await page.reload()
  // no instrument reports it: keys for a gloved finger, and when it was read
  const pad = page.getByRole('form', { name: 'Typed reading' })
  for (const key of ['2', '9', '.', '4', 'take the last figure back', '5'])
    await pad.getByRole('button', { name: key, exact: true }).click()
  const key = await pad.getByRole('button', { name: '7', exact: true }).boundingBox()
  expect(Math.min(key?.width ?? 0, key?.height ?? 0)).toBeGreaterThanOrEqual(60)
  await pad.getByRole('radio', { name: '2 min ago' }).click()
  await pad.getByRole('button', { name: 'Log it' }).click()
  await expect(page.getByTestId('vacuum')).toHaveText('29.5')
  const newestAgoMin = async () => {
    const { points } = (await (await request.get(`/api/jobs/${id}/readings?channel=vacuum&most=100`)).json()) as {
      points: { at: number }[]
    }
    return (Date.now() - (points.at(-1)?.at ?? 0)) / MINUTE
  }
  await expect.poll(newestAgoMin).toBeLessThan(4)
  expect(await newestAgoMin()).toBeGreaterThan(1.8)
  await shot(page, 'needle-hold')
  await theCall(page)
    .getByRole('button', { name: /Judge the hold/ })
    .click()
  await expect(theCall(page)).toContainText('The needle stood still.')
  await expect(theCall(page)).toContainText(/No leak of [\d,]+ g a year or more would have stayed hidden/)
  await shot(page, 'needle-still')
  await theCall(page)
    .getByRole('button', { name: /Charge; the limit goes into the record/ })
    .click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Charge' }).first()).toBeVisible()
  await expect(theCall(page)).not.toContainText('The needle stood still.')
})
