import { expect, expectStep, openCar, press, signIn, test, theCall } from '../shop'

test.beforeEach(({ context }) => signIn(context.request))

test('a label’s weight is shown in every unit, and decimals of a pound are not read as ounces', async ({ page }) => {
  await page.goto('/job/new')
  const charge = page.getByLabel('Charge, a figure or a range')
  for (const text of ['1 lb 4', '20 oz', '567 g']) {
    await charge.fill(text)
    await expect(page.getByText('567 g · 20.0 oz · 1 lb 4.0 oz · 0.567 kg')).toBeVisible()
  }
  await charge.fill('1.4 lb')
  await expect(page.getByText('1.4 lb is 1 lb 6.4 oz, not 1 lb 4 oz')).toBeVisible()
  await charge.fill('530-560 g')
  await expect(page.getByText('530 to 560 g · 1 lb 2.7 oz to 1 lb 3.8 oz')).toBeVisible()
})

test('entries that cannot be get their reason beside the field, and nothing typed is lost', async ({ page }) => {
  await page.goto('/job/new')
  await page.getByRole('button', { name: /Everything else has a default/ }).click()
  await page.getByLabel('Model').fill('Korvane 60')
  await page.getByLabel('Charge, a figure or a range').fill('a can or so')
  await page.getByLabel('Altitude or barometer').fill('2380')
  await page.getByLabel('Ambient').fill('200 C')
  await page.getByRole('button', { name: 'Take it in' }).click()
  for (const reason of [
    'the car needs a name people use',
    /type a weight such as 567 g/,
    /say in which unit/,
    /is not the air around a car/,
  ])
    await expect(page.getByText(reason)).toBeVisible()
  await expect(page.getByLabel('Model')).toHaveValue('Korvane 60')
  await expect(page.getByLabel('Charge, a figure or a range')).toHaveAttribute('aria-invalid', 'true')
})

test('a car the shop knows is one tap, and brings its label; the rest has its default said', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request)
  await page.goto(`/job/${jobId}`)
  const name = (await page.getByRole('heading', { level: 1 }).first().textContent()) ?? ''
  await page.goto('/job/new')
  await page.getByLabel('Name people use').fill(name.slice(0, 5))
  await page.getByRole('list', { name: 'Cars the shop knows' }).getByRole('button', { name }).first().click()
  await expect(page.getByText(/The shop knows it/)).toBeVisible()
  await expect(page.getByLabel('Charge, a figure or a range')).toHaveValue(/\d+ (g|oz)|lb/)
  // three entries: who it is, its label as it was, what was opened
  await page.getByRole('radio', { name: 'open overnight' }).click()
  await expect(page.getByText(/About 1 g of water inside, nine in ten between 0\.5 and 3 g/)).toBeVisible()
  await expect(page.getByText(/open 14 h, drier replaced/)).toBeVisible()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page).toHaveURL(/job\/[0-9a-f-]{36}/)
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
})

test('R-12 and R-744 are recognised and refused with the reason', async ({ page }) => {
  await page.goto('/job/new')
  await page.getByText('R-744', { exact: true }).click()
  await expect(page.getByText(/works above 100 bar/)).toBeVisible()
  await page.getByText('R-12', { exact: true }).click()
  await expect(page.getByText(/retrofit work/)).toBeVisible()
})

test('an altitude tells how deep a needle can read there', async ({ page }) => {
  await page.goto('/job/new')
  await page.getByRole('button', { name: /Everything else has a default/ }).click()
  await page.getByLabel('Altitude or barometer').fill('7800 ft')
  await expect(page.getByText(/a needle can read 22\.4 inHg at the deepest/)).toBeVisible()
})

test('@long pressure at rest asks for recovery first and says whether liquid is inside', async ({ page, context }) => {
  const jobId = await openCar(context.request)
  await page.goto(`/job/${jobId}`)
  await page.getByLabel('Low gauge at rest').fill('350 kPa')
  await page.getByLabel('High gauge at rest').fill('350 kPa')
  await press(page, 'Both are read')
  await expect(theCall(page)).toContainText('Recover it first.')
  // R-134a at 11 °C stands at about 430 kPa absolute, 353 above the air of this place
  await expect(theCall(page)).toContainText('liquid inside')
  await page.getByLabel('Recovered, by the recovery unit’s scale').fill('14 oz')
  await page.getByLabel('Low gauge, read again').fill('0')
  await page.getByLabel('High gauge, read again').fill('0')
  await press(page, 'Recovered, at zero')
  await press(page, 'Log the repair')
  await expectStep(page, 'Fix')
})

test('pressure well below saturation means vapour only', async ({ page, context }) => {
  await page.goto(`/job/${await openCar(context.request)}`)
  await page.getByLabel('Low gauge at rest').fill('10 psi')
  await page.getByLabel('High gauge at rest').fill('10 psi')
  await press(page, 'Both are read')
  await expect(theCall(page)).toContainText('only vapour is left')
})

test('below zero asks whether it is a vacuum or the needle', async ({ page, context }) => {
  await page.goto(`/job/${await openCar(context.request)}`)
  await page.getByLabel('Low gauge at rest').fill('-6 in')
  await page.getByLabel('High gauge at rest').fill('0')
  await press(page, 'Both are read')
  await expect(theCall(page)).toContainText('Below zero: which is it?')
  await press(page, 'Needle off zero')
  await expect(theCall(page)).toContainText('The needle stands below its zero')
})

test('@long a needle deeper than the air of the place is refused beside its field', async ({ page, context }) => {
  await page.goto(`/job/${await openCar(context.request)}`)
  await page.getByLabel('Low gauge at rest').fill('29 inHg')
  await page.getByLabel('High gauge at rest').fill('0')
  await press(page, 'Both are read')
  await expect(page.getByText(/must lie between -200 and 22\.4 inHg here/)).toBeVisible()
})

test('@long oil is owed for a reason only', async ({ page, context }) => {
  const jobId = await openCar(context.request)
  const answer = await context.request.post(`/api/jobs/${jobId}/events`, {
    data: { events: [{ kind: 'step-finished', payload: { step: 'zero' } }] },
  })
  expect(answer.ok()).toBe(true)
  await page.goto(`/job/${jobId}`)
  await page.getByLabel('Oil owed, mL').fill('30')
  await press(page, 'Repair is logged')
  await expect(page.getByText(/oil is added for a reason only/)).toBeVisible()
})
