import { randomUUID } from 'node:crypto'
import type { APIRequestContext, Page } from '@playwright/test'
import { parse } from 'csv-parse/sync'
import {
  closeInTime,
  controlBench,
  expect,
  expectStep,
  finished,
  gramsToStop,
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

/** A pulled car whose hold was skipped: ready to be charged. */
async function readyToCharge(request: APIRequestContext, name: string, chargeG: number): Promise<string> {
  const jobId = await openCar(request, { name, chargeG })
  await startPull(request, jobId)
  await startHold(request, jobId)
  await record(request, jobId, { kind: 'hold-skipped', payload: { why: 'test' } })
  return jobId
}

type Line = { kind: string; grams: string }

/** The ledger's lines of one car, from its file. */
async function ledgerOf(request: APIRequestContext, car: string): Promise<Line[]> {
  const text = await (await request.get(`/api/ledger.csv?car=${encodeURIComponent(car)}`)).text()
  return parse(text, { columns: true })
}

async function typeContainer(page: Page, n: number, grossG: number, secondG: number): Promise<void> {
  if (n > 1) await page.getByRole('button', { name: 'Another container' }).click()
  await page.getByLabel(`Gross of container ${n}, as weighed`).fill(`${grossG} g`)
  await page.getByLabel(new RegExp(`^(Net|Empty weight) of container ${n}`)).fill(`${secondG} g`)
}

test('@long two cans and a cylinder, a bumped scale and a leaning hose: the target is met and the ledger agrees to the gram', async ({
  page,
  context,
}) => {
  test.setTimeout(240_000)
  const car = `Bump ${randomUUID().slice(0, 5)}`
  const jobId = await readyToCharge(context.request, car, 320)
  await page.goto(`/job/${jobId}`)
  await expectStep(page, 'Charge')
  await typeContainer(page, 1, 200, 120)
  await typeContainer(page, 2, 198, 120)
  await page.getByRole('button', { name: 'Another container' }).click()
  const shelf = page.getByLabel('Container 3 from the shelf')
  const cylinder = await shelf
    .locator('option', { hasText: /R-134a, \d{4,} g left/ })
    .first()
    .getAttribute('value')
  await shelf.selectOption(cylinder as string)
  await expect(page.getByRole('cell', { name: '320 g' })).toBeVisible()
  await press(page, 'Plan the charge')

  await fill(page, 'can-1', async () => press(page, 'Engine is on', 40_000))
  await fill(page, 'can-2', async () => {
    await controlBench(context.request, jobId, { action: 'scale', state: 'bumped' })
    await expect(theCall(page)).toContainText('the scale was bumped: those readings are left out')
  })
  await fill(page, /cylinder/i, async () => {
    await controlBench(context.request, jobId, { action: 'scale', state: 'leaning' })
    await expect(theCall(page)).toContainText(/the scale jumped by \+4\d g and stays/)
    // 42 g of hose are no refrigerant that is still to come
    expect(await gramsToStop(page)).toBeLessThan(110)
  })

  const said = await theCall(page)
    .getByRole('heading', { name: /g is in\. Prove it\./ })
    .textContent()
  const inside = Number(said?.match(/([\d,]+) g/)?.[1]?.replace(',', ''))
  expect(Math.abs(inside - 320)).toBeLessThanOrEqual(15)
  const lines = await ledgerOf(context.request, car)
  const sum = (kind: string) => lines.filter((l) => l.kind === kind).reduce((g, l) => g - Number(l.grams), 0)
  expect(Math.abs(sum('charged') - inside)).toBeLessThanOrEqual(0.55)
  expect(sum('purged')).toBeCloseTo(9, 6)
  // both cans went away with their heels, the cylinder keeps its own
  expect(lines.filter((l) => l.kind === 'heel')).toHaveLength(2)
})

/** Puts the next container on, opens it, lets `while_` happen, closes in time and weighs it off. */
async function fill(page: Page, name: string | RegExp, meanwhile: () => Promise<void>): Promise<void> {
  await press(page, typeof name === 'string' ? `${name} is connected` : /is connected/)
  await press(page, 'It is purged')
  await press(page, 'Both are open')
  await expect(page.getByText(/g\/min/).first()).toBeVisible()
  await meanwhile()
  await closeInTime(page)
  await press(page, 'Container is shut')
}

test('a wrong refrigerant, a negative weight and a doubled event are refused with their reasons, and nothing is lost', async ({
  page,
  context,
}) => {
  const jobId = await readyToCharge(context.request, `Refused ${randomUUID().slice(0, 5)}`, 320)
  await page.goto(`/job/${jobId}`)
  await typeContainer(page, 1, 474, 340)
  await page.getByLabel('It holds').selectOption('R-1234yf')
  await press(page, 'Plan the charge')
  await expect(page.getByText(/the car’s label asks for R-134a: never mix/).first()).toBeVisible()
  await expect(page.getByLabel('Gross of container 1, as weighed')).toHaveValue('474 g')
  const containers = [{ id: 'can-1', kind: 'can', grossG: 474, netG: 340 }]
  const plan = {
    targetG: 320,
    purgeEachG: 3,
    containers,
    stops: [{ id: 'can-1', stopGrossG: 151, takenG: 323, purgeG: 3 }],
    bandG: [310, 330],
  }
  const post = (...events: object[]) => context.request.post(`/api/jobs/${jobId}/events`, { data: { events } })
  const other = await post({
    id: randomUUID(),
    kind: 'charge-planned',
    payload: { ...plan, containers: [{ ...containers[0], refrigerant: 'R-1234yf' }] },
  })
  expect(other.status()).toBe(409)
  expect(await other.text()).toMatch(/can-1 holds R-1234yf/)
  await record(context.request, jobId, { kind: 'charge-planned', payload: plan })
  const start = { id: randomUUID(), kind: 'container-started', payload: { id: 'can-1', grossG: 474 } }
  expect((await post(start)).ok()).toBe(true)
  const negative = await post({ id: randomUUID(), kind: 'container-ended', payload: { id: 'can-1', grossG: -150 } })
  expect(negative.status()).toBe(400)
  expect(await negative.text()).toMatch(/grossG/)
  // the same event again is harmless, the same with another weight is not, and a second one of its kind neither
  expect((await post(start)).ok()).toBe(true)
  expect((await post({ ...start, payload: { id: 'can-1', grossG: 480 } })).status()).toBe(409)
  const twice = await post({ id: randomUUID(), kind: 'container-started', payload: { id: 'can-1', grossG: 474 } })
  expect(await twice.text()).toMatch(/can-1 is still on/)
  await expect(theCall(page)).toContainText('Purge the line.')
  await expect(page.getByText('can-1 on at 474 g')).toHaveCount(1)
})

test('@long the proof is held against the maker’s figures, the rest pressure shows air, and before stands beside after', async ({
  page,
  context,
}) => {
  const jobId = await openCar(context.request, { name: `Proof ${randomUUID().slice(0, 5)}` })
  await page.goto(`/job/${jobId}`)
  await page.getByText('How it ran before, for the comparison').click()
  const before = page.getByRole('form', { name: 'How it ran before, for the comparison' })
  await before.getByLabel('Vent before').fill('70 F')
  await before.getByRole('button', { name: 'Keep it as before' }).click()
  await expect(page.getByText('How it ran before: vent 21.1 °C')).toBeVisible()
  await record(
    context.request,
    jobId,
    finished('zero'),
    { kind: 'hold-decided', payload: { next: 'charge' } },
    finished('charge'),
    part('engine', 'on'),
  )
  await expectStep(page, 'Prove')
  await page.getByText('The maker’s figures, which lead').click()
  const maker = page.getByRole('form', { name: 'The maker’s figures, which lead' })
  await maker.getByLabel('The maker’s low side').fill('200')
  await maker.getByRole('button', { name: 'Hold it against these' }).click()
  await expect(maker.getByText(/type both ends/)).toBeVisible()
  await maker.getByLabel('The maker’s low side').fill('200 to 260 kPa')
  await maker.getByRole('button', { name: 'Hold it against these' }).click()
  await expect(page.getByRole('region', { name: 'Bands' })).toContainText(
    '200 kPa, 29 psig to 260 kPa, 38 psig, the maker’s',
  )
  for (const [low, vent] of [
    ['230 kPa', '9 C'],
    ['290 kPa', '8 C'],
  ] as const) {
    await page.getByLabel('Low side, running').fill(low)
    await page.getByLabel('High side, running').fill('800 kPa')
    await page.getByLabel('Middle vent').fill(vent)
    await press(page, 'It is read')
    await expect(page.getByText(`vent ${vent.replace(' C', '.0 °C')}`).first()).toBeVisible()
  }
  await expect(page.getByRole('region', { name: 'Bands' })).toContainText('290 kPa, 42 psig: above the band')
  await expect(page.getByRole('table', { name: 'Before and after' })).toContainText('21.1 °C8.0 °C')
  await page.getByText('At rest, for air').click()
  const rest = page.getByRole('form', { name: 'At rest, for air' })
  await rest.getByLabel('Both sides at rest').fill('600 kPa')
  await rest.getByRole('button', { name: 'It is read at rest' }).click()
  await expect(page.getByRole('region', { name: 'What the readings point to' })).toContainText(
    'at rest above saturation',
  )
  await page.goto(`/job/${jobId}/record`)
  await expect(page.getByText('above saturation, so air inside')).toBeVisible()
  await page.goto(`/job/${jobId}/label`)
  await expect(page.getByLabel('Service label')).toContainText('R-134a')
})
