import { cpSync, mkdtempSync, readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'
import { migrate, NewerDatabase } from './migrate'
import { database } from './pool'

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
