import { cpSync, mkdtempSync, readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'
import { migrate, NewerDatabase } from './migrate'
import { database, openClient } from './pool'

const FOLDER = resolve(__dirname, '../../../db/migrations')
const url = process.env.DATABASE_URL ?? ''

test('an older version refuses a database of a newer one and names what it does not know', async () => {
  const older = mkdtempSync(join(tmpdir(), 'yperos-older-'))
  const known = readdirSync(FOLDER).sort()
  for (const file of known.slice(0, -1)) cpSync(join(FOLDER, file), join(older, file))
  const newest = (known.at(-1) as string).replace('.sql', '')
  const refused = await migrate(url, older).catch((error) => error)
  expect(refused).toBeInstanceOf(NewerDatabase)
  expect(refused.message).toContain(newest)
})

test('two that start at once on an empty database wait for each other', async () => {
  const name = `twice_${process.pid}`
  await database().query(`create database ${name}`)
  const empty = url.replace(/\/[^/]*$/, `/${name}`)
  const done = await Promise.all([migrate(empty, FOLDER), migrate(empty, FOLDER), migrate(empty, FOLDER)])
  expect(done.sort((a, b) => a - b)).toEqual([0, 0, readdirSync(FOLDER).length])
  await database().query(`drop database ${name} with (force)`)
})

test('a database from before shops could share one keeps everything, all of it the one shop’s', async () => {
  const name = `before_shops_${process.pid}`
  await database().query(`create database ${name}`)
  const old = url.replace(/\/[^/]*$/, `/${name}`)
  const before = mkdtempSync(join(tmpdir(), 'yperos-before-'))
  for (const file of readdirSync(FOLDER).filter((f) => f < '0008')) cpSync(join(FOLDER, file), join(before, file))
  await migrate(old, before)
  const db = await openClient(old)
  await db.query(
    `insert into shop (id, name, barometer_pa, ambient_c, time_zone, cookie_secret, signing_key,
      public_key) values (1, 'Old bay', 101325, 20, 'UTC', 'c', 's', 'p')`,
  )
  await db.query(
    `insert into account (id, sign_in, name, role, password_hash) values ($1, 'lead', 'Lead', 'lead', '')`,
    [ID],
  )
  await db.query(`insert into device (id, name, kind, token_hash) values ($1, 'box', 'instruments', 't')`, [ID])
  await db.query(`insert into instrument (id, device_id, name) values ('G1', $1, 'gauge')`, [ID])
  await db.query(`insert into job (id, simulated, barometer_pa, summary, head) values ($1, false, 101325, '{}', 'h')`, [
    ID,
  ])
  await db.query(
    `insert into event (job_id, seq, id, kind, happened_at, stored_at, by_account, by_name, payload, previous,
      hash) values ($1, 0, $1, 'noted', now(), now(), $1, 'Lead', '{}', '', 'h')`,
    [ID],
  )
  await db.query(`insert into attachment (instrument_id, job_id, from_at) values ('G1', $1, now())`, [ID])
  await migrate(old, FOLDER)
  for (const table of ['account', 'device', 'instrument', 'job', 'event', 'attachment'])
    expect((await db.query(`select shop_id from ${table}`)).rows).toEqual([{ shop_id: 1 }])
  // and what points at a row points into its own shop
  await db.query(
    `insert into shop (name, barometer_pa, ambient_c, time_zone, cookie_secret, signing_key,
      public_key) values ('New bay', 101325, 20, 'UTC', 'c', 's', 'p')`,
  )
  await expect(
    db.query(`insert into attachment (instrument_id, job_id, from_at, shop_id) values ('G1', $1, now(), 2)`, [ID]),
  ).rejects.toMatchObject({ code: '23503' })
  await db.end()
  await database().query(`drop database ${name} with (force)`)
})

const ID = '5f0f3d3e-3c53-4b9b-8d4a-6a3f6f1f2a11'
