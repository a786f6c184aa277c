import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { get } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { ownPlace, root } from '../own-place'
import { endEarly, expect, expectStep, press, sheetOf, shot, test, theCall } from '../shop'

const NAME = 'own-test'
const PORT = 4617
const place = ownPlace(NAME, PORT, ['--own', '--lan'])
const { address } = place

// one shop, opened by the first test and worked in by the second
test.describe.configure({ mode: 'serial' })

test.beforeAll(place.start)
test.afterAll(() => {
  place.stop()
  place.forget()
})

test('@long an empty shop is opened by its first person, and a real car with a needle is taken in', async ({
  browser,
}) => {
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
  await expect(page.getByText(/air 101.3 kPa; a needle can read 29\.9 inHg/)).toBeVisible()
  await page.getByLabel('Gauge').selectOption({ label: 'needle on the manifold' })
  await page.getByLabel('Pump').selectOption({ label: 'small, one stage' })
  await expect(page.getByRole('region', { name: 'Assumed' })).not.toContainText('Gauge')
  await shot(page, 'own-set-up')
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
  await expect(page.getByRole('heading', { name: 'Read both gauges at rest.' })).toBeVisible()
  await context.close()
})

async function signedInPage(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ baseURL: address })
  const page = await context.newPage()
  await page.goto('/')
  await page.getByLabel('Name').fill('ilka')
  await page.getByLabel('Password').fill('eleven letters')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page).toHaveURL(/board/)
  return page
}

/** Types a figure on the pad and logs it. */
async function typeReading(page: Page, figure: string): Promise<void> {
  const pad = page.getByRole('form', { name: 'Typed reading' })
  for (const key of figure) await pad.getByRole('button', { name: key, exact: true }).click()
  // a bar that comes or goes above moves the pad under a finger: whoever sees the figure still there presses again
  await expect(async () => {
    if ((await pad.getByLabel(/^Type/).inputValue()) !== '') await pad.getByRole('button', { name: 'Log it' }).click()
    await expect(pad.getByLabel(/^Type/)).toHaveValue('', { timeout: 2500 })
  }).toPass()
}

const CLOSING = [
  'Container is shut',
  'Low coupler is off',
  'Engine is off',
  'High coupler is off',
  'Both caps are on',
  'Pump is capped',
  'Label is filled in',
]

test('@long with a needle, a can and a kitchen scale, every reading typed, a real car goes from its gauges at rest to its hold', async ({
  browser,
}) => {
  test.setTimeout(150_000)
  const page = await signedInPage(browser)
  await page.goto('/board')
  await page
    .getByRole('link', { name: /Ferry van/ })
    .first()
    .click()
  await expectStep(page, 'Zero')
  await page.getByLabel('Low gauge at rest').fill('0 psig')
  await page.getByLabel('High gauge at rest').fill('0 psig')
  await press(page, 'Both are read')
  await press(page, 'Log the repair')
  await page.getByLabel('Oil by the label').fill('PAG 46')
  await shot(page, 'own-fix')
  await press(page, 'Repair is logged')
  await expectStep(page, 'Rig')
  await shot(page, 'own-rig')
  for (const label of [
    'Both valves are shut',
    'Both are on',
    'Both press the core',
    'Hose on, cap off',
    'Start the pull',
  ])
    await press(page, label)
  await press(page, 'Pump is running')
  await press(page, 'Both valves are open')
  await typeReading(page, '29.5')
  await shot(page, 'own-pull')
  await theCall(page)
    .getByRole('button', { name: /Isolate now/ })
    .click()
  for (const label of ['Both valves are shut', 'Pump is off', 'Hose is off']) await press(page, label)
  await expectStep(page, 'Hold')
  for (let i = 0; i < 3; i++) await typeReading(page, '29.5')
  await page.waitForTimeout(1500)
  await shot(page, 'own-hold')
  await endEarly(page, 'the bay is needed')
  // too little was read for any finding, and there is a way on
  await expect(theCall(page)).toContainText('Still undecided.')
  await press(page, 'Hold on longer')
  await expectStep(page, 'Hold')
  await typeReading(page, '29.5')
  await page.context().close()
})

