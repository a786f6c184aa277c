import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { type APIRequestContext, test as base, expect, type Locator, type Page } from '@playwright/test'
import { CERRO_LUMEN, OPENING } from '../src/core/tests/opening'

const PEOPLE = { maira: 'cold-plateau-1', teo: 'cold-plateau-2', anouk: 'cold-plateau-3' } as const
export type Person = keyof typeof PEOPLE

const hurried: string[] = []

/**
 * A test whose simulated cars are slowed to the wall's own time when it ends: they would go on at sixty times the wall
 * beside the other tests.
 */
export const test = base.extend<{ benchesOff: undefined }>({
  benchesOff: [
    async ({ playwright, baseURL }, use) => {
      await use(undefined)
      if (hurried.length === 0) return
      const request = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
      await signIn(request)
      for (const jobId of hurried.splice(0))
        await request.post(`/api/jobs/${jobId}/bench`, { data: { id: randomUUID(), action: 'speed', factor: 1 } })
      await request.dispose()
    },
    { auto: true },
  ],
})
export { expect }

/** Signs somebody in without the form; the form has a test of its own. */
export async function signIn(request: APIRequestContext, who: Person = 'teo'): Promise<void> {
  const answer = await request.post('/api/sign-in', { data: { signIn: who, password: PEOPLE[who] } })
  expect(answer.ok(), await answer.text()).toBe(true)
}

export const passwordOf = (who: Person): string => PEOPLE[who]

/** The call's panel and its one accent button. */
export const theCall = (page: Page): Locator => page.getByRole('complementary', { name: 'The call' })

/** Presses the call's own button once it says `label`. */
export async function press(page: Page, label: string | RegExp, timeout = 15_000): Promise<void> {
  const button = theCall(page).getByRole('button', { name: label })
  await expect(button).toBeEnabled({ timeout })
  await button.click()
}

/**
 * An alarm's line on this page, once it rings. Where several ring, and other tests' cars ring at the same person, all
 * are opened first.
 */
export async function alarmSaying(page: Page, text: string, timeout = 60_000): Promise<Locator> {
  const line = page.getByTestId('alarm').filter({ hasText: text })
  const more = page.getByRole('alert').getByRole('button', { name: /^and \d+ more/ })
  await expect(async () => {
    if (!(await line.isVisible())) await more.click({ timeout: 500 })
    await expect(line).toBeVisible({ timeout: 500 })
  }).toPass({ timeout, intervals: [200] })
  return line
}

/** Ends a running hold before its time, with the reason it asks for. */
export async function endEarly(page: Page, why: string): Promise<void> {
  await press(page, 'End the hold')
  const ask = page.getByRole('form', { name: 'Why end it before its time?' })
  await ask.getByLabel('Reason').fill(why)
  await ask.getByRole('button', { name: 'End it and judge' }).click()
}

/** Grams between what the scale shows and where the container stops, as the screen says them. */
export async function gramsToStop(page: Page): Promise<number> {
  const [now = '0', stop = '0'] =
    (await page.getByText(/^\d[\d,]* → \d[\d,]*$/).textContent())?.replaceAll(',', '').split(' → ') ?? []
  return Number(now) - Number(stop)
}

/** Watches the scale as a hand at the valve does, and closes at the stop weight. */
export async function closeInTime(page: Page): Promise<void> {
  // a container that was just put on must first be seen by the scale
  await expect(page.getByText(/g\/min/).first()).toBeVisible()
  await expect.poll(() => gramsToStop(page), { timeout: 170_000, intervals: [60] }).toBeLessThanOrEqual(4)
  await press(page, 'Low valve is shut')
}

export async function expectStep(page: Page, step: string): Promise<void> {
  await expect(page.locator('[aria-current="step"]')).toContainText(step)
}

type CarWish = {
  chargeG?: number
  holdMinutes?: number
  targetMicron?: number
  simulated?: boolean
  name?: string
  rig?: object
  history?: object
  /** the whole of it, stages and all */
  procedure?: object
  /** it came in earlier than it is written down */
  openedAt?: string
}

/** Opens a job by the request its form sends, for tests that begin later in the work. */
export async function openCar(request: APIRequestContext, wish: CarWish = {}): Promise<string> {
  const chargeG = wish.chargeG ?? 400
  const payload = {
    ...OPENING,
    car: { name: wish.name ?? `Test ${randomUUID().slice(0, 6)}`, model: 'Pelmira 3', hybrid: false },
    label: { ...OPENING.label, lowG: chargeG, highG: chargeG, typed: `${chargeG} g` },
    place: CERRO_LUMEN,
    story: { opened: 'cap-or-core', openHours: 1, drierReplaced: true },
    history: { ...OPENING.history, ...wish.history },
    procedure: {
      ...OPENING.procedure,
      targetMicron: wish.targetMicron ?? 500,
      holdMinutes: wish.holdMinutes ?? 30,
      ...wish.procedure,
    },
    rig: { ...OPENING.rig, name: 'Cart P2', ...wish.rig },
    simulated: wish.simulated ?? true,
  }
  const ids = { id: randomUUID(), eventId: randomUUID() }
  const answer = await request.post('/api/jobs', {
    data: { ...ids, payload, ...(wish.openedAt && { openedAt: wish.openedAt }) },
  })
  expect(answer.ok(), await answer.text()).toBe(true)
  const { id } = (await answer.json()) as { id: string }
  if (payload.simulated) hurried.push(id)
  return id
}

type Deed = { kind: string; payload: unknown }

/** Records deeds as the screen does. */
export async function record(request: APIRequestContext, jobId: string, ...deeds: Deed[]): Promise<void> {
  const answer = await request.post(`/api/jobs/${jobId}/events`, {
    data: { events: deeds.map((d) => ({ id: randomUUID(), ...d })) },
  })
  expect(answer.ok(), await answer.text()).toBe(true)
}

