import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { placesOf } from '../../src/ops/places'
import { expect, test } from '../shop'

const root = process.env.YPEROS_ROOT ?? process.cwd()
const NAME = 'own-test'
const PORT = 4617
const address = `http://127.0.0.1:${PORT}`
const answers = () =>
  fetch(`${address}/api/health`).then(
    (r) => r.ok,
    () => false,
  )

test.beforeAll(async () => {
  spawn(join(root, 'yperos'), ['up', '--own', '--name', NAME, '--port', String(PORT)], {
    stdio: 'ignore',
    detached: true,
  })
  await expect.poll(answers, { timeout: 110_000 }).toBe(true)
})
test.afterAll(() => {
  spawnSync(join(root, 'yperos'), ['stop', '--name', NAME])
  const { state, data } = placesOf(NAME)
  for (const path of [state, data]) rmSync(path, { recursive: true, force: true })
})

test('an empty shop is opened by its first person, and a real car with a needle is taken in', async ({ browser }) => {
  const file = join(mkdtempSync(join(tmpdir(), 'yperos-set-up-')), 'shop.json')
  const fromFile = (altitudeM: number) => {
    const lead = { signIn: 'ilka', name: 'Ilka Marn', certificate: '', password: 'eleven letters' }
    const shop = { name: 'Quay 9', air: { by: 'altitude', altitudeM }, ambientC: 18, timeZone: 'UTC', lead }
    writeFileSync(file, JSON.stringify(shop))
    const { status, stderr } = spawnSync(join(root, 'yperos'), ['set-up', file, '--to', address], { encoding: 'utf8' })
    return { status, stderr }
  }
  expect(fromFile(90_000)).toEqual({ status: 2, stderr: expect.stringContaining('air.altitudeM') })
  const context = await browser.newContext({ baseURL: address })
  const page = await context.newPage()
  // whatever is asked for first, the set-up is what there is
  await page.goto('/board')
  await expect(page).toHaveURL(/\/setup$/)
  await expect(page.getByRole('heading', { name: 'Open your shop' })).toBeVisible()
  await page.getByRole('button', { name: 'Open the shop' }).click()
  await expect(page.getByText('a name people here use')).toBeVisible()
  await expect(page.getByText('an altitude, such as 380 m or 1250 ft')).toBeVisible()
  await page.getByLabel('Name of the shop').fill('Quay 9 workshop')
  await page.getByLabel('Your name, as records say it').fill('Ilka Marn')
  await page.getByLabel('Name to sign in by').fill('ilka')
  await page.getByLabel('Password').fill('eleven letters')
  // a forecast's figure typed as a barometer, two thousand metres up
  await page.getByRole('radio', { name: 'what a barometer reads here' }).click()
  await page.getByLabel('The barometer reads').fill('1013 mbar')
  await page.getByLabel('Altitude, if you know it').fill('2000 m')
  await expect(page.getByText(/795 mbar.*is this the sea-level pressure of a forecast\?/)).toBeVisible()
  await page.getByRole('radio', { name: 'how high it lies' }).click()
  await page.getByLabel('Altitude', { exact: true }).fill('0 m')
  await expect(page.getByText(/air 1013 mbar; a needle can read 29\.9 inHg/)).toBeVisible()
  await page.getByLabel('Gauge').selectOption({ label: 'needle on the manifold' })
  await page.getByLabel('Pump').selectOption({ label: 'small, one stage' })
  await expect(page.getByRole('region', { name: 'Assumed' })).not.toContainText('Gauge')
  await page.getByRole('button', { name: 'Open the shop' }).click()
  await expect(page).toHaveURL(/\/board$/)
  await expect(page.getByText('Quay 9 workshop').first()).toBeVisible()
  expect((await context.cookies()).map((c) => c.name)).toContain(NAME)

  // the door of the set-up is shut from now on
  const again = await context.request.post('/api/setup', { data: {} })
  expect([again.status(), (await again.json()).error]).toEqual([409, 'conflict'])
  expect(fromFile(0)).toEqual({ status: 2, stderr: expect.stringContaining('A shop is open here already') })
  const stranger = await (await browser.newContext({ baseURL: address })).newPage()
  await stranger.goto('/setup')
  await expect(stranger).toHaveURL(/\/sign-in$/)
  await expect(stranger.getByText('Demo place')).toHaveCount(0)

  await page.goto('/job/new')
  await page.getByLabel('Name people use').fill('Ferry van')
  await page
    .getByLabel(/^Charge/)
    .first()
    .fill('550 g')
  await expect(page.getByText('simulated')).toHaveCount(0)
  await page.getByRole('button', { name: /Take it in/ }).click()
  await expect(page).toHaveURL(/\/job\/[0-9a-f-]{36}$/)
  await expect(page.getByRole('heading', { level: 1, name: 'Ferry van' })).toBeVisible()
  await expect(page.getByText('Read both gauges at rest.')).toBeVisible()
  await context.close()
})