test('@long a hold of the needle that was pencilled down is judged, charged from and signed, without a certificate', async ({
  browser,
}) => {
  test.setTimeout(150_000)
  const page = await signedInPage(browser)
  // it came two and a half hours ago, and the sheet has the times
  const opened = Date.now() - 150 * 60_000
  await page.goto('/job/new')
  await page.getByLabel('Name people use').fill('Barge tender')
  await page.getByLabel('Plate').fill('PO 7')
  await page.getByLabel('Charge, a figure or a range').fill('8 oz')
  await page.getByLabel('Came in earlier, at').fill(new Date(opened).toISOString().slice(0, 16))
  await page.getByRole('button', { name: /Take it in/ }).click()
  await expect(page).toHaveURL(/\/job\/[0-9a-f-]{36}$/)
  const id = page.url().split('/').pop() ?? ''
  const { read, pulled, shutIn } = sheetOf(page.request, id, opened)
  await pulled()
  await read(60, 29.9)
  await shutIn()
  for (const minutes of [74, 84, 94, 104, 120, 148]) await read(minutes, 29.5)
  await page.reload()
  await press(page, /Judge the hold/, 30_000)
  await expect(theCall(page)).toContainText('The needle stood still.')
  await shot(page, 'own-still')
  await press(page, /Charge; the limit goes into the record/)

  await expectStep(page, 'Charge')
  await page.getByLabel('Gross of container 1, as weighed').fill('472 g')
  await page.getByLabel('Net of container 1, from its label').fill('12 oz')
  await shot(page, 'own-plan')
  await press(page, 'Plan the charge')
  await press(page, 'can-1 is connected')
  await press(page, 'It is purged')
  await press(page, 'Both are open')
  await shot(page, 'own-charging')
  // one weight says what is in, two the flow, three when to close
  await expect(theCall(page)).toContainText('two weights tell the flow, three when to close')
  await page.waitForTimeout(11_000)
  await typeReading(page, '452')
  await expect(theCall(page)).toContainText(/\d+ g a minute, ±\d+ g, by your weights/)
  await expect(theCall(page)).toContainText('One more weight tells when to close.')
  await expect(theCall(page)).not.toContainText('Noticed')
  await page.waitForTimeout(5_000)
  await typeReading(page, '442')
  await expect(theCall(page)).toContainText(/Close at \d\d:\d\d, ±\d+ min/)
  await expect(theCall(page)).toContainText(/Read the scale (at \d\d:\d\d: about [\d,]+ g then|now)/)
  await shot(page, 'own-charging')
  await press(page, 'Low valve is shut')
  await page.getByLabel(/Gross/).first().fill('242 g')
  // 200 g less than what was typed last is asked about once, and kept
  await press(page, 'Container is shut')
  await expect(theCall(page)).toContainText('look once more')
  await press(page, 'Container is shut')
  await shot(page, 'own-filled')
  await press(page, 'Go on to the proof')
  await expectStep(page, 'Prove')
  await shot(page, 'own-prove')
  await press(page, 'Engine is on')
  // what is typed on the pad while it runs stands where the proof asks for it
  await typeReading(page, '8')
  await expect(page.getByLabel('Middle vent')).toHaveValue('8 C')
  await shot(page, 'own-vent')
  await page.getByLabel('Low side, running').fill('30 psi')
  await page.getByLabel('High side, running').fill('180 psi')
  await press(page, 'It is read')
  await expect(theCall(page)).toContainText('Read it again at 1,500 rpm.')
  await page.getByLabel('Low side, running').fill('28 psi')
  await page.getByLabel('High side, running').fill('190 psi')
  await page.getByLabel('Middle vent').fill('6 C')
  await press(page, 'It is read')
  await press(page, 'Close it up')
  for (const label of CLOSING) await press(page, label)
  await expect(page.getByText('none is asked for here; the record says so where none is given')).toBeVisible()
  await press(page, 'Sign')
  await press(page, 'Open the record')
  await expect(
    page
      .getByText('Ilka Marn, no certificate given')
      .or(page.getByText(/no certificate given/))
      .first(),
  ).toBeVisible()
  const folder = mkdtempSync(join(tmpdir(), 'yperos-record-'))
  for (const name of ['record.json', 'readings.csv'])
    writeFileSync(join(folder, name), await (await page.request.get(`/api/jobs/${id}/${name}`)).text())
  const args = ['verify', join(folder, 'record.json'), '--readings', join(folder, 'readings.csv'), '--json']
  expect(JSON.parse(spawnSync(join(root, 'yperos'), args, { encoding: 'utf8' }).stdout)).toMatchObject({ intact: true })
  // the shop knows it from now on, with what was weighed into it
  await page.goto('/job/new')
  await page
    .getByRole('list', { name: 'Cars the shop knows' })
    .getByRole('button', { name: /Barge tender/ })
    .click()
  await expect(page.getByText(/The shop knows it: .*PO 7.*227 g charged/)).toBeVisible()
  await page.context().close()
})

