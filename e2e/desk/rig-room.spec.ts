import { expect, signIn, test } from '../shop'

test(
  'a rig is put together from the shelf, says at once what is left at the car and what each part costs, ' +
    'and can be chosen for a car',
  async ({ page, context }) => {
    await signIn(context.request, 'maira')
    await page.goto('/rig-room')
    await page.getByRole('radio', { name: 'Cart P1, 1/4 in' }).click()
    const left = page.getByRole('complementary', { name: 'This rig' })
    await expect(left).toContainText(/0\.\d % of its pump at 500 micron/)
    await expect(left).toContainText('Its gauge sits at the pump')
    const share = async () => Number(/([\d.]+) % of its pump/.exec((await left.textContent()) ?? '')?.[1])
    const before = await share()
    // a wide hose to the pump instead of the narrow one
    await page.getByLabel('Hose to the pump').selectOption('Hose 13, short')
    await page.getByLabel('Cores').selectOption('out, through core tools')
    await expect.poll(share).toBeGreaterThan(before)
    await expect(page.getByRole('region', { name: 'Predicted pull' })).toContainText(
      /To 500 micron at the farthest point: about \d+ (s|min)/,
    )
    await page.getByLabel('Name of this rig').fill('Cart P1, mended')
    await page.getByRole('button', { name: 'Keep the change' }).click()
    await expect(page.getByText(/^Kept\./)).toBeVisible()
    await page.goto('/job/new')
    await page.getByLabel('Rig', { exact: true }).selectOption('Cart P1, mended')
    await expect(page.getByText(/seals due since/).first()).toBeVisible()
  },
)

test('at take-in a rig whose pump is free is offered first; one that pulls on another car says on which', async ({
  page,
  context,
}) => {
  await signIn(context.request, 'maira')
  await page.goto('/job/new')
  const rig = page.getByLabel('Rig', { exact: true })
  await expect(rig.locator('option:checked')).toHaveText('Cart P3, 3/8 in')
  await expect(page.getByText(/This pump runs on/)).toBeHidden()
  await rig.selectOption('Cart P2, 3/8 in')
  await expect(page.getByText('This pump runs on Ambulance now: one pump pulls on one car.')).toBeVisible()
})

test('a rig chosen before the page is awake is not taken back: it can be chosen only once it is kept', async ({
  page,
  context,
}) => {
  await signIn(context.request, 'maira')
  // the page's programs come late, as on a phone at the far end of the bay
  await page.route(/\/_next\/static\/.*\.js/, async (route) => {
    await new Promise((done) => setTimeout(done, 1500))
    await route.continue()
  })
  await page.goto('/job/new', { waitUntil: 'commit' })
  const rig = page.getByLabel('Rig', { exact: true })
  const other = await rig.locator('option:not(:checked)').first().textContent()
  await rig.selectOption({ label: other ?? '' })
  // what answers to a tap is awake
  const overnight = page.getByRole('radio', { name: 'open overnight' })
  await expect(async () => {
    await overnight.click()
    await expect(overnight).toBeChecked({ timeout: 300 })
  }).toPass()
  await expect(rig.locator('option:checked')).toHaveText(other ?? 'nothing')
})

test('the same hose twice in a rig is refused with the reason', async ({ page, context }) => {
  await signIn(context.request, 'maira')
  await page.goto('/rig-room')
  await page.getByRole('radio', { name: 'Cart P2, 3/8 in' }).click()
  await page.getByLabel('High side hose').selectOption('Hose 11')
  await expect(page.getByText('the same hose cannot be in two places')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep the change' })).toBeDisabled()
})

test('@long a blank-off test is led through, survives a reload, and its result is the pump’s ultimate from then on', async ({
  page,
  context,
}) => {
  await signIn(context.request, 'teo')
  await page.goto('/rig-room')
  await page.getByRole('link', { name: /^Pump P2/ }).click()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  const log = async (text: string) => {
    await page.getByLabel('The gauge shows').fill(text)
    await page.getByRole('button', { name: 'Log it' }).click()
  }
  await log('25 inHg')
  await expect(page.getByText('a needle sees nothing down there')).toBeVisible()
  await log('400')
  await log('4.53 Pa')
  await page.reload()
  await expect(page.getByRole('list', { name: 'Readings' })).toContainText('34')
  await log('34')
  await expect(page.getByText(/Still falling/)).toBeVisible()
  await log('34u')
  await expect(page.getByText(/It reaches 34 micron by itself; its plate says 25/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep the result' }).click()
  await expect(page.getByRole('region', { name: 'History' })).toContainText('34 micron, healthy')
  await expect(page.getByRole('main')).toContainText('34micron reached by itself')
})

test('@long a trainee tests and looks, but neither builds rigs nor fills the shelf', async ({ page, context }) => {
  await signIn(context.request, 'anouk')
  await page.goto('/rig-room')
  await expect(page.getByRole('complementary', { name: 'This rig' })).toContainText('of its pump')
  await expect(page.getByRole('button', { name: /Keep/ })).toHaveCount(0)
  await expect(page.getByRole('button', { name: /another/ })).toHaveCount(0)
  const item = {
    id: '00000000-0000-4000-8000-000000000001',
    name: 'Scale X',
    kind: 'scale',
    spec: { stepG: 2, calibratedOn: '2026-01-01' },
    retired: false,
  }
  expect((await context.request.post('/api/rig-room', { data: { what: 'equipment', equipment: item } })).status()).toBe(
    403,
  )
})

test('@long the lead puts a hose on the shelf; what cannot be is refused beside its field', async ({
  page,
  context,
}) => {
  await signIn(context.request, 'maira')
  await page.goto('/rig-room')
  await page.getByRole('button', { name: 'another hose' }).click()
  await page.getByLabel('Name on it').fill('Hose 21')
  await page.getByLabel(/^Bore, mm/).fill('0')
  await page.getByRole('button', { name: 'Put the hose on the shelf' }).click()
  await expect(page.getByText(/Too small/)).toBeVisible()
  await page.getByLabel(/^Bore, mm/).fill('12.7')
  await page.getByRole('button', { name: 'Put the hose on the shelf' }).click()
  await expect(page.getByRole('link', { name: /^Hose 21/ })).toContainText('12.7 mm bore')
})
