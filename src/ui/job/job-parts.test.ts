import { expect, test } from 'vitest'
import { RIG_AT_START } from '@/core/job/parts'
import { CAR, eventAt, HOLDING, job, later, minutes, part } from '@/core/tests/job-fixture'
import { eventWords } from '@/core/words/event-words'
import { withStretch } from '../hooks/use-job-live'
import { ascentOf } from './charge/ascent/ahead'
import { following } from './frame/connection-drawing'

test('a tap gives a part its next state and comes round', () => {
  expect(following('valve-low', RIG_AT_START)).toBe('closed')
  expect(following('coupler-low', RIG_AT_START)).toBe('on')
  expect(following('coupler-low', { ...RIG_AT_START, 'coupler-low': 'open' })).toBe('off')
})

test('the ascent adds the containers up, and never counts a purge as charge', () => {
  const stops = [
    { id: 'can-1', stopGrossG: 140, takenG: 332, purgeG: 3 },
    { id: 'can-2', stopGrossG: 250, takenG: 224, purgeG: 3 },
  ]
  const containers = [{ id: 'can-1', kind: 'can' as const, grossG: 472, netG: 340 }]
  const state = later(
    job(CAR, ...HOLDING),
    70,
    { kind: 'charge-planned', payload: { targetG: 540, purgeEachG: 3, containers, stops, bandG: [535, 545] } },
    { kind: 'container-started', payload: { id: 'can-1', grossG: 472 } },
  )
  const second = later(later(state, 80, { kind: 'container-ended', payload: { id: 'can-1', grossG: 142 } }), 81, {
    kind: 'container-started',
    payload: { id: 'can-2', grossG: 474 },
  })
  const scale = [
    { at: minutes(70) + 1000, value: 470 },
    { at: minutes(75), value: 300 },
    { at: minutes(82), value: 371 },
  ]
  expect(ascentOf(second, scale, 1).map((p) => p.value)).toEqual([0, 0, 169, 327, 327, 327 + 100])
})

test('the trail speaks the trade’s words', () => {
  expect(eventWords(eventAt(1, part('valve-low', 'closed')))).toBe('Low valve closed')
  expect(
    eventWords(
      eventAt(1, {
        kind: 'fix-logged',
        payload: { renewed: [{ what: 'core-large', count: 1 }], openHours: 2, oilOwedMl: 30, oilReason: 'condenser' },
      }),
    ),
  ).toBe('Renewed: valve core, large ×1; oil owed 30 mL (condenser)')
  const oil = { oilOwedMl: 40, oilReason: 'drained', oilWay: 'can', drainedMl: 12, oilCanG: 30 } as const
  expect(eventWords(eventAt(1, { kind: 'fix-logged', payload: { renewed: [], openHours: 2, ...oil } }))).toBe(
    'Renewed: nothing; oil owed 40 mL (drained), out of a can that also holds refrigerant, 12 mL drained, ' +
      '30 g of refrigerant with it',
  )
  expect(eventWords(eventAt(1, { kind: 'hold-decided', payload: { next: 'pull' } }))).toBe('Decided: pull again')
  const accepted = { next: 'hold', minutes: 120, accepted: 'word' } as const
  expect(eventWords(eventAt(1, { kind: 'hold-decided', payload: accepted }))).toBe(
    'Decided: hold on longer, 2 h; accepted by a person’s word',
  )
  expect(eventWords(eventAt(1, { kind: 'caution-passed', payload: { code: 'exhaust-cap-on' } }))).toBe(
    'Went on past the caution: exhaust cap on',
  )
})

test('a stretch of the log is put where it belongs, and what is known already leaves the log the very same', () => {
  const [a, b, c] = [1, 2, 3].map((m) => eventAt(m, { kind: 'noted', payload: { text: `note ${m}` } }))
  if (!a || !b || !c) throw new Error('three events')
  const log = [a, b]
  expect(withStretch(log, { from: 1, events: [b, c] })).toEqual([a, b, c])
  expect(withStretch(log, { from: 0, events: [a, b] })).toBe(log)
  expect(withStretch(log, { from: 2, events: [] })).toBe(log)
  // what lies further on than the log reaches would leave a hole: the stream brings it whole
  expect(withStretch(log, { from: 3, events: [c] })).toBe(log)
})
