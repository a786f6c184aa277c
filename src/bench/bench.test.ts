import { createServer, type IncomingMessage, type Server } from 'node:http'
import { afterEach, expect, test } from 'vitest'
import { Bench } from './bench'

const TRUTH = {
  volumeL: 2.5,
  line: { boreMm: 9.5, lengthM: 1.2, hoses: 2 },
  pumpCfm: 4,
  ultimateMicron: 25,
  leakPaM3S: 0,
  waterG: 0.02,
  boundG: 0,
  ambientC: 20,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  seed: 7,
}

let server: Server | undefined
afterEach(() => new Promise((done) => (server ? server.close(done) : done(undefined))))

const bodyOf = async (request: IncomingMessage): Promise<string> => {
  let text = ''
  for await (const piece of request) text += piece
  return text
}

/** A shop as the bench sees it: a feed of cars, and what it is told. */
/** @param cut - while true, readings are cut off in the middle of their way */
async function shopWith(cars: () => object[], cut = () => false) {
  const troubles: { jobId: string; words: string | null }[] = []
  const heard = new Set<string>()
  server = createServer(async (request, response) => {
    const body = await bodyOf(request)
    if (request.url === '/api/ingest' && cut()) return void request.socket.destroy()
    if (request.url === '/api/bench/trouble') troubles.push(JSON.parse(body))
    if (request.url === '/api/ingest') for (const line of body.split('\n')) heard.add(JSON.parse(line).instrument)
    response.setHeader('content-type', 'application/json')
    response.end(JSON.stringify(request.url?.startsWith('/api/bench/feed') ? { jobs: cars() } : { ok: true }))
  })
  await new Promise<void>((resolve) => server?.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as { port: number }
  return { bench: new Bench(`http://127.0.0.1:${port}`, 'a token of sixteen'), troubles, heard }
}

/** A car whose pump has run for a minute of its own time. */
function car(id: string, truth: object) {
  const now = Date.now()
  const clock = [{ wallMs: now - 1000, jobMs: now - 1000, factor: 60 }]
  const turn = (part: string, state: string) => ({ second: 1, kind: 'turn', part, state })
  const actions = [
    turn('centre-hose', 'pump'),
    turn('coupler-low', 'open'),
    turn('coupler-high', 'open'),
    turn('exhaust-cap', 'off'),
    turn('pump', 'on'),
    turn('valve-low', 'open'),
    turn('valve-high', 'open'),
  ]
  return {
    jobId: id,
    instrument: `bench-${id}`,
    running: true,
    truth: { ...TRUTH, ...truth },
    scaleStepG: 2,
    clock,
    actions,
    lastSecond: -1,
    serverMs: now,
  }
}

test('a car that cannot be played is named with its reason, and every other car goes on', async () => {
  const shop = await shopWith(() => [
    car('hot', { ambientC: 90 }),
    { jobId: 'torn', trouble: 'its log begins with noted' },
    car('sound', {}),
    car('cold', { ambientC: -120 }),
  ])
  await shop.bench.tick()
  await shop.bench.tick()
  expect(shop.heard.has('bench-sound')).toBe(true)
  // each said once, not at every look
  expect(shop.troubles.map((t) => t.jobId).sort()).toEqual(expect.arrayContaining(['hot', 'torn']))
  expect(new Set(shop.troubles.map((t) => t.jobId)).size).toBe(shop.troubles.length)
  expect(shop.troubles.every((t) => (t.words ?? '').length > 5)).toBe(true)
})

test('a car that was set right is played again, and that is said too @long', async () => {
  let ambientC = 90
  const shop = await shopWith(() => [car('one', { ambientC })])
  await shop.bench.tick()
  expect(shop.troubles).toHaveLength(1)
  ambientC = 20
  await shop.bench.tick()
  expect(shop.heard.size).toBe(0)
  await new Promise((done) => setTimeout(done, 10_100))
  await shop.bench.tick()
  expect(shop.heard.has('bench-one')).toBe(true)
  expect(shop.troubles.at(-1)).toEqual({ jobId: 'one', words: null })
}, 20_000)

test('a server that is away is no car’s fault; what an earlier bench said of a car is taken back once it plays', async () => {
  const bench = new Bench('http://127.0.0.1:1', 'a token of sixteen')
  await expect(bench.tick()).rejects.toThrow(/feed/)
  let cut = true
  const shop = await shopWith(
    () => [{ ...car('one', {}), troubled: true }],
    () => cut,
  )
  await expect(shop.bench.tick()).rejects.toThrow(/ingest/)
  expect(shop.troubles).toEqual([])
  cut = false
  await shop.bench.tick()
  expect(shop.heard.has('bench-one')).toBe(true)
  expect(shop.troubles).toEqual([{ jobId: 'one', words: null }])
})
