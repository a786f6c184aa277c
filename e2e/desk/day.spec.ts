import AxeBuilder from '@axe-core/playwright'
import type { APIRequestContext, Browser, Page } from '@playwright/test'
import type { DayView } from '../../src/core/day/view'
import { ownPlace } from '../own-place'
import { expect, openCar, type Person, sheetOf, shot, signIn, test } from '../shop'

// a place of its own: the day of the tests' common one is as long as all their cars together
test.describe.configure({ mode: 'serial' })
const place = ownPlace('day-test', 4618, ['--place', 'port-oleander'])
const { address } = place
test.beforeAll(place.start)
test.afterAll(() => {
  place.stop()
  place.forget()
})

async function pageOf(browser: Browser, who: Person, viewport = { width: 1280, height: 800 }): Promise<Page> {
  const context = await browser.newContext({ baseURL: address, viewport })
  await signIn(context.request, who)
  return context.newPage()
}
const dayOf = async (request: APIRequestContext): Promise<DayView> =>
  ((await (await request.get('/api/day')).json()) as { day: DayView }).day
const piece = (page: Page, name: string) => page.locator(`[data-piece="${name}"]`)
const labelOf = (page: Page, name: string) => piece(page, name).first().getAttribute('title')
const carLine = (page: Page, name: string) => page.locator(`li[data-car="${name}"]`)

/** Takes a piece up by the mouse and moves it by so many px, until its price is told. */
async function lift(page: Page, name: string, dx: number, dy = 0): Promise<void> {
  await piece(page, name).first().scrollIntoViewIfNeeded()
  const box = await piece(page, name).first().boundingBox()
  if (!box) throw new Error(`${name} is not on the screen`)
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 })
  await page.mouse.move(x + dx, y + dy, { steps: 4 })
  await expect(page.locator('[data-price="told"]')).toBeVisible({ timeout: 20_000 })
}

test('@long a day of five cars is planned, and a piece is dragged with its price', async ({ browser }) => {
  const page = await pageOf(browser, 'maira')
  await page.goto('/board')
  await page.getByRole('radio', { name: 'day' }).click()
  await expect(page).toHaveURL(/view=day/)
  const heads = page.getByRole('list', { name: 'Who does what next' })
  await expect(heads.getByRole('listitem').first()).toContainText('Maira')
  // a car that is to come; what cannot be is said at its place
  await page.getByRole('button', { name: 'A car is to come' }).click()
  const ask = page.getByRole('dialog', { name: 'A car that is to come' })
  await ask.getByRole('button', { name: 'Expect it' }).click()
  await expect(ask.getByText('the name people use')).toBeVisible()
  await ask.getByLabel('Name people use').fill('Quay sweeper')
  await ask.getByLabel('Promised for').fill('2020-01-01T10:00')
  await ask.getByRole('button', { name: 'Expect it' }).click()
  await expect(ask.getByText('is promised before it comes')).toBeVisible()
  await ask.getByLabel('Promised for').fill('')
  await ask.getByRole('button', { name: 'Expect it' }).click()
  await expect(ask).toBeHidden()
  await expect(carLine(page, 'Quay sweeper')).toContainText('no promise')
  await expect(page.locator('li[data-car]')).toHaveCount(5)
  await page.getByRole('button', { name: 'Promise of Ice truck' }).click()
  await page.getByRole('dialog', { name: 'Ice truck' }).getByRole('button', { name: 'Promise it' }).click()
  await expect(carLine(page, 'Ice truck')).toContainText(/promised \d\d:\d\d/)
  // why it stands there is answered for every car
  await page.getByRole('button', { name: 'Why Quay sweeper is done then' }).click()
  await expect(carLine(page, 'Quay sweeper')).toContainText(/What is left of it takes .* of hands/)

  const before = await labelOf(page, 'Ice truck rig')
  await lift(page, 'Ice truck rig', 150)
  await expect(page.locator('[data-price]')).toContainText(/Ice truck \d+ min later/)
  // put back before it is let go, nothing was moved
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await expect(page.locator('[data-price]')).toHaveCount(0)
  expect(await labelOf(page, 'Ice truck rig')).toBe(before)
  expect((await dayOf(page.request)).plan.shop.pins).toEqual([])
  await lift(page, 'Ice truck rig', 150)
  const price = await page.locator('[data-price]').textContent()
  await page.mouse.up()
  await expect.poll(() => labelOf(page, 'Ice truck rig')).toContain('set by Maira')
  await expect.poll(async () => (await dayOf(page.request)).plan.shop.pins.length).toBe(1)
  const stands = await labelOf(page, 'Ice truck rig')
  expect(price).toContain(/planned, (\d\d:\d\d)/.exec(stands ?? '')?.[1])
  // it stands there for whoever looks, after a reload too, until it is let go
  const other = await pageOf(browser, 'teo')
  await other.goto('/board?view=day')
  await expect.poll(() => labelOf(other, 'Ice truck rig')).toContain('set by Maira')
  await other.getByRole('button', { name: 'let Ice truck, rig go' }).click()
  await expect.poll(() => labelOf(page, 'Ice truck rig'), { timeout: 20_000 }).not.toContain('set by')
  await other.context().close()
  await page.context().close()
})

