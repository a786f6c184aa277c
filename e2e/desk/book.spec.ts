import { randomUUID } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { APIRequestContext, Page } from '@playwright/test'
import { expect, finished, openCar, record, signIn, test } from '../shop'

/** Words of a PDF, page by page. */
async function wordsOf(pdf: Buffer): Promise<string[]> {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  return Promise.all(
    Array.from({ length: read.numPages }, async (_, i) => {
      const { items } = await (await read.getPage(i + 1)).getTextContent()
      return items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' ')
    }),
  )
}

/** A real car whose last step is reached, with one vacuum read, ready to be signed. */
async function toLeave(request: APIRequestContext, name: string): Promise<string> {
  const id = await openCar(request, { name, simulated: false })
  const steps = ['zero', 'fix', 'rig', 'pull', 'isolate', 'hold', 'charge', 'prove'] as const
  await record(request, id, { kind: 'recovered', payload: { grams: 310 } }, ...steps.map(finished))
  return id
}
const sign = async (request: APIRequestContext, id: string) => {
  const answer = await request.post(`/api/jobs/${id}/sign`, { data: { id: randomUUID(), certificate: 'CL-0533' } })
  expect(answer.ok(), await answer.text()).toBe(true)
}
const found = (page: Page) => page.getByRole('list', { name: 'Found' }).getByRole('listitem')

test('@long a record is found by what was said in it and by a filter that is tapped; the address keeps both, and the file has what was found', async ({
  page,
}) => {
  await signIn(page.request)
  const name = `Ferry ${randomUUID().slice(0, 4)}`
  const [first, second] = [await openCar(page.request, { name }), await toLeave(page.request, name)]
  await record(page.request, first, { kind: 'noted', payload: { text: 'squeals when cold' } })
  await sign(page.request, second)
  await page.goto('/records')
  await page.getByLabel(/^Car, plate, person/).fill(`${name.toLowerCase()} squeals`)
  await expect(found(page)).toHaveCount(1)
  await page.getByLabel(/^Car, plate, person/).fill(name)
  await expect(found(page)).toHaveCount(2)
  await page.getByRole('button', { name: 'signed', exact: true }).click()
  await expect(found(page)).toHaveCount(1)
  await expect(page).toHaveURL(/q=Ferry.*signed/)
  await page.reload()
  await expect(found(page)).toHaveCount(1)
  await expect(page.getByRole('button', { name: 'signed', exact: true })).toHaveAttribute('aria-pressed', 'true')
  const file = await (await page.request.get(`/api/records.csv?q=${encodeURIComponent(`${name} signed`)}`)).text()
  expect(file.trim().split('\n')).toHaveLength(2)
  expect(file).toContain(second)
  // a slip of the pen is told from nothing at all
  await page.getByLabel(/^Car, plate, person/).fill('ambulanse')
  await expect(page.getByText(/spelled nearly so/)).toBeVisible()
  await page.getByLabel(/^Car, plate, person/).fill('qqqqzzzz')
  await expect(page.getByText('Nothing has that.')).toBeVisible()

  await page.getByLabel(/^Car, plate, person/).fill(name)
  await expect(found(page)).toHaveCount(2)
  await found(page).nth(0).getByRole('checkbox').click()
  await found(page).nth(1).getByRole('checkbox').click()
  await page.getByRole('link', { name: 'Put the two side by side' }).click()
  await expect(page.getByRole('row', { name: /^Recovered/ })).toContainText('310 g')
})

test('@long a certificate is a PDF with a page for whoever pays and the rest for an inspector; a draft says so on every page', async ({
  page,
}) => {
  await signIn(page.request)
  const name = `Paper ${randomUUID().slice(0, 4)}`
  const id = await toLeave(page.request, name)
  const pdf = async () => (await page.request.get(`/api/jobs/${id}/certificate.pdf`)).body()
  const draft = await wordsOf(await pdf())
  expect(draft.length).toBeGreaterThanOrEqual(2)
  expect(draft[0]).toContain('NOT SIGNED')
  expect(draft[1]).toContain('NOT SIGNED')
  // nothing was read: it says so, and draws no curve
  expect(draft[0]).toMatch(/Nothing was pulled or held|No readings were kept/)
  await sign(page.request, id)
  const signed = await wordsOf(await pdf())
  expect(signed[0]).toContain(name)
  expect(signed[0]).toContain('emptied of 310 g')
  expect(signed[0]).toContain('Signed by Teo Brisal')
  expect(signed.join(' ')).not.toContain('NOT SIGNED')
  expect(signed[1]).toContain('Recovered 310 g')
  expect((await page.request.get(`/api/jobs/${randomUUID()}/certificate.pdf`)).status()).toBe(404)
})