test('@long two phones come by TLS with the shop’s own authority: one types, the other sees it, and the cookie goes by TLS only', async ({
  browser,
}) => {
  const secure = `https://127.0.0.1:${PORT + 43}`
  // whoever has installed the authority's certificate needs no exception
  const authority = await (await fetch(`http://127.0.0.1:${PORT + 80}/ca.crt`)).text()
  const status = await new Promise((resolve, reject) =>
    get(`${secure}/api/health`, { ca: authority }, (answer) => resolve(answer.resume().statusCode)).once(
      'error',
      reject,
    ),
  )
  expect(status).toBe(200)
  const phone = async () => {
    const context = await browser.newContext({
      baseURL: secure,
      ignoreHTTPSErrors: true,
      viewport: { width: 390, height: 844 },
      hasTouch: true,
    })
    const signed = await context.request.post('/api/sign-in', { data: { signIn: 'ilka', password: 'eleven letters' } })
    expect(signed.ok(), await signed.text()).toBe(true)
    const page = await context.newPage()
    await page.goto('/board')
    await page
      .getByRole('link', { name: /Ferry van/ })
      .first()
      .click()
    await expectStep(page, 'Hold')
    return page
  }
  const [one, two] = await Promise.all([phone(), phone()])
  const [cookie] = await one.context().cookies()
  expect(cookie).toMatchObject({ secure: true, httpOnly: true })
  await typeReading(one, '28.9')
  await shot(one, 'pad-phone')
  await expect(two.getByTestId('vacuum')).toHaveText('28.9')
  for (const page of [one, two]) await page.context().close()
})

test('@long backed up, wiped and restored, the shop is as it was: its people sign in and its record verifies by the same key', async ({
  browser,
}) => {
  test.setTimeout(240_000)
  const folder = mkdtempSync(join(tmpdir(), 'yperos-kept-'))
  const file = join(folder, 'own.backup')
  const secret = join(folder, 'passphrase')
  writeFileSync(secret, 'nine quays and a ferry\n')
  const page = await signedInPage(browser)
  const { id } = await (async () => {
    await page.goto('/board')
    const link = page.getByRole('link', { name: /Barge tender/ }).first()
    return { id: (await link.getAttribute('href'))?.split('/').pop() ?? '' }
  })()
  const record = async () => (await page.request.get(`/api/jobs/${id}/record.json`)).text()
  const before = await record()
  const yperos = (...args: string[]) => {
    const { status, stderr } = spawnSync(join(root, 'yperos'), args, { encoding: 'utf8' })
    return { status, stderr }
  }
  const own = ['--name', NAME, '--passphrase-file', secret]
  // while it runs
  expect(yperos('backup', file, ...own)).toEqual({
    status: 0,
    stderr: expect.stringContaining('read again and whole, under your passphrase'),
  })
  expect(statSync(file).mode & 0o077).toBe(0)
  expect(yperos('backup', file, ...own)).toEqual({ status: 2, stderr: expect.stringContaining('is there already') })
  expect(yperos('restore', file, ...own)).toEqual({
    status: 2,
    stderr: expect.stringContaining('own-test runs: end it first'),
  })
  await page.goto('/shop')
  await expect(page.getByText(/Backed up \d+ seconds? ago/)).toBeVisible()

  yperos('stop', '--name', NAME)
  expect(yperos('restore', file, ...own)).toEqual({ status: 2, stderr: expect.stringContaining('say --over') })
  const whole = readFileSync(file)
  const spoiled = (name: string, bytes: Buffer) => {
    writeFileSync(join(folder, name), bytes)
    return yperos('restore', join(folder, name), ...own, '--over').stderr
  }
  expect(spoiled('cut', whole.subarray(0, whole.length - 1000))).toMatch(/is cut short: [\d,]+ of [\d,]+ bytes/)
  const changed = Buffer.from(whole)
  changed[whole.length - 500] = (changed[whole.length - 500] ?? 0) ^ 1
  expect(spoiled('changed', changed)).toContain('was changed since it was made')
  const newer = whole.toString('latin1').replace('"0001_foundation"', '"0001_foundation","0999_tomorrow"')
  expect(spoiled('newer', Buffer.from(newer, 'latin1'))).toContain('newer version of the program (0999_tomorrow)')
  expect(spoiled('none', Buffer.from('a letter'))).toContain('is no backup')
  expect(yperos('restore', file, '--name', NAME, '--over').stderr).toContain('has a passphrase')
  writeFileSync(join(folder, 'wrong'), 'ten quays and a ferry')
  expect(
    yperos('restore', file, '--name', NAME, '--passphrase-file', join(folder, 'wrong'), '--over').stderr,
  ).toContain('is not its passphrase')

  place.forget()
  expect(yperos('restore', file, ...own)).toEqual({
    status: 0,
    stderr: expect.stringContaining('restored Quay 9 workshop'),
  })
  await place.start()
  const again = await signedInPage(browser)
  expect(await (await again.request.get(`/api/jobs/${id}/record.json`)).text()).toBe(before)
  await again.context().close()
})