test('@long the same is done by keys, into other hands, and a trainee moves nothing', async ({ browser }) => {
  const page = await pageOf(browser, 'teo')
  await page.goto('/board?view=day')
  const rig = piece(page, 'Ice truck charge').first()
  await expect(rig).toBeVisible()
  const price = page.locator('[data-price]')
  // a plan that comes in between may put the piece into other hands, and the focus with it
  await expect(async () => {
    await rig.focus()
    await page.keyboard.press('Space')
    await expect(price).toContainText('It stands where it stood', { timeout: 1500 })
  }).toPass()
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press('ArrowRight')
    await page.waitForTimeout(60)
  }
  await expect(page.locator('[data-price="told"]')).toContainText(/instead of \d\d:\d\d/, { timeout: 20_000 })
  await page.keyboard.press('Escape')
  await expect(price).toHaveCount(0)
  await expect(page).toHaveURL(/view=day/)
  // a planned pull is taken to the other cart: its car is rigged up with that one
  const pull = piece(page, 'Ice truck pull')
  const onP1 =
    (await page.getByRole('listitem', { name: 'Cart P1' }).locator('[data-piece="Ice truck pull"]').count()) > 0
  const onCart = pull.and(page.getByRole('listitem', { name: /^Cart/ }).locator('[data-piece]')).first()
  await expect(async () => {
    await onCart.focus()
    await page.keyboard.press('Space')
    await expect(price).toContainText('It stands where it stood', { timeout: 1500 })
  }).toPass()
  await page.keyboard.press(onP1 ? 'ArrowDown' : 'ArrowUp')
  const asked = onP1 ? 'Cart P2' : 'Cart P1'
  await expect(page.locator('[data-price="told"]')).toContainText(`with ${asked}`, { timeout: 20_000 })
  await page.keyboard.press('Space')
  await expect(page.getByRole('listitem', { name: asked }).locator('[data-piece="Ice truck pull"]')).toBeVisible()
  await page.getByRole('button', { name: 'let Ice truck, rig go' }).click()
  await expect(page.getByRole('button', { name: 'let Ice truck, rig go' })).toHaveCount(0, { timeout: 20_000 })
  // too narrow for a finger on the axis: the lane's own list has every piece, and a time and hands are typed there
  const own = page.getByRole('list', { name: 'Lanes of people and things' }).getByRole('button', { name: /^Teo/ })
  await own.click()
  const listed = page.getByRole('dialog', { name: 'Teo' })
  const first = listed
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: 'Set its time' }) })
    .first()
  const line = (await first.textContent()) ?? ''
  await shot(page, 'day-lane')
  await first.getByRole('button', { name: 'Set its time' }).click()
  const begins = first.getByLabel('Begins at')
  const stood = await begins.inputValue()
  await begins.fill('')
  await first.getByRole('button', { name: 'Set it', exact: true }).click()
  await expect(first.getByText('a day and a time')).toBeVisible()
  const later = `${new Date(Date.parse(`${stood.slice(0, 16)}Z`) + 1_800_000).toISOString().slice(0, 16)}`
  await begins.fill(later)
  await first.getByRole('button', { name: 'Set it', exact: true }).click()
  await expect(listed).toBeHidden()
  const pinned = async () =>
    (await dayOf(page.request)).plan.shop.pins.map((p) => new Date(p.fromMs).toISOString().slice(14, 16))
  await expect.poll(pinned).toEqual([later.slice(14, 16)])
  const letGo = page.getByRole('button', { name: /^let .* go$/ })
  const [car = '?'] = ((await letGo.textContent()) ?? '').replace('let ', '').split(',')
  expect(line).toContain(car)
  await letGo.click()
  await expect(letGo).toHaveCount(0, { timeout: 20_000 })
  // and whatever can be hit has room for a finger
  const { violations } = await new AxeBuilder({ page }).withRules(['target-size']).analyze()
  expect(violations.flatMap((v) => v.nodes.map((n) => n.target.join(' ')))).toEqual([])
  const trainee = await pageOf(browser, 'anouk')
  await trainee.goto('/board?view=day')
  await expect(piece(trainee, 'Ice truck charge').first()).toHaveAttribute('aria-roledescription', 'piece')
  await expect(trainee.getByRole('button', { name: 'A car is to come' })).toHaveCount(0)
  // but when they are away they say
  const lanes = trainee.getByRole('list', { name: 'Lanes of people and things' })
  await lanes.getByRole('button', { name: /^Anouk/ }).click()
  const away = trainee.getByRole('dialog', { name: 'Anouk' })
  await away.getByRole('button', { name: 'Say so' }).click()
  await expect(lanes.getByRole('button', { name: /^Anouk away/ })).toBeVisible()
  await expect
    .poll(async () => {
      const { plan } = await dayOf(page.request)
      const anouk = plan.shop.people.find((p) => p.name.startsWith('Anouk'))?.id
      return plan.rows.filter((r) => r.person === anouk && r.from > 1).length
    })
    .toBe(0)
  await lanes.getByRole('button', { name: /^Anouk away/ }).click()
  await away.getByRole('button', { name: 'Back now' }).click()
  await expect(lanes.getByRole('button', { name: /^Anouk trainee/ })).toBeVisible()
  await trainee.context().close()
  await page.context().close()
})

