import { expect, test } from 'vitest'
import { offHours } from './hours'

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString())
const said = (from: string, to: string, days: number[], now: string, zone: string) =>
  offHours({ days, from, to }, zone, Date.parse(now)).map((s) => [iso(s.fromMs), iso(s.toMs)])

const WEEK = [1, 2, 3, 4, 5]

test('somebody with hours is off before, after and on free days, by the shop’s own clock', () => {
  // a Friday noon in Santiago, three hours behind UTC in March
  expect(said('07:30', '16:00', WEEK, '2026-03-06T15:00:00.000Z', 'America/Santiago').slice(0, 2)).toEqual([
    // the weekend in one piece
    ['2026-03-06T19:00:00.000Z', '2026-03-09T10:30:00.000Z'],
    ['2026-03-09T19:00:00.000Z', '2026-03-10T10:30:00.000Z'],
  ])
  // at night the first gap begins now
  expect(said('07:30', '16:00', WEEK, '2026-03-06T05:00:00.000Z', 'America/Santiago')[0]).toEqual([
    '2026-03-06T05:00:00.000Z',
    '2026-03-06T10:30:00.000Z',
  ])
})

test('a day on which clocks are set keeps its hours, and a night shift ends the next morning', () => {
  // Berlin goes to summer time on 29 March 2026: 7:30 there is 5:30 UTC from then on
  expect(said('07:30', '16:00', [0, 6], '2026-03-28T16:00:00.000Z', 'Europe/Berlin')[0]).toEqual([
    '2026-03-28T16:00:00.000Z',
    '2026-03-29T05:30:00.000Z',
  ])
  const night = said('22:00', '06:00', [0, 1, 2, 3, 4, 5, 6], '2026-03-10T23:00:00.000Z', 'UTC')
  expect(night[0]).toEqual(['2026-03-11T06:00:00.000Z', '2026-03-11T22:00:00.000Z'])
})

test('nobody’s hours are told: they are there whenever', () => {
  expect(offHours(null, 'UTC', Date.now())).toEqual([])
})
