import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeEach, describe, expect, test } from 'vitest'
import { reasonIn } from './cluster'
import { dropLock, takeLock } from './lock'
import { cutLog } from './log-file'
import { markOfState } from './places'
import { markOf } from './run-file'

let folder: string
let base: string
const state = (checkout: string) => join(folder, checkout, '.yperos', 'main')
/** Opens a checkout's shop as a start does: its data is made where there is none. */
function open(checkout: string): string {
  mkdirSync(state(checkout), { recursive: true })
  return markOfState(state(checkout), base)
}

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'yperos-places-'))
  base = join(folder, 'lib')
})

describe('where a start by root keeps its data', () => {
  test('goes with a checkout that is moved, and back with it', () => {
    const mark = open('here')
    renameSync(join(folder, 'here'), join(folder, 'there'))
    expect(open('there')).toBe(mark)
    renameSync(join(folder, 'there'), join(folder, 'here'))
    expect(open('here')).toBe(mark)
  })

  test('is not opened by a new checkout where the old one stood', () => {
    const mark = open('here')
    renameSync(join(folder, 'here'), join(folder, 'there'))
    open('there')
    expect(open('here')).not.toBe(mark)
    expect(open('there')).toBe(mark)
  })

  test('is found again by a checkout that was cleaned', () => {
    const mark = open('here')
    rmSync(state('here'), { recursive: true })
    expect(open('here')).toBe(mark)
  })

  test('stays with the checkout that was copied', () => {
    const mark = open('here')
    cpSync(join(folder, 'here'), join(folder, 'copy'), { recursive: true })
    const copy = open('copy')
    expect(copy).not.toBe(mark)
    expect([open('here'), open('copy')]).toEqual([mark, copy])
  })
})

test('of two starts at once one gets the lock; a lock of a start that was killed is nobody’s', () => {
  const file = join(folder, 'lock.json')
  expect(takeLock(file)).toBeNull()
  expect(takeLock(file)).toEqual(markOf(process.pid))
  dropLock(file)
  writeFileSync(file, JSON.stringify({ pid: process.pid, started: 'another life of this number' }))
  expect(takeLock(file)).toBeNull()
  writeFileSync(file, 'half a l')
  expect(takeLock(file)).toBeNull()
  expect(readdirSync(folder)).toEqual(['lock.json'])
})

test('a log is cut when it grew too large, and what was in it is kept once', () => {
  const file = join(folder, 'web.log')
  expect(cutLog(file, 100)).toBe(false)
  writeFileSync(file, 'x'.repeat(100))
  expect(cutLog(file, 100)).toBe(false)
  writeFileSync(file, 'y'.repeat(101))
  expect(cutLog(file, 100)).toBe(true)
  expect(existsSync(`${file}.1`)).toBe(true)
  writeFileSync(file, 'z', { flag: 'a' })
  expect(cutLog(file, 100)).toBe(false)
})

test('why a database ended is the last thing it called fatal, not what it said on its way out', () => {
  const file = join(folder, 'database.log')
  writeFileSync(
    file,
    '10:00 LOG:  redo starts\n10:00 FATAL:  could not extend file "base/1": No space left on device\n10:00 HINT: ' +
      ' Check free disk space.\n10:00 LOG:  database system is shut down\n',
  )
  expect(reasonIn(file)).toBe('could not extend file "base/1": No space left on device')
  // a folder it may not read is said without a level, before and after what orphaned sessions say as they end
  const refusal = 'could not access the server configuration file "pg/postgresql.conf": Permission denied'
  const orphan = '10:01 FATAL:  terminating connection due to unexpected postmaster exit'
  writeFileSync(file, `${orphan}\npostgres: ${refusal}\n${orphan}\n`)
  expect(reasonIn(file)).toBe(refusal)
  writeFileSync(file, `${orphan}\n`)
  expect(reasonIn(file)).toBe(orphan)
  expect(reasonIn(join(folder, 'not there'))).toMatch(/cannot be read/)
})
