import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createServer, request as httpRequest } from 'node:http'
import { connect } from 'node:net'
import type { APIRequestContext } from '@playwright/test'
import { DOORS } from '../../src/server/doors'
import { benchToken, expect, openCar, runFile, signIn, test, theCall } from '../shop'

/** A page on another port of this machine, as an attacker would have it. */
async function pageElsewhere(html: string): Promise<{ address: string; close: () => void }> {
  const server = createServer((_request, response) => {
    response.setHeader('content-type', 'text/html')
    response.end(html)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return { address: `http://127.0.0.1:${(server.address() as { port: number }).port}`, close: () => server.close() }
}

const eventCount = async (request: APIRequestContext, jobId: string): Promise<number> => {
  const page = await (await request.get(`/job/${jobId}`)).text()
  return page.split('from elsewhere').length - 1
}

test('a page on another port writes nothing here, and a form elsewhere swaps nobody', async ({
  page,
  context,
  baseURL,
}) => {
  await signIn(context.request, 'teo')
  const jobId = await openCar(context.request, { simulated: false })
  const body = JSON.stringify({ events: [{ id: randomUUID(), kind: 'noted', payload: { text: 'from elsewhere' } }] })
  const elsewhere = await pageElsewhere(`<form id=f method=post enctype=text/plain action="${baseURL}/api/sign-in">
    <input name='{"signIn":"maira","password":"cold-plateau-1","x":"' value='"}'></form>
    <script>
      const to = '${baseURL}/api/jobs/${jobId}/events'
      window.tried = Promise.allSettled(['application/json', 'text/plain'].map((type) =>
        fetch(to, {
          method: 'POST',
          mode: type === 'text/plain' ? 'no-cors' : 'cors',
          credentials: 'include',
          headers: { 'content-type': type },
          body: ${JSON.stringify(body)},
        })))
    </script>`)
  await page.goto(elsewhere.address)
  await page.evaluate('window.tried')
  expect(await eventCount(context.request, jobId)).toBe(0)
  const answered = page.waitForResponse('**/api/sign-in')
  await page.evaluate(`document.getElementById('f').submit()`)
  expect((await answered).status()).toBe(403)
  await page.waitForURL('**/api/sign-in')
  await page.goto(`${baseURL}/board`)
  await expect(page.getByRole('button', { name: /Teo Brisal/ })).toBeVisible()
  elsewhere.close()
})

test('every answer of the API says that it is not to be sniffed, kept or framed', async ({ context }) => {
  await signIn(context.request)
  for (const path of [
    '/api/health',
    '/api/session',
    '/api/ledger.csv',
    '/api/nothing-here',
    `/api/jobs/${randomUUID()}/events`,
  ]) {
    const headers = (await context.request.get(path)).headers()
    expect(headers, path).toMatchObject({
      'x-content-type-options': 'nosniff',
      'cache-control': expect.stringContaining('no-store'),
      'content-security-policy': expect.stringContaining("default-src 'none'"),
    })
  }
})

/** A door's address with ids where some belong. */
const filled = (path: string, jobId: string): string =>
  path.replace('[jobId]', jobId).replace(/\[\w+\]/g, '3f2504e0-4f89-41d3-9a0c-0305e82c3301')

/** Every handler there is. */
const routes = (jobId: string): string[] =>
  DOORS.map((door) => filled(door.path, jobId)).filter((path) => path.startsWith('/api/') && !path.endsWith('/live'))

const NASTY: unknown[] = [
  'not json',
  '{}',
  '[]',
  '"\\u0000"',
  '{"id":"\\ud800"}',
  JSON.stringify({ events: [{ id: randomUUID(), kind: 'noted', payload: { text: 'a\u0000b' } }] }),
  `{"events":[{"id":"${randomUUID()}","kind":"noted","payload":{"text":"\\ud800"}}]}`,
  JSON.stringify({
    events: [{ id: randomUUID(), kind: 'noted', happenedAt: '0000-01-01T00:00:00Z', payload: { text: 'x' } }],
  }),
  JSON.stringify({
    events: Array.from({ length: 2 }, () => ({
      id: '3f2504e0-4f89-41d3-9a0c-0305e82c3301',
      kind: 'noted',
      payload: { text: 'twice' },
    })),
  }),
  JSON.stringify({
    readings: [{ seq: 1, channel: 'vacuum', value: 1e300, unit: 'micron', at: '0000-01-01T00:00:00Z' }],
  }),
  JSON.stringify({ readings: [{ seq: 1, channel: 'vacuum', value: 5, unit: 'micron', note: '\u0000' }] }),
  JSON.stringify({
    id: randomUUID(),
    kind: 'bought',
    refrigerant: 'R-134a',
    container: 'x',
    equipmentId: randomUUID(),
    grams: 1,
    why: '',
  }),
  JSON.stringify({ signIn: 'x\u0000', password: '\u0000' }),
  JSON.stringify({ id: randomUUID(), certificate: '\u0000' }),
  JSON.stringify({ file: { seq: 1, readings: [{ elapsedS: 1e7, pressurePa: 1 }] } }),
  JSON.stringify({
    what: 'oil-changed',
    id: randomUUID(),
    equipmentId: randomUUID(),
    happenedAt: '0000-01-01T00:00:00Z',
    payload: {},
  }),
  JSON.stringify({ name: '\u0000', time: 'x', vacuum: 'y' }),
]

test('nobody signed in comes in by any door but those that are open to nobody', async ({
  playwright,
  context,
  baseURL,
}) => {
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  const nobody = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
  const came: string[] = []
  for (const door of DOORS)
    for (const method of door.methods) {
      const answer = await nobody.fetch(filled(door.path, jobId), {
        method,
        maxRedirects: 0,
        ...(method === 'POST' && { data: {} }),
      })
      const away = answer.status() === 401 || (answer.headers().location ?? '').includes('/sign-in')
      // both lead on: to the sign-in where a shop is open
      const leadsOn = door.path === '/' || door.path === '/setup'
      if (away !== (door.who !== 'nobody') && !leadsOn) came.push(`${method} ${door.path}: ${answer.status()}`)
    }
  expect(came).toEqual([])
  await nobody.dispose()
})

/** Something each door that is not everybody's would do, were it let in. */
const ASKED: Record<string, (jobId: string) => object> = {
  '/api/instruments': () => ({ what: 'withdraw', id: 'nothing' }),
  '/api/jobs/[jobId]/sign': () => ({ id: randomUUID(), certificate: '' }),
  '/api/shop': () => ({ what: 'link', id: randomUUID() }),
}

test('a trainee comes in by no door of a technician, a technician by none of the lead, and nothing of another shop is there', async ({
  playwright,
  context,
  baseURL,
}) => {
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  const trainee = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
  await signIn(trainee, 'anouk')
  const came: string[] = []
  for (const door of DOORS.filter((d) => d.who === 'technician' || d.who === 'lead'))
    for (const request of door.who === 'lead' ? [trainee, context.request] : [trainee])
      for (const method of door.methods) {
        const answer = await request.fetch(filled(door.path, jobId), {
          method,
          maxRedirects: 0,
          ...(method === 'POST' && { data: ASKED[door.path]?.(jobId) }),
        })
        const away = answer.status() === 403 || (answer.headers().location ?? '').endsWith('/board')
        if (!away) came.push(`${method} ${door.path}: ${answer.status()}`)
      }
  expect(came).toEqual([])
  // a job of another shop, as of none, is not there: whatever is asked of it
  const strange = randomUUID()
  for (const door of DOORS.filter((d) => d.path.startsWith('/api/jobs/[jobId]') && d.methods.includes('GET')))
    expect((await trainee.get(filled(door.path, strange))).status(), door.path).not.toBe(200)
  await trainee.dispose()
})

test('@long no route answers 500, whoever sends whatever', async ({ playwright, context, baseURL }) => {
  test.setTimeout(240_000)
  await signIn(context.request, 'maira')
  const jobId = await openCar(context.request, { simulated: false })
  const nobody = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
  const trainee = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
  await signIn(trainee, 'anouk')
  const asked: { who: APIRequestContext; method: string; path: string; data?: string }[] = []
  for (const path of [...routes(jobId), ...routes('%ff'), ...routes('a%00b'), ...routes(randomUUID())]) {
    for (const who of path.includes(jobId) || !path.includes('/jobs/')
      ? [context.request, trainee, nobody]
      : [context.request]) {
      for (const method of ['GET', 'PUT', 'DELETE']) asked.push({ who, method, path })
      // a wrong sign-in delays the next one, and signing out would end the test
      if (!/sign-(in|out)$/.test(path))
        for (const data of NASTY) asked.push({ who, method: 'POST', path, data: data as string })
    }
  }
  const failed: string[] = []
  const query = '?channel=vacuum&from=0000-01-01T00:00:00Z&x=%ff&container=%00&to=0000-01-01'
  const ask = async ({ who, method, path, data }: (typeof asked)[number]) => {
    const headers = { 'x-forwarded-for': 'y'.repeat(4000), ...(data && { 'content-type': 'application/json' }) }
    const answer = await who.fetch(path + (method === 'GET' ? query : ''), {
      method,
      headers,
      ...(data && { data }),
      maxRedirects: 0,
    })
    if (answer.status() >= 500) failed.push(`${method} ${path} ${String(data).slice(0, 60)} ${answer.status()}`)
  }
  for (let i = 0; i < asked.length; i += 16) await Promise.all(asked.slice(i, i + 16).map(ask))
  const ingest = await nobody.post('/api/ingest', {
    data: '{"instrument":"\\u0000","seq":1}',
    headers: { authorization: `Bearer ${benchToken()}` },
  })
  expect(ingest.status()).toBe(400)
  expect(failed).toEqual([])
  expect(asked.length).toBeGreaterThan(500)
})

test('a body without an end is cut at its limit before anybody is known, and costs no memory', async ({ baseURL }) => {
  const web = runFile().parts.web?.pid
  const memoryMb = () => Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${web}/status`, 'utf8'))?.[1]) / 1024
  const before = memoryMb()
  const piece = Buffer.alloc(1024 * 1024, 32)
  const send = () =>
    new Promise<{ status: number; sentMb: number }>((resolve) => {
      let sentMb = 0
      let status = 0
      const sending = httpRequest(
        `${baseURL}/api/sign-in`,
        { method: 'POST', headers: { 'content-type': 'application/json' } },
        (answer) => {
          status = answer.statusCode ?? 0
          answer.resume()
        },
      )
      const more = () => {
        while (sentMb < 600) {
          sentMb += 1
          if (!sending.write(piece)) return sending.once('drain', more)
        }
        return sending.end()
      }
      sending.on('close', () => resolve({ status, sentMb }))
      sending.on('error', () => undefined)
      more()
    })
  // all of them hear why: a line that is reset under the answer would lose it
  const outcomes = [await send(), await send(), await send(), await send(), await send()]
  expect(outcomes.map(({ status }) => status)).toEqual([413, 413, 413, 413, 413])
  for (const { sentMb } of outcomes) expect(sentMb).toBeLessThan(100)
  expect(memoryMb() - before).toBeLessThan(120)
})

test('@long whoever sends slowly is cut off after half a minute, known or not', async ({ baseURL }) => {
  const { hostname, port } = new URL(baseURL ?? '')
  const cutAfterS = (path: string) =>
    new Promise<number>((resolve) => {
      const begun = Date.now()
      const socket = connect(Number(port), hostname, () =>
        socket.write(
          `POST ${path} HTTP/1.1\r\nHost: ${hostname}:${port}\r\ncontent-type: ` +
            `application/json\r\ncontent-length: 5000\r\n\r\n`,
        ),
      )
      const drip = setInterval(() => socket.write(' '), 500)
      socket.on('error', () => undefined)
      socket.resume()
      socket.on('close', () => {
        clearInterval(drip)
        resolve((Date.now() - begun) / 1000)
      })
    })
  const cut = await Promise.all(['/api/sign-in', '/api/jobs', '/api/ingest'].map(cutAfterS))
  for (const s of cut) expect(s).toBeLessThan(40)
})

test('whoever signs out elsewhere is told on the page that stays open', async ({ page, context }) => {
  await signIn(context.request)
  const jobId = await openCar(context.request, { simulated: false })
  await page.goto(`/job/${jobId}`)
  await expect(theCall(page)).toBeVisible()
  await context.request.post('/api/sign-out', { data: {} })
  await expect(page.getByRole('status').filter({ hasText: 'You are signed out' })).toBeVisible({ timeout: 20_000 })
  await expect(page.getByRole('link', { name: 'Sign in again' })).toBeVisible()
})

test('@long after twelve wrong tries the right password is in within forty seconds, whatever address is made up', async ({
  playwright,
  context,
  baseURL,
}) => {
  await signIn(context.request, 'maira')
  // somebody of this test's own: the others sign in by the same address meanwhile
  const name = `patient-${randomUUID().slice(0, 6)}`
  const account = { signIn: name, name, role: 'technician', certificate: '', password: 'a long enough one' }
  expect((await context.request.post('/api/shop', { data: { what: 'new-account', account } })).ok()).toBe(true)
  const request = await playwright.request.newContext({ ...(baseURL && { baseURL }) })
  const attempt = (password: string, i = 0) =>
    request.post('/api/sign-in', { data: { signIn: name, password }, headers: { 'x-forwarded-for': `10.0.0.${i}` } })
  const statuses: number[] = []
  for (let i = 0; i < 12; i++) statuses.push((await attempt('wrong', i)).status())
  expect(statuses).toEqual([401, 401, 401, ...Array.from({ length: 9 }, () => 429)])
  // nobody else waits meanwhile
  await signIn(request, 'teo')
  await expect
    .poll(async () => (await attempt('a long enough one')).status(), { timeout: 40_000, intervals: [1000] })
    .toBe(200)
})