test('@long a car that is found wet is planned anew with another pull, and everybody is told', async ({ browser }) => {
  const page = await pageOf(browser, 'teo')
  const { request } = page
  await page.goto('/board?view=day')
  const opened = Date.now() - 103 * 60_000
  const id = await openCar(request, {
    name: 'Wet cab',
    simulated: false,
    holdMinutes: 45,
    openedAt: new Date(opened).toISOString(),
  })
  const sheet = sheetOf(request, id, opened)
  await sheet.pulled()
  await sheet.shutIn()
  const left = async () => (await dayOf(request)).plan.rows.filter((r) => r.car === id).map((r) => r.step)
  await expect.poll(left, { timeout: 60_000 }).toEqual(['hold', 'charge', 'prove', 'leave'])
  await expect(piece(page, 'Wet cab charge').first()).toBeVisible({ timeout: 20_000 })
  const end = async () => (await dayOf(request)).plan.ends[id]?.p50 ?? 0
  const dry = await end()
  // half an hour of it, as water comes out of oil: fast at first, bending toward a level
  const readings = Array.from({ length: 31 }, (_, m) => ({
    seq: m + 1,
    at: new Date(opened + (72 + m) * 60_000).toISOString(),
    channel: 'vacuum',
    value: Math.round(320 + 1400 * (1 - Math.exp((-m * 60) / 500))),
    unit: 'micron',
  }))
  const typed = await request.post(`/api/jobs/${id}/readings`, { data: { readings } })
  expect(typed.ok(), await typed.text()).toBe(true)
  await expect
    .poll(left, { timeout: 60_000 })
    .toEqual(['hold', 'pull', 'pull', 'isolate', 'hold', 'charge', 'prove', 'leave'])
  expect(await end()).toBeGreaterThan(dry + 60)
  await expect(page.getByRole('status').filter({ hasText: 'Planned anew' })).toContainText(/Wet cab .* later/)
  await expect(piece(page, 'Wet cab pull').first()).toBeVisible()
  await page.context().close()
})

