import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { APIRequestContext, Page } from '@playwright/test'
import {
  expect,
  expectStep,
  gramsToStop,
  openCar,
  press,
  readings,
  record,
  shot,
  signIn,
  startHold,
  startPull,
  test,
  theCall,
} from '../shop'

const root = process.env.YPEROS_ROOT ?? process.cwd()
const running: ChildProcess[] = []
test.afterEach(() => {
  for (const child of running.splice(0)) child.kill('SIGKILL')
})

/** Registers an instrument on the Shop page, as the lead does; its token is told once. */
async function register(page: Page, name: string, kind: string, more: Record<string, string> = {}) {
  await page.goto('/shop')
  await page.getByRole('button', { name: 'New instrument' }).click()
  const form = page.getByRole('form', { name: 'New instrument' })
  await form.getByLabel('Kind').selectOption(kind)
  await form.getByLabel('Name').fill(name)
  for (const [label, value] of Object.entries(more)) await form.getByLabel(label).fill(value)
  await form.getByRole('button', { name: 'Save' }).click()
  const token = (await page.getByTestId('token').textContent()) ?? ''
  const id =
    /The token of (\S+),/.exec((await page.getByRole('heading', { name: /The token of/ }).textContent()) ?? '')?.[1] ??
    ''
  return { id, token }
}

/** A device at the end of a serial line: a pseudo-terminal whose other end the bridge opens. */
async function serialLine(): Promise<{ path: string; print: (line: string) => void }> {
  const child = spawn('script', ['-qfc', 'tty; exec sleep 600', '/dev/null'], { stdio: ['pipe', 'pipe', 'ignore'] })
  running.push(child)
  const path = await new Promise<string>((resolve) => {
    let said = ''
    child.stdout?.on('data', (part) => {
      said += part
      const found = /\/dev\/pts\/\d+/.exec(said)?.[0]
      if (found && said.includes('\n')) resolve(found)
    })
  })
  return { path, print: (line) => void child.stdin?.write(`${line}\r\n`) }
}

function bridge(baseURL: string, token: string, args: string[]): void {
  const keep = mkdtempSync(join(tmpdir(), 'yperos-bridge-'))
  running.push(
    spawn(join(root, 'yperos'), ['bridge', '--to', baseURL, '--keep', keep, ...args], {
      env: { ...process.env, YPEROS_TOKEN: token },
      stdio: 'ignore',
    }),
  )
}

/** A real car with nothing of the bench on it, pulled and shut in. */
async function heldCar(request: APIRequestContext, name: string, chargeG: number): Promise<string> {
  const jobId = await openCar(request, { name, chargeG, simulated: false })
  await startPull(request, jobId)
  await startHold(request, jobId)
  return jobId
}

const rowOf = (page: Page, name: string) => page.getByRole('listitem').filter({ hasText: name })

test('@long a scale on a serial cable lands a charge within its tolerance', async ({ page, context, baseURL }) => {
  test.setTimeout(150_000)
  await signIn(context.request, 'maira')
  const name = `Cable scale ${randomUUID().slice(0, 4)}`
  const { id, token } = await register(page, name, 'scale', { 'Smallest step': '1' })
  const folder = mkdtempSync(join(tmpdir(), 'yperos-map-'))
  const map = { instrument: id, readings: [{ pattern: '^\\s*(-?\\d+)\\s+g', channel: 'scale', unit: 'g' }] }
  writeFileSync(join(folder, 'map.json'), JSON.stringify(map))
  const line = await serialLine()
  bridge(baseURL ?? '', token, ['--map', join(folder, 'map.json'), '--serial', line.path])
  // a can on the scale: what leaves it leaves by the hand on the valve, which takes its time
  let grams = 474
  let flow = 0
  const ticking = setInterval(() => {
    grams -= flow * 0.25
    line.print(`   ${Math.round(grams)} g  ${flow > 0 ? 'US' : 'ST'}`)
  }, 250)
  try {
    const jobId = await heldCar(context.request, `Cable ${randomUUID().slice(0, 4)}`, 120)
    await record(context.request, jobId, { kind: 'hold-skipped', payload: { why: 'test' } })
    await page.goto(`/job/${jobId}`)
    await expectStep(page, 'Charge')
    await expect(rowOf(page, name)).toContainText('474 g')
    const row = rowOf(page, name)
    await row.getByRole('button', { name: 'Hang it on' }).click()
    await page.getByLabel('Gross of container 1, as weighed').fill('474 g')
    await page.getByLabel('Net of container 1, from its label').fill('340 g')
    await press(page, 'Plan the charge')
    await press(page, 'can-1 is connected')
    await press(page, 'It is purged')
    await press(page, 'Both are open')
    flow = 2.2
    // an instrument reports it: nothing is to be typed
    await expect(
      page
        .getByText(/^\d+$/)
        .filter({ hasText: /g\/min/ })
        .or(page.getByText('g/min'))
        .first(),
    ).toBeVisible()
    await expect(theCall(page)).not.toContainText('read by eye')
    await expect.poll(() => gramsToStop(page), { timeout: 100_000, intervals: [60] }).toBeLessThanOrEqual(5)
    await press(page, 'Low valve is shut')
    await page.waitForTimeout(700)
    flow = 0
    await page.waitForTimeout(1500)
    await press(page, 'Container is shut')
    await expect(theCall(page)).toContainText('is in. Prove it.')
    await expect(theCall(page)).toContainText('within the ±15 g allowed')
    const points = await readings(context.request, jobId, 'scale')
    expect(points.length).toBeGreaterThan(60)
    expect(points.at(-1)?.value).toBe(Math.round(grams))
  } finally {
    clearInterval(ticking)
    rmSync(folder, { recursive: true, force: true })
  }
})

