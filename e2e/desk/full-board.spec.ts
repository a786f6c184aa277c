import { ownPlace } from '../own-place'
import { expect, openCar, signIn, test } from '../shop'

const place = ownPlace('full-board', 4627)
/** More than come with the page: the rest comes once it is at work. */
const CARS = 60
const names = Array.from({ length: CARS }, (_, i) => `Row ${String(i + 1).padStart(2, '0')}`)

test.beforeAll(place.start)
test.afterAll(() => {
  place.stop()
  place.forget()
})

test('@long a board of more cars than a screen comes whole, to its last line, also when one comes back to it', async ({
  browser,
}) => {
  const context = await browser.newContext({ baseURL: place.address })
  await signIn(context.request)
  for (const name of names) await openCar(context.request, { name, simulated: false })
  const sent = await (await context.request.get('/board')).text()
  const lines = new Set(sent.match(/href="\/job\/[0-9a-f-]{36}"/g))
  expect(lines.size).toBeGreaterThan(20)
  expect(lines.size).toBeLessThan(CARS)

  const page = await context.newPage()
  await page.goto('/board')
  const rows = page.locator('li a[href^="/job/"]').filter({ hasText: /Row \d\d/ })
  await expect(rows).toHaveCount(CARS)
  const texts = await rows.allTextContents()
  for (const name of names) expect(texts.filter((text) => text.includes(name))).toHaveLength(1)

  await rows.last().scrollIntoViewIfNeeded()
  await expect(rows.last()).toBeInViewport()
  const last = /Row \d\d/.exec((await rows.last().textContent()) ?? '')?.[0] ?? ''
  await rows.last().click()
  await expect(page.getByRole('heading', { name: last })).toBeVisible()
  await page.goBack()
  await expect(rows).toHaveCount(CARS)
  await context.close()
})
