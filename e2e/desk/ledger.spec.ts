import { expect, signIn, test } from '../shop'

test('a purchase and a correction are booked by hand, with their reasons, and the file has them all', async ({
  page,
  context,
}) => {
  await signIn(context.request)
  await page.goto('/ledger')
  const name = `Cylinder ${Date.now() % 100_000}`
  const form = page.getByRole('form', { name: 'Book by hand' })
  await form.getByLabel('Its name').fill(name)
  await form.getByRole('button', { name: 'Book it' }).click()
  await expect(form.locator('[aria-invalid=true]')).toBeVisible()
  await form.getByLabel('Weight').fill('5.7 kg')
  await form.getByRole('button', { name: 'Book it' }).click()
  await expect(page.getByText('Booked.', { exact: true })).toBeVisible()
  const balance = page
    .getByRole('complementary', { name: 'Containers by the book' })
    .getByRole('listitem')
    .filter({ hasText: name })
  await expect(balance).toContainText('5,700 g')
  await form.getByText('correction', { exact: true }).click()
  await form.getByLabel('Its name').fill(name)
  await form.getByLabel(/Weight/).fill('-200 g')
  await form.getByRole('button', { name: 'Book it' }).click()
  await expect(form.getByText(/a correction says why/)).toBeVisible()
  await form.getByLabel('Why').fill('weighed again')
  await form.getByRole('button', { name: 'Book it' }).click()
  await expect(balance).toContainText('5,500 g')
  const file = await (await context.request.get('/api/ledger.csv')).text()
  expect(file.split('\n')[0]).toBe('time,kind,refrigerant,container,grams,car,by,why')
  expect(file).toContain(`corrected,R-134a,${name},-200.0,,Teo Brisal,weighed again`)
})