test('@long a gauge is swapped in the middle of a hold: the curve goes on, and the log says which hung when', async ({
  page,
  context,
  baseURL,
}) => {
  await signIn(context.request, 'maira')
  const names = ['A', 'B'].map((letter) => `Gauge ${letter}${randomUUID().slice(0, 3)}`)
  const gauges = [
    await register(page, names[0] as string, 'vacuum'),
    await register(page, names[1] as string, 'vacuum'),
  ]
  const jobId = await heldCar(context.request, `Swap ${randomUUID().slice(0, 4)}`, 400)
  let seq = 0
  const send = async (which: number, micron: number) => {
    const { id, token } = gauges[which] as { id: string; token: string }
    const data = JSON.stringify({
      instrument: id,
      seq: seq++,
      at: new Date().toISOString(),
      channel: 'vacuum',
      value: micron,
      unit: 'micron',
    })
    const headers = { authorization: `Bearer ${token}`, 'content-type': 'application/x-ndjson' }
    return (await (await context.request.post(`${baseURL}/api/ingest`, { data, headers })).json()) as { stored: number }
  }
  await page.goto(`/job/${jobId}`)
  const [old, fresh] = names as [string, string]
  await rowOf(page, old).getByRole('button', { name: 'Hang it on at the far end' }).click()
  await expect.poll(async () => (await send(0, 480)).stored).toBe(1)
  await expect(page.getByTestId('vacuum')).toHaveText('480')
  const instead = rowOf(page, fresh).getByRole('button', { name: `Instead of ${old}` })
  await instead.scrollIntoViewIfNeeded()
  await shot(page, 'instruments')
  await instead.click()
  await expect.poll(async () => (await send(1, 486)).stored).toBe(1)
  // the one that came off says what it says to nobody
  expect((await send(0, 9000)).stored).toBe(0)
  await expect(page.getByTestId('vacuum')).toHaveText('486')
  await expect(page.getByText(`${fresh} hung on, at the far end instead of ${old}`).first()).toBeVisible()
  expect(
    (await readings(context.request, jobId, 'vacuum')).map((p) => Math.round(p.value / 0.1333224)).slice(0, 2),
  ).toEqual([480, 486])
})

test('@long the client that docs/ingest.md prints works as it is printed', async ({ page, context, baseURL }) => {
  await signIn(context.request, 'maira')
  const { id, token } = await register(page, `Shell ${randomUUID().slice(0, 4)}`, 'vacuum')
  const jobId = await heldCar(context.request, `Shell ${randomUUID().slice(0, 4)}`, 400)
  const hung = await context.request.post(`/api/jobs/${jobId}/instruments`, {
    data: { id: randomUUID(), instrument: id },
  })
  expect(hung.status(), await hung.text()).toBe(201)
  const printed = /```sh\n(.*?)```/s.exec(readFileSync(join(root, 'docs/ingest.md'), 'utf8'))?.[1] ?? ''
  const env = { ...process.env, YPEROS: baseURL, TOKEN: token, ID: id }
  const said = spawnSync('bash', ['-c', printed], { input: '512\n498.5\n', env, encoding: 'utf8' })
  expect(said.stdout.match(/"stored":1/g)).toHaveLength(2)
  const points = await readings(context.request, jobId, 'vacuum')
  expect(points.map((p) => p.value / 0.133322368)).toEqual([expect.closeTo(512, 3), expect.closeTo(498.5, 3)])
})
