import { expect, openCar, signIn, test } from './shop'

const main = 'main'

test('a needle’s reading is worked out for nobody signed in, moves by dragging, and stands in the address', async ({
  page,
}) => {
  await page.goto('/sums?sum=needle&air=2380+m&shows=19+inHg')
  await expect(page.getByTestId(main)).toContainText('73,400 to 98,800 micron')
  await expect(page.getByText('22.4 inHg, not 30')).toBeVisible()
  const grip = page.getByRole('slider', { name: 'needle' })
  const before = await page.getByLabel('The needle shows').inputValue()
  await grip.focus()
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowDown')
  await expect(page.getByLabel('The needle shows')).not.toHaveValue(before)
  const deeper = Number((await page.getByLabel('The needle shows').inputValue()).split(' ')[0])
  // down is deeper: more inches, fewer micron
  expect(deeper).toBeGreaterThan(19)
  await expect(page).toHaveURL(/shows=(19\.|2)\d/)
  const box = await grip.boundingBox()
  if (!box) throw new Error('the grip is not drawn')
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y - 60, { steps: 6 })
  await page.mouse.up()
  const dragged = Number((await page.getByLabel('The needle shows').inputValue()).split(' ')[0])
  expect(dragged).toBeLessThan(deeper)
  const address = page.url()
  await page.goto('/check')
  await page.goto(address)
  await expect(page.getByLabel('The needle shows')).toHaveValue(new RegExp(`^${dragged}`))
  await page.getByLabel('The needle shows').fill('40 inHg')
  await expect(page.getByText(/between 0 inHg and 32 inHg/)).toBeVisible()
})

test('@long every sum answers, the pull after its worker, and a line of one is noted in a job', async ({ page }) => {
  await signIn(page.request)
  const id = await openCar(page.request, { name: 'Sum car', simulated: false })
  await page.goto('/sums')
  const names = [
    'Needle',
    'Boiling',
    'Pull',
    'Hose and core',
    'Hold',
    'Loss',
    'Cans',
    'Pounds, ounces',
    'Pressures',
    'Nitrogen',
    'Oil',
    'Units',
  ]
  for (const name of names) {
    await page.getByRole('radio', { name, exact: true }).click()
    await expect(page.getByTestId(main)).toHaveText(/\S/)
    if (name === 'Pull') await expect(page.getByTestId(main)).toHaveText(/\d.* min/, { timeout: 60_000 })
    await expect(page.getByRole('region', { name: 'Picture' }).locator('svg')).toBeVisible()
  }
  await page.getByRole('radio', { name: 'Pounds, ounces', exact: true }).click()
  await page.getByLabel('Weight, as the label has it').fill('1.4 lb')
  await expect(page.getByTestId(main)).toHaveText('635 g')
  await expect(page.getByText(/not 1 lb 4 oz/).first()).toBeVisible()
  await page.getByLabel('Note it in a job').selectOption(id)
  await expect(page.getByText('Noted in Sum car.')).toBeVisible()
  const { events } = await (await page.request.get(`/api/jobs/${id}/events`)).json()
  expect(JSON.stringify(events)).toContain('1.4 lb')
})

test('@long without a line the sums work on: kept at the first visit, for whoever was never signed in', async ({
  page,
  context,
}) => {
  await page.goto('/sums')
  const kept = () => page.evaluate(async () => (await (await caches.open('yperos-pages')).match('/sums')) !== undefined)
  await expect.poll(kept, { timeout: 30_000 }).toBe(true)
  await context.setOffline(true)
  await page.goto('/sums?sum=oil')
  await page.getByLabel('Condenser, how many').fill('2')
  await expect(page.getByTestId(main)).toHaveText('60 mL')
  await page.getByRole('radio', { name: 'Pull', exact: true }).click()
  await expect(page.getByTestId(main)).toHaveText(/\d.* min/, { timeout: 60_000 })
})
