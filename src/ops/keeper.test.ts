import { type ChildProcess, spawn } from 'node:child_process'
import { afterEach, describe, expect, test } from 'vitest'
import { Deaths } from './deaths'
import { Keeper, type Trouble } from './keeper'

/** A process that ends by itself after `ms`, or stays. */
const program = (ms: number | null): ChildProcess =>
  spawn(process.execPath, [
    '-e',
    ms === null ? 'setInterval(() => undefined, 1000)' : `setTimeout(() => process.exit(1), ${ms})`,
  ])

const kept: Keeper[] = []
afterEach(() => Promise.all(kept.splice(0).map((k) => k.end(100))))

function keep(start: () => Promise<ChildProcess>) {
  const told: (Trouble | null)[] = []
  const pauses: number[] = []
  const keeper = new Keeper({
    name: 'part',
    start,
    tell: (_name, trouble) => told.push(trouble),
    note: () => undefined,
    pause: async (ms) => {
      pauses.push(ms)
    },
  })
  kept.push(keeper)
  return { keeper, told, pauses }
}

const until = async (test: () => boolean) => {
  for (let i = 0; i < 400 && !test(); i++) await new Promise((done) => setTimeout(done, 25))
  expect(test()).toBe(true)
}

describe('a part that is kept running', () => {
  test('comes back after its fifteenth death as after its first, with growing pauses', async () => {
    let starts = 0
    const { keeper, pauses } = keep(async () => {
      starts += 1
      return program(starts <= 15 ? 1 : null)
    })
    await keeper.first()
    await until(() => starts === 16 && keeper.process?.exitCode === null)
    expect(pauses).toHaveLength(15)
    expect(pauses.every((p, i) => i === 0 || p >= (pauses[i - 1] as number))).toBe(true)
    expect(pauses[0]).toBeLessThan(1000)
    expect(pauses[14]).toBe(15_000)
  }, 30_000)

  test('that does not start is tried until it does, and says what is wrong meanwhile', async () => {
    let starts = 0
    const { keeper, told } = keep(async () => {
      starts += 1
      if (starts === 1) return program(1)
      if (starts < 8) throw new Error('no space left on device')
      return program(null)
    })
    await keeper.first()
    await until(() => starts === 8 && keeper.process !== null)
    expect(told.filter((t) => t?.words === 'no space left on device')).toHaveLength(6)
    expect(told.at(-1)).toBeNull()
  })

  test('is known as soon as there is a process, and ended also before it works', async () => {
    const child = program(null)
    const noted: (ChildProcess | null)[] = []
    const keeper = new Keeper({
      name: 'part',
      start: async (born) => {
        born(child)
        await new Promise((done) => child.once('exit', done))
        throw new Error('ended before it worked')
      },
      tell: () => undefined,
      note: (_name, there) => noted.push(there),
    })
    const started = keeper.first().catch((error: Error) => error.message)
    expect(noted).toEqual([child])
    expect([keeper.spawned, keeper.process]).toEqual([child, null])
    await keeper.end(1000)
    expect(await started).toBe('ended before it worked')
    expect(child.signalCode).not.toBeNull()
    expect(keeper.spawned).toBeNull()
  })

  test('is ended for good, also in the middle of a pause', async () => {
    let starts = 0
    const keeper = new Keeper({
      name: 'part',
      start: async () => {
        starts += 1
        throw new Error('not now')
      },
      tell: () => undefined,
      note: () => undefined,
    })
    keeper.begin()
    await new Promise((done) => setTimeout(done, 400))
    const before = starts
    await keeper.end(1000)
    await new Promise((done) => setTimeout(done, 800))
    expect(starts).toBe(before)
  })
})

test('deaths are counted by the hour: one an hour never makes anybody wait', () => {
  const deaths = new Deaths()
  for (let hour = 0; hour < 100; hour++) expect(deaths.note(hour * 3600_001)).toBe(300)
  // a clock that was set back forgets what lies ahead of it
  expect(deaths.note(0)).toBe(300)
  expect(deaths.count).toBe(1)
})
