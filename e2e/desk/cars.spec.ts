import { randomUUID } from 'node:crypto'
import { expect, openCar, record, signIn, test } from '../shop'

test('a car is found by its name, its page has every visit, and taking it in again brings its label', async ({
  page,
}) => {
  await signIn(page.request)
  const name = `Quay van ${randomUUID().slice(0, 4)}`
  const id = await openCar(page.request, { name, chargeG: 620, simulated: false })
  await record(
    page.request,
    id,
    { kind: 'recovered', payload: { grams: 410 } },
    { kind: 'noted', payload: { text: 'rear core weeps' } },
  )
  await page.goto('/cars')
  await page.getByLabel('Name, plate or model').fill(name.toLowerCase())
  const cars = page.getByRole('list', { name: 'Cars of the shop' })
  await expect(cars.getByRole('listitem')).toHaveCount(1)
  await cars.getByRole('link').click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
  await expect(page.getByText(/label 620 g/)).toBeVisible()
  const visits = page.getByRole('region', { name: 'Visits' })
  await expect(visits).toContainText('410 g recovered · not charged')
  // one visit tells nothing of a year, and that is said
  const comes = page.getByRole('complementary', { name: 'What it comes to' })
  await expect(comes).toContainText('How fast it loses is not known')
  await expect(comes).toContainText('rear core weeps')
  await comes.getByRole('link', { name: 'Take it in' }).click()
  await expect(page.getByLabel('Name people use')).toHaveValue(name)
  await expect(page.getByText('The shop knows it')).toBeVisible()
  await expect(page.getByLabel(/^Charge/).first()).toHaveValue('620 g')
  // what nobody is called is said, and nothing else is shown
  await page.goto('/cars')
  await page.getByLabel('Name, plate or model').fill('no such car here')
  await expect(page.getByText('No car is called like that.')).toBeVisible()
  expect((await page.request.get(`/cars/${randomUUID()}`)).status()).toBe(404)
})
