import { spawn } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { endLeftovers, isAlive, markOf, readRunFile, writeRunFile } from './run-file'

const file = () => join(mkdtempSync(join(tmpdir(), 'yperos-')), 'run.json')

test('a process is known by its number and its start: a stranger with the number is not it', () => {
  const mark = markOf(process.pid)
  expect(mark && isAlive(mark)).toBe(true)
  expect(isAlive({ pid: process.pid, started: '1' })).toBe(false)
  expect(markOf(4_190_000)).toBeNull()
})

test('what an earlier run left alive is ended, a stranger with a noted number is not', async () => {
  const left = spawn('sleep', ['60'])
  const stranger = spawn('sleep', ['60'])
  const mark = markOf(left.pid ?? 0)
  const supervisor = { pid: 4_190_000, started: '1' }
  const path = file()
  writeRunFile(path, {
    supervisor,
    address: 'x',
    parts: { web: mark ?? supervisor, bench: { pid: stranger.pid ?? 0, started: '1' } },
  })
  expect(await endLeftovers(path)).toEqual(['web'])
  expect(mark && isAlive(mark)).toBe(false)
  expect(stranger.exitCode).toBeNull()
  stranger.kill()
  expect(readRunFile(path)).toBeNull()
})

test('a note cut short by a power cut is no note', () => {
  const path = file()
  writeFileSync(path, '{"supervisor":{"pid":12')
  expect(readRunFile(path)).toBeNull()
})