test('a record is checked by anybody: what holds, what was changed, another program’s file, and one that is too large', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page.request)
  const id = await toLeave(page.request, `Checked ${randomUUID().slice(0, 4)}`)
  await sign(page.request, id)
  const text = await (await page.request.get(`/api/jobs/${id}/record.json`)).text()
  const readings = await (await page.request.get(`/api/jobs/${id}/readings.csv`)).text()
  const { head, signature } = JSON.parse(text)
  const file = (name: string, content: string | Buffer) => ({
    name,
    mimeType: 'text/plain',
    buffer: Buffer.from(content),
  })
  const stranger = await browser.newContext({ ...(baseURL && { baseURL }) })
  const other = await stranger.newPage()
  const sent: string[] = []
  other.on('request', (r) => r.method() !== 'GET' && sent.push(r.url()))
  await other.goto('/check')
  const says = other.getByRole('region', { name: 'What was found' })
  const line = (words: RegExp) => says.getByRole('listitem').filter({ hasText: words })
  await other.getByLabel('Record file').setInputFiles(file('record.json', text))
  await expect(says.getByRole('heading', { name: 'It holds.' })).toBeVisible()
  await expect(line(/Readings: not held against it/)).toContainText('not known')
  await other.getByLabel('Readings file').setInputFiles(file('readings.csv', readings))
  await expect(line(/^holds\s*Readings/)).toBeVisible()
  await other.getByLabel(/^The shop’s key/).fill(signature.public_key)
  await expect(line(/^holds\s*Key/)).toBeVisible()
  await other.getByLabel(/^The shop’s key/).fill('1a2b 3c4d')
  await expect(says.getByRole('heading', { name: 'It does not hold.' })).toBeVisible()
  await other.getByLabel(/^The shop’s key/).fill('')

  const changed = JSON.parse(text)
  changed.events[1].payload.grams -= 100
  await other.getByLabel('Record file').setInputFiles(file('record.json', JSON.stringify(changed)))
  await expect(says.getByRole('heading', { name: 'It does not hold.' })).toBeVisible()
  await expect(says).toContainText('$.events[1]')
  await other.getByLabel('Record file').setInputFiles(file('log.json', '{"format":"somebody-elses"}'))
  await expect(says).toContainText('somebody-elses')
  await other.getByLabel('Record file').setInputFiles(file('half.json', text.slice(0, 900)))
  await expect(says).toContainText('not JSON')
  // a browser takes no larger file from memory than this by a test: it is written first
  const large = join(tmpdir(), `large-${randomUUID()}.json`)
  writeFileSync(large, Buffer.alloc(51 * 1024 * 1024, 32))
  await other.getByLabel('Record file').setInputFiles(large)
  await expect(other.getByRole('region', { name: 'Files' }).getByRole('alert')).toContainText('larger than 50 MB')
  expect(sent).toEqual([])

  // the code on the paper says which record it is of
  await other.goto(`/check#head=${head}&key=${'a'.repeat(64)}`)
  await other.reload()
  await other.getByLabel('Record file').setInputFiles(file('record.json', text))
  await expect(line(/Paper: printed of another record/)).toContainText('fails')
  await stranger.close()
})

