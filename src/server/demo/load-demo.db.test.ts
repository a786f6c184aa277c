import { fileURLToPath } from 'node:url'
import { expect, test } from 'vitest'
import { foldJob } from '@/core/job/reduce'
import { currentHold } from '@/core/job/state'
import { verifyRecord } from '@/core/record/record'
import { nodeCrypto } from '@/node/record-crypto'
import { insertAccount, selectAccounts } from '../accounts/accounts'
import { database } from '../db/pool'
import { scopeOf } from '../db/scope'
import { selectShelf } from '../equipment/shelf'
import { boardView } from '../jobs/board-view'
import { selectEvents } from '../jobs/job-rows'
import { exportRecord } from '../records/export-record'
import { readingsCsv } from '../records/readings-csv'
import { insertShop, selectShop } from '../shop/shop'
import { loadDemo } from './load-demo'

const file = (place: string) => fileURLToPath(new URL(`../../../db/demo/${place}.json`, import.meta.url))
const FILE = file('cerro-lumen')

const theShop = async () => scopeOf((await selectShop(database())).id)

async function empty(): Promise<void> {
  await database().query(
    'truncate ledger_entry, column_mapping, reading, event, attachment, job_clock, job, session, account, ' +
      'procedure, rig, equipment_deed, equipment, instrument, device, shop, sign_in_attempt cascade',
  )
}

test('the demo place has a car at every kind of step, walked through real events and readings, ' +
  'and one signed record that verifies', async () => {
  const db = database()
  await empty()
  expect(await loadDemo(db, FILE, new Date())).toBe(true)
  expect(await loadDemo(db, FILE, new Date())).toBe(false)
  const here = await theShop()
  const rows = await boardView(here)
  const steps = Object.fromEntries(rows.map((r) => [r.summary.name, r.summary.step]))
  expect(steps).toEqual({
    'Night car 5': 'leave',
    'Landing tractor': 'hold',
    'Night car 2': 'charge',
    Ambulance: 'pull',
    'Mirror truck': 'fix',
    'Shuttle 3': 'hold',
    Grader: 'zero',
    Hybrid: 'zero',
    'Night car 1': 'leave',
  })
  const signed = rows.find((r) => r.summary.signed)
  expect(signed?.summary.name).toBe('Night car 1')
  const jobId = signed?.id ?? ''
  const record = await exportRecord(here, jobId)
  const { text, count } = await readingsCsv(here, jobId)
  expect(count).toBeGreaterThan(5000)
  expect(verifyRecord(record, nodeCrypto, text)).toMatchObject({ intact: true })
  const state = foldJob(await selectEvents(here, jobId))
  expect(currentHold(state)?.ended?.verdict).toBe('tight')
  // what the label asks for went in, to the gram of the scale's step
  const inside = state.containers.reduce((sum, c) => sum + c.startGrossG - (c.endGrossG ?? 0), 0)
  expect(Math.abs(inside - 640)).toBeLessThan(15)
}, 120_000)

test('a load that was cut short opens no shop, and is begun anew by the next start', async () => {
  await empty()
  const half = await insertShop(database(), {
    name: 'half',
    altitudeM: 0,
    barometerPa: 101_325,
    ambientC: 20,
    timeZone: 'UTC',
    demo: true,
    certificateAsked: true,
  })
  await insertAccount(scopeOf(half), {
    signIn: 'nobody',
    name: 'nobody',
    role: 'lead',
    certificate: '',
    password: 'left behind',
  })
  await expect(selectShop(database())).rejects.toMatchObject({ code: 'not-found' })
  expect(await loadDemo(database(), file('port-oleander'), new Date())).toBe(true)
  expect((await selectAccounts(await theShop())).map((a) => a.signIn)).not.toContain('nobody')
})

test('the humid place loads too: its cars stand at the river, its pump’s hours are counted', async () => {
  await empty()
  expect(await loadDemo(database(), file('port-oleander'), new Date())).toBe(true)
  const here = await theShop()
  const rows = await boardView(here)
  expect(Object.fromEntries(rows.map((r) => [r.summary.name, r.summary.step]))).toEqual({
    'Ferry bus 1': 'pull',
    'Harbour cab 2': 'hold',
    'Ice truck': 'fix',
    'Pilot car': 'zero',
  })
  const pump = (await selectShelf(here)).find((s) => s.name === 'Pump P2')
  expect(pump?.kind === 'pump' && pump.use?.wetJobs).toBe(1)
  // some 106 minutes on the bus and 52 on the cab
  expect(pump?.kind === 'pump' && pump.use?.hours).toBeGreaterThan(2)
  expect(pump?.kind === 'pump' && pump.use?.hours).toBeLessThan(3)
})
