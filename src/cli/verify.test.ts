import { spawnSync } from 'node:child_process'
import { generateKeyPairSync } from 'node:crypto'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'
import { CHAIN_START, eventHash, type RecordFile, signedText } from '@/core/record/record'
import { sha256, signText } from '@/server/records/chain'

const yperos = resolve(__dirname, '../../yperos')
const folder = mkdtempSync(join(tmpdir(), 'yperos-record-'))
const READINGS = 'time,channel,value,unit,note\n2026-03-02T10:00:00.000Z,vacuum,776,micron,\n'
const keys = generateKeyPairSync('ed25519')
const PUBLIC = keys.publicKey.export({ type: 'spki', format: 'der' }).toString('base64')

/** A small record, sealed as a shop would. */
function sealed(): RecordFile {
  let previous = CHAIN_START
  const events = ['Taken in', 'Pulled', 'Held', 'Charged'].map((text, i) => {
    const event = {
      id: `e${i}`,
      kind: 'noted',
      happened_at: `2026-03-02T10:0${i}:00.000Z`,
      stored_at: `2026-03-02T10:0${i}:01.000Z`,
      by: 'Teo Brisal',
      payload: { text },
      previous,
    }
    previous = eventHash(event, sha256)
    return { ...event, hash: previous }
  })
  const record = {
    format: 'yperos-record' as const,
    version: 1 as const,
    job: { car: 'Night car 4' },
    events,
    event_count: events.length,
    head: previous,
    readings: { count: 1, sha256: sha256(READINGS) },
    signed: { by: 'Teo Brisal', certificate: 'CL-0533', at: '2026-03-02T10:05:00.000Z' },
  }
  const value = signText(signedText(record), keys.privateKey.export({ type: 'pkcs8', format: 'pem' }).toString())
  return { ...record, signature: { algorithm: 'Ed25519', public_key: PUBLIC, value } }
}

function verify(record: unknown, ...more: string[]) {
  const file = join(folder, 'record.json')
  writeFileSync(file, JSON.stringify(record))
  const { status, stdout, stderr } = spawnSync(yperos, ['verify', file, '--json', ...more], { encoding: 'utf8', cwd: '/' })
  return { status, result: stdout ? JSON.parse(stdout) : null, stderr }
}

test('a sealed record is intact: exit 0', () => {
  expect(verify(sealed(), '--key', PUBLIC)).toMatchObject({ status: 0, result: { intact: true, events: 4, first_broken: null } })
})

test.each([
  ['edited', (r: RecordFile) => Object.assign(r.events[2] as object, { payload: { text: 'Skipped' } }), '$.events[2]'],
  ['with an event dropped', (r: RecordFile) => r.events.splice(1, 1), '$.events[1]'],
  ['reordered', (r: RecordFile) => r.events.reverse(), '$.events[0]'],
  ['truncated', (r: RecordFile) => r.events.pop(), '$.event_count'],
  ['signed by another name', (r: RecordFile) => Object.assign(r.signed, { by: 'Somebody' }), '$.signature'],
])('a record %s is found: exit 3 and the first broken place', (_name, touch, place) => {
  const record = sealed()
  touch(record)
  const { status, result } = verify(record)
  expect(status).toBe(3)
  expect(result).toMatchObject({ intact: false, first_broken: { place } })
})

test('touched readings and a stranger’s key are found', () => {
  const readings = join(folder, 'readings.csv')
  writeFileSync(readings, READINGS.replace('776', '476'))
  expect(verify(sealed(), '--readings', readings)).toMatchObject({ status: 3, result: { first_broken: { place: 'readings file' } } })
  expect(verify(sealed(), '--key', 'AAAA')).toMatchObject({ status: 3, result: { first_broken: { place: '$.signature.public_key' } } })
})

test('what is no record at all is bad input: exit 2, naming the path', () => {
  expect(verify({ format: 'other' })).toMatchObject({ status: 2, result: null, stderr: expect.stringMatching(/record\.json: \$\.format/) })
})