test('@long a file of a former life is looked at, named where it cannot be, brought in, seen on its car, and taken out whole', async ({
  page,
}) => {
  await signIn(page.request, 'maira')
  const car = `Old ${randomUUID().slice(0, 4)}`
  const csv = [
    'Vehicle,Date,Recovered,Charged,Result',
    `${car},2022-06-03,400,540,tight`,
    `${car},2024-06-03,430,540,tight`,
    `${car},2024-02-30,430,540,tight`,
    `${car},2025-06-03,410,19 oz,leak`,
  ].join('\n')
  await page.goto('/import')
  await page.getByLabel('CSV file').setInputFiles({ name: 'old.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  const faults = page.getByRole('alert', { name: 'What cannot be' })
  await expect(faults).toContainText('2 of 4 lines')
  await expect(faults).toContainText('Line 4, Date: “2024-02-30”')
  await expect(faults).toContainText('Line 5, Charged: “19 oz”, in oz')
  expect(await (await page.request.get(`/api/records.csv?q=${encodeURIComponent(car)}`)).text()).not.toContain(car)
  await page.getByRole('button', { name: 'Leave the 2 out, bring in 2' }).click()
  await expect(page.getByText('2 lines of old.csv are in the book.', { exact: true })).toBeVisible()
  await page.goto(`/records?q=${encodeURIComponent(car)}`)
  await expect(found(page)).toHaveCount(2)
  await found(page).first().getByRole('link').click()
  // 540 g in, 430 out two years later: 55 g a year
  await expect(page.getByRole('complementary', { name: 'What it comes to' })).toContainText(/5[0-9] g a year/)
  // the file says no minutes, so none are made up
  await expect(page.getByRole('region', { name: 'Visits' })).toContainText(
    '430 g recovered · 540 g charged · hold: tight',
  )
  await page.goto('/import')
  const brought = page
    .getByRole('region', { name: 'Brought in' })
    .getByRole('listitem')
    .filter({ hasText: 'old.csv' })
    .first()
  await brought.getByRole('button', { name: 'Take it out again' }).click()
  await brought.getByRole('button', { name: 'Leave it in' }).click()
  await brought.getByRole('button', { name: 'Take it out again' }).click()
  await brought.getByRole('button', { name: 'Take all 2 lines out' }).click()
  await expect(brought).toContainText('taken out again by Maira')
  await page.goto(`/records?q=${encodeURIComponent(car)}`)
  await expect(page.getByText('Nothing has that.')).toBeVisible()
})

test('@long a bottle is weighed against the book, what was recovered is handed in, and the statement adds up', async ({
  page,
}) => {
  await signIn(page.request, 'maira')
  const name = `Bottle ${Date.now() % 100_000}`
  const book = async (entry: object) =>
    page.request.post('/api/ledger', {
      data: { id: randomUUID(), refrigerant: 'R-1234yf', container: name, equipmentId: null, why: '', ...entry },
    })
  expect((await book({ kind: 'bought', grams: 4000 })).ok()).toBe(true)
  await page.goto('/ledger')
  const form = page.getByRole('form', { name: 'Book by hand' })
  await form.getByText('weighed anew', { exact: true }).click()
  await form.getByLabel('Its name').fill(name)
  await form.getByText('R-1234yf', { exact: true }).click()
  await form.getByLabel('The scale shows').fill('3.9 kg')
  await form.getByRole('button', { name: 'Book it' }).click()
  await expect(form.getByText(/a difference says why/)).toBeVisible()
  await form.getByLabel('Why it differs').fill('not known')
  await form.getByRole('button', { name: 'Book it' }).click()
  const balance = page
    .getByRole('complementary', { name: 'Containers by the book' })
    .getByRole('listitem')
    .filter({ hasText: name })
  await expect(balance).toContainText('3,900 g')
  // more than there is is refused with what there is
  await form.getByText('handed in', { exact: true }).click()
  await form.getByText('R-1234yf', { exact: true }).click()
  await form.getByLabel('Weight').fill('90 kg')
  await form.getByLabel('Receipt').fill('4711')
  await form.getByRole('button', { name: 'Book it' }).click()
  await expect(form.getByText(/the book has \d+ g of R-1234yf in the recovery cylinder/).first()).toBeVisible()
  await page.goto('/statement')
  const row = (of: string) => page.getByRole('row', { name: new RegExp(`^${of}`) })
  await expect(row('Differences not explained')).toContainText('−100')
  await expect(page.getByText(/0\.10 kg missing, not explained/)).toBeVisible()
  await expect(page.getByText(/do not add up/)).toHaveCount(0)
  const year = new Date().getFullYear()
  const csv = await (await page.request.get(`/api/statement.csv?from=${year}-01-01&to=${year}-12-31`)).text()
  expect(csv).toContain('Differences not explained,-100.0')
  expect((await page.request.get('/api/statement.csv?from=2026-05-01&to=2026-01-01')).status()).toBe(400)
})

test('@long what a car is is told once: a number with a wrong check digit is taken with a remark, and it is found by it', async ({
  page,
}) => {
  await signIn(page.request)
  const name = `Told ${randomUUID().slice(0, 4)}`
  await openCar(page.request, { name, simulated: false })
  await page.goto('/cars')
  await page.getByLabel('Name, plate or model').fill(name)
  await page.getByRole('list', { name: 'Cars of the shop' }).getByRole('link').click()
  await page.getByRole('button', { name: 'What it is' }).click()
  await page.getByLabel('Identification number').fill('SHORT')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/has 17 characters/)).toBeVisible()
  const vin = `ABC${String(Date.now()).padStart(14, '0')}`
  await page.getByLabel('Identification number').fill(vin)
  await expect(page.getByText(/check digit/)).toBeVisible()
  await page.getByLabel('For whoever opens the hood next').fill('rear core weeps')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible()
  await page.goto(`/records?q=${vin.slice(0, 12)}`)
  await expect(found(page)).toHaveCount(1)
  await page.goto('/job/new')
  await page.getByLabel('Name people use').fill(name)
  await page.getByRole('list', { name: 'Cars the shop knows' }).getByRole('button').first().click()
  await expect(page.getByRole('region', { name: 'Who it is' })).toContainText('rear core weeps')
})
