import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { beforeAll, expect, test } from 'vitest'
import { holdContext } from '@/core/hold/context'
import { contextOfFile, type HoldContextFile } from '@/core/hold/hold-file'
import type { HoldSample } from '@/core/hold/types'
import type { JobOpened } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { currentHold } from '@/core/job/state'
import { knownRecord } from '@/core/proving/records'
import { holdReadings } from '@/core/readings/hold-readings'
import { rowsOfReadingsFile } from '@/core/readings/readings-csv'
import { judgementOf } from '@/core/schools/judgement'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { endHold } from '../jobs/end-hold'
import { selectEvents } from '../jobs/job-rows'
import { openJob } from '../jobs/open-job'
import { ingest } from '../readings/ingest'
import { by, draft, type Fixture, freshShop, here, OPENING } from '../tests/shop-fixture'
import { selectJudgement } from './judgement-rows'
import { HoldWatch } from './watch-holds'

let shop: Fixture
beforeAll(async () => {
  shop = await freshShop()
})

/** A record of the proving ground at the resolution times are stored in. */
function samplesOf(seed: number): HoldSample[] {
  const { samples } = knownRecord(seed, { instrument: 'electronic', minutes: 12 + (seed % 4) * 6, everyS: 6 })
  const seen = new Set<number>()
  const ms = samples.map((s) => ({ elapsedS: Math.round(s.elapsedS * 1000) / 1000, pressurePa: s.pressurePa }))
  return ms.filter((s) => !seen.has(s.elapsedS) && seen.add(s.elapsedS))
}

/** A car that was shut in at the first sample, its couplers off, its readings sent by its gauge. */
async function carThatHeld(seed: number, samples: readonly HoldSample[], payload = OPENING): Promise<string> {
  const id = randomUUID()
  const lastS = samples.at(-1)?.elapsedS ?? 0
  const isolated = new Date(Date.now() - (lastS + 60) * 1000)
  const opened = new Date(isolated.getTime() - 3600_000)
  await inTransaction(here(), (tx) => openJob(tx, shop.technician, { id, eventId: randomUUID(), payload }, opened))
  await database().query(
    `insert into instrument (id, device_id, name, shop_id) values ($1, $2, 'gauge', $3) on conflict do nothing`,
    [`V${seed}`, shop.deviceId, here().shopId],
  )
  await database().query('insert into attachment (instrument_id, job_id, from_at, shop_id) values ($1, $2, $3, $4)', [
    `V${seed}`,
    id,
    opened,
    here().shopId,
  ])
  const steps = ['zero', 'fix', 'rig', 'pull'].map((step) => draft('step-finished', { step }, isolated))
  await inTransaction(here(), (tx) =>
    appendEvents(tx, shop.technician, id, [
      ...steps,
      draft('isolated', {}, isolated),
      draft('step-finished', { step: 'isolate' }, isolated),
    ]),
  )
  const lines = samples.map((s, seq) =>
    JSON.stringify({
      instrument: `V${seed}`,
      seq,
      at: new Date(isolated.getTime() + s.elapsedS * 1000).toISOString(),
      channel: 'vacuum',
      value: s.pressurePa,
      unit: 'Pa',
    }),
  )
  for (let i = 0; i < lines.length; i += 500) await ingest(shop.box, lines.slice(i, i + 500).join('\n'))
  return id
}

/** The same car as a context file says it. */
const FILE: HoldContextFile = {
  volume_L: OPENING.volumeL,
  instrument: { kind: 'electronic' },
  ambient_C: OPENING.place.ambientC,
  barometer_Pa: OPENING.place.barometerPa,
  refrigerant: OPENING.label.refrigerant,
  charge_g: OPENING.label.lowG,
  open_hours: OPENING.story.openHours,
  planned_hold_s: OPENING.procedure.holdMinutes * 60,
  hoses_included: false,
}

const closeTo = (a: number, b: number) => expect(Math.abs(a - b)).toBeLessThan(1e-9)

