import { describe, expect, test } from 'vitest'
import { cautionsBefore } from '../call/cautions'
import type { Deed } from '../call/types'
import { CAR, HOLDING, job, later } from '../tests/job-fixture'
import { EventDraftSchema } from './events'
import { refusalOf } from './refusals'

const charging = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
const container = (id: string, more: object = {}) => ({ id, kind: 'can' as const, grossG: 474, netG: 340, ...more })
const plan = (...containers: ReturnType<typeof container>[]): Deed => ({
  kind: 'charge-planned',
  payload: {
    targetG: 540,
    purgeEachG: 3,
    containers,
    stops: containers.map((c) => ({ id: c.id, stopGrossG: 140, takenG: 334, purgeG: 3 })),
    bandG: [530, 550],
  },
})
const start = (id: string, grossG: number): Deed => ({ kind: 'container-started', payload: { id, grossG } })
const end = (id: string, grossG: number): Deed => ({ kind: 'container-ended', payload: { id, grossG } })
const reason = (state: typeof charging, deed: Deed) => refusalOf(state, deed)?.reason

const planned = later(charging, 71, plan(container('can-1'), container('can-2')))
const open = later(planned, 72, start('can-1', 474))
const closed = later(open, 80, end('can-1', 142))

describe('what cannot be is refused, with its place and reason', () => {
  test.each([
    [
      'another refrigerant than the label’s',
      charging,
      plan(container('can-1', { refrigerant: 'R-1234yf' })),
      'containers[0].refrigerant',
      /holds R-1234yf.*asks for R-134a: never mix/,
    ],
    [
      'a container listed twice',
      charging,
      plan(container('can-1'), container('can-1')),
      'containers[1].id',
      /listed once/,
    ],
    [
      'a name that was on this car already',
      closed,
      plan(container('can-1')),
      'containers[0].id',
      /was on this car already/,
    ],
    ['a container nobody planned', planned, start('can-9', 474), 'id', /not in the charge plan/],
    ['a second one while the first is open', open, start('can-2', 474), 'id', /can-1 is still on/],
    ['the same one again', closed, start('can-1', 474), 'id', /weighed off already/],
    ['a full can that weighs no more than its net', planned, start('can-1', 340), 'grossG', /not above the 340 g net/],
    ['an end of what was not on', planned, end('can-1', 142), 'id', /not on the scale/],
    ['an end that came twice', closed, end('can-1', 142), 'id', /weighed off already/],
    ['an end of the other one', open, end('can-2', 142), 'id', /can-1 is/],
    ['a container that gained', open, end('can-1', 490), 'grossG', /does not gain/],
  ] as const)('%s', (_name, state, deed, path, words) => {
    expect(refusalOf(state, deed)?.path).toBe(path)
    expect(reason(state, deed)).toMatch(words)
  })

  test('what can be is not refused', () => {
    for (const [state, deed] of [
      [charging, plan(container('can-1', { refrigerant: 'R-134a' }))],
      [planned, start('can-1', 474)],
      [open, end('can-1', 142)],
      // a hose that settles is no gain
      [open, end('can-1', 477)],
      [closed, start('can-2', 474)],
    ] as const) {
      expect(refusalOf(state, deed)).toBeNull()
    }
  })

  test('a negative weight does not get so far', () => {
    const draft = {
      id: '00000000-0000-4000-8000-000000000000',
      happenedAt: '2026-03-02T10:00:00Z',
      ...start('can-1', -5),
    }
    expect(EventDraftSchema.safeParse(draft).error?.issues[0]?.path).toEqual(['payload', 'grossG'])
  })
})

describe('what would hurt is said before it is done', () => {
  const codes = (state: typeof charging, deed: Deed) => cautionsBefore(state, deed).map((c) => c.code)
  const part = (name: string, state: string): Deed => ({ kind: 'part-set', payload: { part: name, state } }) as Deed
  const flowing = later(open, 73, part('container-valve', 'open'), part('valve-low', 'open'), part('engine', 'on'))

  test('an inverted container on a running low side, whichever of them comes last', () => {
    expect(codes(flowing, part('container-pose', 'inverted'))).toEqual(['inverted-running-low'])
    const inverted = later(
      open,
      73,
      part('container-pose', 'inverted'),
      part('container-valve', 'open'),
      part('engine', 'on'),
    )
    expect(codes(inverted, part('valve-low', 'open'))).toEqual(['inverted-running-low'])
    // with the low valve shut, or at rest, it may stand as it likes
    expect(codes(later(flowing, 74, part('valve-low', 'closed')), part('container-pose', 'inverted'))).toEqual([])
    expect(codes(later(flowing, 74, part('engine', 'off')), part('container-pose', 'inverted'))).toEqual([])
  })

  test('water over 50 °C, and not water of 50', () => {
    const warmed = (celsius: number): Deed => ({ kind: 'container-warmed', payload: { celsius } })
    expect(codes(open, warmed(51))).toEqual(['warmed-over-50'])
    expect(codes(open, warmed(50))).toEqual([])
  })

  test('an engine started against liquid', () => {
    const liquid: Deed = {
      kind: 'charge-planned',
      payload: { ...(plan(container('can-1')).payload as object), way: 'liquid-high' },
    } as Deed
    const state = later(charging, 71, liquid, start('can-1', 474), end('can-1', 142))
    expect(codes(state, part('engine', 'on'))).toContain('start-against-liquid')
    // in the proof too, where it is first started; not again once it has run
    const proving = later(state, 90, { kind: 'step-finished', payload: { step: 'charge' } })
    expect(codes(proving, part('engine', 'on'))).toEqual(['start-against-liquid'])
    expect(codes(later(proving, 95, part('engine', 'on'), part('engine', 'off')), part('engine', 'on'))).toEqual([])
    expect(codes(closed, part('engine', 'on'))).toEqual([])
  })
})
