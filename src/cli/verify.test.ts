import { spawnSync } from 'node:child_process'
import { generateKeyPairSync } from 'node:crypto'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'
import { CHAIN_START, eventHash, fingerprintOf, type RecordFile, signedText } from '@/core/record/record'
import { groupedFingerprint } from '@/core/record/signing-key'
import { nodeCrypto, sha256 } from '@/node/record-crypto'
import { signText } from '@/server/records/chain'

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
  const { status, stdout, stderr } = spawnSync(yperos, ['verify', file, '--json', ...more], {
    encoding: 'utf8',
    cwd: '/',
  })
  return { status, result: stdout ? JSON.parse(stdout) : null, stderr }
}

test('a sealed record is intact: exit 0', () => {
  expect(verify(sealed(), '--key', PUBLIC)).toMatchObject({
    status: 0,
    result: { intact: true, events: 4, first_broken: null },
  })
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
  expect(verify(sealed(), '--readings', readings)).toMatchObject({
    status: 3,
    result: { first_broken: { place: 'readings file' } },
  })
  expect(verify(sealed(), '--key', 'AAAA')).toMatchObject({
    status: 3,
    result: { first_broken: { place: '$.signature.public_key' } },
  })
})

test('what is no record at all is bad input: exit 2, naming the path', () => {
  expect(verify({ format: 'other' })).toMatchObject({
    status: 2,
    result: null,
    stderr: expect.stringMatching(/record\.json: \$\.format/),
  })
})

test('without a key it says whose key signed and that nobody checked it; with its fingerprint it is checked', () => {
  const fingerprint = fingerprintOf(PUBLIC, nodeCrypto) ?? ''
  expect(verify(sealed()).result.key).toEqual({ fingerprint, checked: false })
  expect(verify(sealed(), '--key', groupedFingerprint(fingerprint).toUpperCase())).toMatchObject({
    status: 0,
    result: { key: { fingerprint, checked: true } },
  })
  expect(
    verify(
      sealed(),
      '--key',
      fingerprint.replace(/./, (c) => (c === '0' ? '1' : '0')),
    ).status,
  ).toBe(3)
  const file = join(folder, 'record.json')
  const said = spawnSync(yperos, ['verify', file], { encoding: 'utf8' }).stdout
  expect(said).toMatch(new RegExp(`${groupedFingerprint(fingerprint)}, which was NOT checked`))
})

const spki = (rawHex: string) => Buffer.from(`302a300506032b6570032100${rawHex}`, 'hex').toString('base64')

test.each([
  ['the point of order one, whose signatures cover any text', spki(`01${'00'.repeat(31)}`)],
  ['a point of order eight', spki('c7176a703d4dd84fba3c0b760d10670f2a2053fa2c39ccc64ec7fd7792ac037a')],
  ['the same with its sign turned', spki('c7176a703d4dd84fba3c0b760d10670f2a2053fa2c39ccc64ec7fd7792ac03fa')],
  ['a coordinate beyond the field', spki(`ee${'ff'.repeat(30)}7f`)],
  [
    'another kind of key',
    generateKeyPairSync('ec', { namedCurve: 'P-256' })
      .publicKey.export({ type: 'spki', format: 'der' })
      .toString('base64'),
  ],
  ['no key at all', 'AAAA'],
])('a record signed with %s proves nothing', (_what, key) => {
  const record = sealed()
  record.signature.public_key = key
  expect(verify(record)).toMatchObject({
    status: 3,
    result: { intact: false, first_broken: { place: '$.signature.public_key' }, key: null },
  })
})

test('what a weak key would let through is let through by plain cryptography: the refusal is ours', () => {
  // R is the identity and S is zero: with the identity as key this covers every text there is
  const forged = Buffer.from(`01${'00'.repeat(63)}`, 'hex').toString('base64')
  expect(nodeCrypto.verify('any text', spki(`01${'00'.repeat(31)}`), forged)).toBe(true)
})
