import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { OutOfRange, Unreadable } from '@/core/errors'
import { AppError } from './errors'
import { handle, parseInput, pathText, readJson, readText } from './http'
import { parseCursor } from './live/job-stream'

const request = (body: string, headers: Record<string, string> = {}) => new Request('http://here/api/x', { method: 'POST', body, headers })
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
  for (const text of [null, '', '12', '1.2.3', '-1.4', '1e9.2', `${'9'.repeat(20)}.1`]) expect(parseCursor(text)).toBeNull()
})
