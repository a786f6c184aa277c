import { expect, signIn, test } from '../shop'

test.beforeEach(({ context }) => signIn(context.request))

/** A foreign logger's file: semicolons, decimal commas, time of day, mbar. */
function foreign(mbar: (minute: number) => number): string {
  const rows = Array.from(
    { length: 31 },
    (_, m) =>
      `23:${String(40 + m - (m >= 20 ? 60 : 0)).padStart(2, '0')}:00;${mbar(m).toFixed(3).replace('.', ',')};21,5`,
  )
  // it runs past midnight
  return `Time;Channel A [mbar];Temp\n${rows.map((row, m) => (m >= 20 ? row.replace(/^23/, '00') : row)).join('\n')}\n`
}
const file = (content: string) => ({ name: 'logger.csv', mimeType: 'text/csv', buffer: Buffer.from(content) })

test('a logger’s file is judged at once by columns that are picked and kept', async ({ page }) => {
  await page.goto('/judge')
  await page.getByLabel('Readings file').setInputFiles(file(foreign((m) => 0.4 + 0.04 * m)))
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict.getByRole('heading', { name: 'It leaks.' })).toBeVisible()
  await expect(verdict).toContainText('31 readings over 30 min')
  await expect(verdict).toContainText(/Found: between [\d,]+ and [\d,]+ g a year/)
  await page.getByLabel('Keep it under a name').fill('the logger on cart 2')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('Kept as the logger on cart 2.', { exact: true })).toBeVisible()
  await page.reload()
  await page.getByLabel('Readings file').setInputFiles(file(foreign(() => 0.4)))
  await expect(page.getByLabel('As kept')).toHaveValue('the logger on cart 2')
  await expect(verdict.getByRole('heading', { name: /Tight\.|Undecided\./ })).toBeVisible()
})

test('a row that cannot be read is named by its line, and nothing is judged', async ({ page }) => {
  await page.goto('/judge')
  await page.getByLabel('Readings file').setInputFiles(file(foreign(() => 0.4).replace('0,400', 'lots')))
  await expect(page.getByRole('alert').filter({ hasText: 'line 2' })).toContainText(
    '"lots" in the column "Channel A [mbar]" is no number',
  )
  await expect(page.getByText('No record that can be read yet.')).toBeVisible()
})

test('@long a typed table is judged too, and a volume that cannot be is refused beside its field', async ({ page }) => {
  await page.goto('/judge')
  await page.getByLabel(/or type it/).fill('0 300\n5 420\n10 540\n15 660\n20 780\n25 900\n30 1020')
  await expect(page.getByRole('heading', { name: 'It leaks.' })).toBeVisible()
  await page.getByLabel('Isolated volume, L').fill('0')
  await expect(page.getByText('between 0.1 and 1000 L')).toBeVisible()
  await page.getByLabel('Isolated volume, L').fill('2.5')
  await page.getByLabel(/or type it/).fill('0 300\n5 420\n3 430')
  await expect(page.getByRole('alert').filter({ hasText: 'line 3' })).toContainText('rows must stand in order of time')
})
