import { describe, expect, test, vi } from 'vitest'
import * as z from 'zod'
import { OutOfRange, Unreadable } from '@/core/errors'
import { AppError } from './errors'
import { handle, parseInput, pathText, readJson, readText } from './http'
import { parseCursor } from './live/job-stream'

const request = (body: string, headers: Record<string, string> = {}) =>
  new Request('http://here/api/x', {
    method: 'POST',
    body,
    headers: { 'content-type': 'application/json', ...headers },
  })
const answer = (error: unknown) =>
  handle(async () => {
    throw error
  })(request('{}'), undefined)

test('a path is written as JSON tools write it', () => {
  expect(pathText(['readings', 3, 'value'])).toBe('readings[3].value')
  expect(pathText([0, 'at'])).toBe('[0].at')
  expect(pathText([])).toBe('')
})

describe('input', () => {
  const Schema = z.strictObject({ grams: z.number().min(0), unit: z.enum(['g', 'oz']) })

  test('that fits is returned, that does not names every fault', () => {
    expect(parseInput(Schema, { grams: 4, unit: 'g' })).toEqual({ grams: 4, unit: 'g' })
    try {
      parseInput(Schema, { grams: -4, unit: 'stone' })
      expect.unreachable()
    } catch (error) {
      expect(error).toBeInstanceOf(AppError)
      expect((error as AppError).faults.map((f) => f.path)).toEqual(['grams', 'unit'])
    }
  })

  test('that is not JSON, or too much of it, is refused before anybody looks at it', async () => {
    await expect(readJson(request('{"grams":'))).rejects.toMatchObject({ code: 'bad-input' })
    await expect(readText(request('x'.repeat(600_000)))).rejects.toMatchObject({ code: 'too-large' })
    await expect(readText(request('{}', { 'content-length': '9000000' }))).rejects.toMatchObject({ code: 'too-large' })
  })
})

/** A body that comes in pieces, its length not told; `piece` may be asked for ever. */
function inPieces(piece: () => Promise<Uint8Array | null>) {
  let asked = 0
  let cancelled = false
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      asked += 1
      const next = await piece()
      if (next) controller.enqueue(next)
      else controller.close()
    },
    cancel() {
      cancelled = true
    },
  })
  const asRequest = new Request('http://here/api/x', {
    method: 'POST',
    body,
    headers: { 'content-type': 'application/json' },
    duplex: 'half',
  } as RequestInit)
  return { request: asRequest, asked: () => asked, letGo: () => !cancelled && asRequest.body?.locked === false }
}

describe('a body in pieces', () => {
  test('is read to its end when it is small, whatever the pieces cut through', async () => {
    const bytes = new TextEncoder().encode('{"car":"Fährwagen"}')
    const pieces = [...bytes].map((byte) => new Uint8Array([byte]))
    const sent = inPieces(async () => pieces.shift() ?? null)
    expect(await readJson(sent.request)).toEqual({ car: 'Fährwagen' })
  })

  test('is cut at its limit, and what is still to come is not asked for', async () => {
    const sent = inPieces(async () => new Uint8Array(64 * 1024))
    await expect(readText(sent.request)).rejects.toMatchObject({ code: 'too-large' })
    // let go of and not cancelled: a cancelled body resets the line, and the answer with it
    expect(sent.letGo()).toBe(true)
    await new Promise((done) => setTimeout(done, 50))
    expect(sent.asked()).toBeLessThan(14)
  })

  test('that does not arrive within half a minute is cut', async () => {
    vi.useFakeTimers()
    const sent = inPieces(() => new Promise((done) => setTimeout(() => done(new Uint8Array(1)), 1000)))
    const refused = expect(readText(sent.request)).rejects.toMatchObject({ code: 'too-slow' })
    await vi.advanceTimersByTimeAsync(31_000)
    await refused
    expect(sent.letGo()).toBe(true)
    vi.useRealTimers()
  })

  test('is JSON where JSON is meant, in UTF-8', async () => {
    await expect(readJson(request('{}', { 'content-type': 'text/plain' }))).rejects.toMatchObject({ code: 'not-json' })
    await expect(
      readJson(request('{}', { 'content-type': 'application/x-www-form-urlencoded' })),
    ).rejects.toMatchObject({ code: 'not-json' })
    expect(await readJson(request('{}', { 'content-type': 'application/json; charset=utf-8' }))).toEqual({})
    const pieces = [new Uint8Array([0x22, 0xff, 0x22])]
    await expect(readText(inPieces(async () => pieces.shift() ?? null).request)).rejects.toMatchObject({
      code: 'bad-input',
    })
  })
})

test.each([
  [{ code: 'ECONNREFUSED' }, true],
  [{ code: '57P01' }, true],
  [{ code: '53100' }, true],
  [{ message: 'timeout exceeded when trying to connect' }, true],
  [{ code: '57014' }, false],
  [{ code: '23505' }, false],
  [{ message: 'undefined is not a function' }, false],
])('%j says that the database is away: %s', async (like, away) => {
  const response = await answer(Object.assign(new Error('x'), like))
  expect(response.status).toBe(away ? 503 : 500)
})

describe('what a handler throws', () => {
  test.each([
    [new AppError('bad-input', 'no'), 400],
    [new AppError('not-signed-in', 'no'), 401],
    [new AppError('not-allowed', 'no'), 403],
    [new AppError('not-found', 'no'), 404],
    [new AppError('already-signed', 'no'), 409],
    [new AppError('too-many', 'no'), 429],
    [new OutOfRange('pressure', -1, 0, 5, 'Pa'), 400],
    [new Unreadable('type a weight'), 400],
  ])('%s answers its status with its reason', async (error, status) => {
    const response = await answer(error)
    expect(response.status).toBe(status)
    expect(await response.json()).toMatchObject({ message: expect.stringMatching(/./), faults: [] })
  })

  test('a defect of ours answers 500 and tells nothing of our insides', async () => {
    const response = await answer(new Error('password is swordfish'))
    expect(response.status).toBe(500)
    expect(await response.text()).not.toMatch(/swordfish/)
  })
})

test('a stream’s cursor is two numbers or nothing', () => {
  expect(parseCursor('120.7')).toEqual({ readings: 120, events: 7 })
  for (const text of [null, '', '12', '1.2.3', '-1.4', '1e9.2', `${'9'.repeat(20)}.1`])
    expect(parseCursor(text)).toBeNull()
})
