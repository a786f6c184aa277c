import { readdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import type * as z from 'zod'
import { isSound } from '@/core/entry/text'
import { EquipmentWritten } from '@/core/equipment/equipment'
import { EventDraftSchema, JobOpened, PAYLOADS } from '@/core/job/events'
import { ColumnMapping } from '@/core/readings/readings-csv'
import { LedgerDraft, LedgerQuery } from '@/core/shop/ledger'
import { OPENING } from '@/core/tests/opening'
import { BenchControl } from './bench/control'
import { BenchTrouble } from './bench/trouble'
import { HoldFile } from './jobs/hold-file'
import { Line } from './readings/line'
import { TypedReading } from './readings/type-reading'

const SCHEMAS: Record<string, z.ZodType> = {
  LedgerDraft,
  LedgerQuery,
  EquipmentWritten,
  EventDraftSchema,
  JobOpened,
  ColumnMapping,
  BenchControl,
  BenchTrouble,
  HoldFile,
  Line,
  TypedReading,
  ...PAYLOADS,
}

/** Values that broke a server once: no text, no moment, no number a column holds. */
const NASTY = [
  '\0',
  'a\u0000b',
  '\ud800',
  '\udfff x',
  '0000-01-01T00:00:00Z',
  '0000-01-01',
  '+275760-09-13T00:00:00Z',
  '%ff',
  '1e400',
  '',
  ' ',
  'x'.repeat(70_000),
]

/** Everything a value holds, strings and numbers, keys included. */
function leaves(value: unknown): (string | number)[] {
  if (typeof value === 'string' || typeof value === 'number') return [value]
  if (value === null || typeof value !== 'object') return []
  return Object.entries(value).flatMap(([key, member]) => [key, ...leaves(member)])
}

/** A copy of a value with one of its leaves replaced. */
function spoil(value: unknown, n: number, by: unknown): unknown {
  let left = n
  const walk = (v: unknown): unknown => {
    if (Array.isArray(v)) return v.map(walk)
    if (v !== null && typeof v === 'object') return Object.fromEntries(Object.entries(v).map(([k, m]) => [k, walk(m)]))
    return left-- === 0 ? by : v
  }
  return walk(value)
}

/** A sound request of many schemas, to be spoiled in one place at a time. */
const SOUND: unknown[] = [
  OPENING,
  {
    id: '3f2504e0-4f89-41d3-9a0c-0305e82c3301',
    kind: 'noted',
    happenedAt: '2026-11-25T14:03:00Z',
    payload: { text: 'gasket' },
  },
  {
    id: '3f2504e0-4f89-41d3-9a0c-0305e82c3301',
    kind: 'bought',
    refrigerant: 'R-134a',
    container: 'cylinder 9',
    equipmentId: null,
    grams: 5000,
    why: '',
  },
  { from: '2026-11-01', to: '2026-11-25', container: 'c', car: 'Shuttle' },
  { seq: 1, channel: 'vacuum', value: 500, unit: 'micron', at: '2026-11-25T14:03:00Z', note: 'n' },
  { instrument: 'G1', seq: 1, channel: 'vacuum', value: 500, unit: 'micron', at: '2026-11-25T14:03:00Z', note: 'n' },
  { jobId: '3f2504e0-4f89-41d3-9a0c-0305e82c3301', words: 'too warm' },
  { id: '3f2504e0-4f89-41d3-9a0c-0305e82c3301', action: 'named-scenario', name: 'a' },
]

test('whatever is sent, a schema refuses it with a reason or lets through what the database can hold', () => {
  const value = fc.oneof(
    fc.jsonValue(),
    fc
      .tuple(
        fc.constantFrom(...SOUND),
        fc.nat(60),
        fc.oneof(fc.constantFrom(...NASTY), fc.string({ unit: 'binary' }), fc.double(), fc.jsonValue()),
      )
      .map(([s, n, by]) => spoil(s, n, by)),
  )
  let taken = 0
  fc.assert(
    fc.property(fc.constantFrom(...Object.keys(SCHEMAS)), value, (name, sent) => {
      const parsed = (SCHEMAS[name] as z.ZodType).safeParse(sent)
      if (!parsed.success) {
        expect(parsed.error.issues.every((i) => i.message !== '')).toBe(true)
        return
      }
      taken++
      for (const leaf of leaves(parsed.data)) {
        if (typeof leaf === 'number') expect(Number.isFinite(leaf)).toBe(true)
        else expect(isSound(leaf)).toBe(true)
      }
    }),
    { numRuns: 20_000 },
  )
  // a test that only ever sees refusals would see nothing
  expect(taken).toBeGreaterThan(100)
})

test('no schema of a request has a text, a time or an id of its own kind', () => {
  const root = resolve(__dirname, '..')
  const files = ['core', 'server', 'app'].flatMap((room) =>
    readdirSync(join(root, room), { recursive: true, encoding: 'utf8' }).map((f) => join(room, f)),
  )
  // the three types themselves; the environment, demo data that ships, files that never meet the database, and what
  // passes between our own processes
  const own = /core\/entry\/|environment\.ts|server\/demo\/|core\/record\/record\.ts|live\/wrong\.ts|\.test\.ts/
  const guilty = files.filter(
    (f) =>
      /\.tsx?$/.test(f) &&
      !own.test(f) &&
      /z\.string\(|z\.iso\.|z\.uuid\(|z\.unknown\(|z\.any\(/.test(readFileSync(join(root, f), 'utf8')),
  )
  expect(guilty).toEqual([])
})