export const part = (name: string, state: string): Deed => ({ kind: 'part-set', payload: { part: name, state } })
export const finished = (step: string): Deed => ({ kind: 'step-finished', payload: { step } })

/** From a fresh job to a running pull, by the deeds the call would record. */
export async function startPull(request: APIRequestContext, jobId: string): Promise<void> {
  await record(
    request,
    jobId,
    { kind: 'zero-read', payload: { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: '0, 0' } },
    finished('zero'),
  )
  await record(
    request,
    jobId,
    { kind: 'fix-logged', payload: { renewed: [], openHours: 1, oilOwedMl: 0, oilReason: '' } },
    finished('fix'),
  )
  await record(
    request,
    jobId,
    part('valve-low', 'closed'),
    part('valve-high', 'closed'),
    part('coupler-low', 'on'),
    part('coupler-high', 'on'),
  )
  await record(
    request,
    jobId,
    part('coupler-low', 'open'),
    part('coupler-high', 'open'),
    part('centre-hose', 'pump'),
    part('exhaust-cap', 'off'),
    finished('rig'),
  )
  await record(request, jobId, part('pump', 'on'), part('valve-low', 'open'), part('valve-high', 'open'))
}

/** Shuts a pulling car in and lets it hold. */
export async function startHold(request: APIRequestContext, jobId: string): Promise<void> {
  await record(request, jobId, finished('pull'), part('valve-low', 'closed'), part('valve-high', 'closed'), {
    kind: 'isolated',
    payload: {},
  })
  await record(request, jobId, part('pump', 'off'), part('centre-hose', 'off'), finished('isolate'))
}

export type Channel = 'vacuum' | 'low' | 'high' | 'scale'
type Point = { at: number; value: number; count: number }

export async function readings(request: APIRequestContext, jobId: string, channel: Channel): Promise<Point[]> {
  const answer = await request.get(`/api/jobs/${jobId}/readings?channel=${channel}&most=10000`)
  return (await answer.json()).points
}

export async function controlBench(request: APIRequestContext, jobId: string, control: object): Promise<void> {
  const answer = await request.post(`/api/jobs/${jobId}/bench`, { data: { id: randomUUID(), ...control } })
  expect(answer.ok(), await answer.text()).toBe(true)
}

/** What the start command of these tests runs, from its own note. */
export function runFile(): { supervisor: { pid: number }; parts: Record<string, { pid: number; started: string }> } {
  return JSON.parse(
    readFileSync(
      join(process.env.YPEROS_ROOT ?? '.', `.yperos/${process.env.YPEROS_E2E_NAME ?? 'test'}/run.json`),
      'utf8',
    ),
  )
}

export const benchToken = (): string =>
  readFileSync(
    join(process.env.YPEROS_ROOT ?? '.', `.yperos/${process.env.YPEROS_E2E_NAME ?? 'test'}/bench-token`),
    'utf8',
  ).trim()

/** A way to record deeds and typed readings at minutes after `opened`, as a pencilled sheet has them. */
export function sheetOf(request: APIRequestContext, jobId: string, opened: number) {
  const at = (minutes: number) => new Date(opened + minutes * 60_000).toISOString()
  const done = async (minutes: number, ...deeds: Deed[]) => {
    const events = deeds.map((d) => ({ id: randomUUID(), happenedAt: at(minutes), ...d }))
    const told = await request.post(`/api/jobs/${jobId}/events`, { data: { events } })
    expect(told.ok(), await told.text()).toBe(true)
  }
  const read = async (minutes: number, value: number) => {
    const readings = [{ seq: minutes, at: at(minutes), channel: 'vacuum', value, unit: 'inHgV' }]
    const typed = await request.post(`/api/jobs/${jobId}/readings`, { data: { readings } })
    expect(typed.ok(), await typed.text()).toBe(true)
  }
  /** from the gauges at rest to a running pull, ten minutes after it came */
  const pulled = async () => {
    await done(
      2,
      { kind: 'zero-read', payload: { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: '0, 0' } },
      finished('zero'),
    )
    await done(
      6,
      { kind: 'fix-logged', payload: { renewed: [], openHours: 1, oilOwedMl: 0, oilReason: '' } },
      finished('fix'),
    )
    const opens = [part('coupler-low', 'open'), part('coupler-high', 'open'), part('centre-hose', 'pump')]
    await done(8, ...opens, part('exhaust-cap', 'off'), finished('rig'))
    await done(10, part('pump', 'on'), part('valve-low', 'open'), part('valve-high', 'open'))
  }
  /** shut in 72 minutes after it came */
  const shutIn = async () => {
    const shut = [part('valve-low', 'closed'), part('valve-high', 'closed')]
    await done(72, finished('pull'), ...shut, { kind: 'isolated', payload: {} })
    await done(73, part('pump', 'off'), part('centre-hose', 'off'), finished('isolate'))
  }
  return { read, pulled, shutIn }
}

export type Logged = {
  id: string
  kind: string
  by: string
  happenedAt: string
  storedAt: string
  payload: Record<string, unknown>
}

/** The log of a job as the server has it. */
export async function logOf(request: APIRequestContext, jobId: string): Promise<Logged[]> {
  return ((await (await request.get(`/api/jobs/${jobId}/events`)).json()) as { events: Logged[] }).events
}

/** A picture of what stands there, where somebody asked for pictures (`SHOTS`, a folder). */
export async function shot(page: Page, name: string): Promise<void> {
  if (process.env.SHOTS) await page.screenshot({ path: `${process.env.SHOTS}/${name}.png` })
}