test.each([
  [4, ''],
  [50, ' @long'],
])(
  'each of %i records gets the same verdict and chances while it runs, when it ends, from a file, ' +
    'on the command line and on the proving ground%s',
  async (count) => {
    shop = await freshShop()
    const folder = mkdtempSync(join(tmpdir(), 'yperos-verdicts-'))
    const watch = new HoldWatch(0)
    const records = Array.from({ length: count }, (_, i) => ({ seed: 7000 + i, samples: samplesOf(7000 + i) }))
    const jobs: string[] = []
    for (const { seed, samples } of records) jobs.push(await carThatHeld(seed, samples))
    expect(await watch.round()).toBe(count)
    // nothing new, nothing judged
    expect(await watch.round()).toBe(0)
    writeFileSync(join(folder, 'context.json'), JSON.stringify(FILE))
    const verdicts = new Set<string>()
    for (const [i, { samples }] of records.entries()) {
      const jobId = jobs[i] as string
      const state = foldJob(await selectEvents(here(), jobId))
      const context = holdContext(state, currentHold(state)?.plannedMinutes ?? 0)
      const proving = judgementOf(samples, context).result
      verdicts.add(proving.verdict)
      const running = (await selectJudgement(here(), jobId))?.judgement.result
      const csv = ['elapsed_s,channel,value,unit', ...samples.map((s) => `${s.elapsedS},vacuum,${s.pressurePa},Pa`)]
      const { rows, timed } = rowsOfReadingsFile(csv.map((line, n) => ({ cells: line.split(','), line: n + 1 })))
      const read = holdReadings(rows, timed, FILE.barometer_Pa)
      const file = judgementOf(read.samples, contextOfFile(FILE, read.samples.at(-1)?.elapsedS ?? 0, read)).result
      await endHold(by(shop.technician), jobId, randomUUID())
      const ended = currentHold(foldJob(await selectEvents(here(), jobId)))?.ended
      if (!running || !ended) throw new Error('judged while it ran and when it ended')
      expect([running.verdict, file.verdict, ended.verdict]).toEqual(Array(3).fill(proving.verdict))
      for (const other of [running.probability, file.probability, ended]) {
        closeTo(other.leak, proving.probability.leak)
        closeTo(other.damp, proving.probability.damp)
      }
      writeFileSync(join(folder, `r${i}.csv`), csv.join('\n'))
      writeFileSync(join(folder, `r${i}.expected`), JSON.stringify(proving))
    }
    // records of one kind only would show little
    expect(verdicts.size).toBeGreaterThanOrEqual(3)
    const yperos = resolve(__dirname, '../../../yperos')
    const { stdout, status } = spawnSync(yperos, ['hold', '--batch', folder, '--json-lines'], {
      encoding: 'utf8',
      maxBuffer: 64 * 1024 * 1024,
    })
    expect(status).toBe(0)
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
    expect(lines).toHaveLength(count)
    for (const line of lines) {
      const expected = JSON.parse(readFileSync(join(folder, line.file.replace('.csv', '.expected')), 'utf8'))
      expect(line.verdict).toBe(expected.verdict)
      if (line.verdict !== 'invalid') closeTo(line.probability.leak, expected.probability.leak)
    }
  },
  300_000,
)

test('a hold that goes on is looked at again, judged anew where what came moves it, and one that ended no more', async () => {
  shop = await freshShop()
  const watch = new HoldWatch(0)
  const samples = samplesOf(7100)
  const jobId = await carThatHeld(7100, samples)
  expect(await watch.round()).toBe(1)
  const first = await selectJudgement(here(), jobId)
  const read = (seq: number, value: number) =>
    ingest(
      shop.box,
      JSON.stringify({ instrument: 'V7100', seq, at: new Date().toISOString(), channel: 'vacuum', value, unit: 'Pa' }),
    )
  const last = samples.at(-1)?.pressurePa ?? 0
  const judgedOn = async () => (await selectJudgement(here(), jobId))?.judgement.result.samples ?? 0
  await read(90_000, last)
  // as expected: it has ten seconds, is looked at then, and what was said of it stands
  expect(await watch.round()).toBe(0)
  const seenAt = () =>
    database()
      .query<{ at: Date }>('select looked_at as at from judgement where job_id = $1', [jobId])
      .then(({ rows }) => rows[0]?.at.getTime() ?? 0)
  const seen = await seenAt()
  expect(await watch.round(Date.now() + 11_000)).toBe(1)
  expect(await judgedOn()).toBe(first?.judgement.result.samples)
  expect(await seenAt()).toBeGreaterThan(seen)
  // what is kept of it is lost, as in a crash: the next look judges it from scratch
  await database().query('delete from judgement where job_id = $1', [jobId])
  await read(90_001, last)
  expect(await watch.round(Date.now() + 22_000)).toBe(1)
  expect(await judgedOn()).toBe((first?.judgement.result.samples ?? 0) + 2)
  // not as expected: at once, and on everything
  await read(90_002, last + 400)
  expect(await watch.round(Date.now() + 22_500)).toBe(1)
  expect(await judgedOn()).toBe((first?.judgement.result.samples ?? 0) + 3)
  expect(await watch.round(Date.now() + 60_000)).toBe(0)
  await endHold(by(shop.technician), jobId, randomUUID())
  expect(await watch.round()).toBe(0)
})

test('a hold that its procedure ends when it is decided goes on by itself past its minutes, and one of minutes does not', async () => {
  shop = await freshShop()
  const watch = new HoldWatch(0)
  // six minutes decide nothing on this record
  const samples = samplesOf(7108).filter((s) => s.elapsedS <= 360)
  const stages = (until: { until?: 'decided' }): JobOpened['procedure'] => ({
    ...OPENING.procedure,
    holdMinutes: 5,
    stages: [
      { kind: 'pull', targetMicron: 500, minutes: 60, ends: 'target' },
      { kind: 'hold', minutes: 5, ...until, accept: { by: 'judge' }, fails: 'longer' },
      { kind: 'charge' },
    ],
  })
  const goesOn = await carThatHeld(7108, samples, { ...OPENING, procedure: stages({ until: 'decided' }) })
  const byMinutes = await carThatHeld(7109, samples, { ...OPENING, procedure: stages({}) })
  expect(await watch.round()).toBe(2)
  const [log, other] = [await selectEvents(here(), goesOn), await selectEvents(here(), byMinutes)]
  expect(currentHold(foldJob(log))?.ended).toBeUndefined()
  expect(log.at(-1)).toMatchObject({ kind: 'hold-lengthened', by: 'the judge' })
  expect(currentHold(foldJob(log))?.plannedMinutes).toBeGreaterThanOrEqual(15)
  expect(other.some((e) => e.kind === 'hold-lengthened')).toBe(false)
  // lengthened once: nothing new was read, and its time is not up again
  await watch.round()
  expect((await selectEvents(here(), goesOn)).filter((e) => e.kind === 'hold-lengthened')).toHaveLength(1)
})