test('@long a pump that is taken away is planned with no more, and where a rig is chosen it is said what each is on', async ({
  browser,
}) => {
  const page = await pageOf(browser, 'maira')
  await page.goto('/board?view=day')
  const lanes = page.getByRole('list', { name: 'Lanes of people and things' })
  const on = async (rig: string) =>
    (await dayOf(page.request)).plan.rows.filter((r) => r.rig?.startsWith(rig) && r.from > 1).map((r) => r.car)
  const { plan } = await dayOf(page.request)
  const hangs = new Set(plan.shop.cars.flatMap((c) => (c.rig ? [c.key] : [])))
  await lanes.getByRole('button', { name: /^Cart P1/ }).click()
  await page.getByRole('dialog', { name: 'Cart P1' }).getByRole('button', { name: 'Take it out of use' }).click()
  await expect(lanes.getByRole('button', { name: /^Cart P1 away/ })).toBeVisible()
  // what hangs on a car already goes on there; nothing else is put on it
  await expect.poll(async () => (await on('Cart P1')).filter((car) => !hangs.has(car))).toEqual([])
  await lanes.getByRole('button', { name: /^Cart P1 away/ }).click()
  await page.getByRole('dialog', { name: 'Cart P1' }).getByRole('button', { name: 'Back now' }).click()
  await expect(lanes.getByRole('button', { name: /^Cart P1 Pump/ })).toBeVisible()

  // at the car: the rig it came with hangs on another, and another is taken with one tap
  const ferry = plan.shop.cars.find((c) => c.name === 'Ferry bus 1')
  const id = await openCar(page.request, { name: 'Next cab', simulated: false, rig: { name: ferry?.rig ?? '' } })
  await page.goto(`/job/${id}`)
  const rig = page.getByRole('button', { name: /hangs on Ferry bus 1/ })
  await expect(rig).toBeVisible({ timeout: 30_000 })
  await rig.click()
  const other = page.getByRole('list', { name: 'Rigs' }).getByRole('button', { name: /^Take Cart/ })
  const name = ((await other.first().textContent()) ?? '').replace('Take ', '')
  await other.first().click()
  await expect(page.getByRole('button', { name: new RegExp(`^${name}`) })).toBeVisible()
  await expect(page.getByText(`Rig: ${name}`).first()).toBeVisible()
  await page.context().close()
})

test('@long the day is on the wall, on a phone, and in a calendar that can be withdrawn', async ({
  browser,
  playwright,
}) => {
  const page = await pageOf(browser, 'maira', { width: 1920, height: 1080 })
  await page.goto('/wall')
  await expect(page.getByRole('heading', { name: /the day$/ })).toBeVisible()
  await expect(page.getByRole('list', { name: 'When each car is done' })).toBeVisible()
  // from four metres: the least that is read is so high, px
  const smallest = await page.locator('main').evaluate((main) => {
    const sizes = [...main.querySelectorAll('*')]
      .filter((e) => [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent?.trim()))
      .map((e) => Number.parseFloat(getComputedStyle(e).fontSize) * 1.5)
    return Math.min(...sizes)
  })
  expect(smallest).toBeGreaterThanOrEqual(22)
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0)

  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/board?view=day')
  await expect(page.getByRole('heading', { name: /Your day|Everybody’s day/ })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Lanes of people and things' })).toBeHidden()
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0)

  await page.goto('/me')
  await page.getByRole('button', { name: 'Make an address' }).click()
  const link = await page.getByLabel('Subscribe to this address').inputValue()
  const nobody = await playwright.request.newContext()
  const read = await nobody.get(link)
  expect(read.headers()['content-type']).toContain('text/calendar')
  expect(await read.text()).toContain('SUMMARY:Ice truck is promised')
  await page.getByRole('button', { name: 'Withdraw it' }).click()
  await expect(page.getByRole('button', { name: 'Make an address' })).toBeVisible()
  expect((await nobody.get(link)).status()).toBe(404)
  await nobody.dispose()
  await page.context().close()
})
