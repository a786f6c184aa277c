import { expect, test } from 'vitest'
import type { JobEvent } from '../job/events'
import { foldJob } from '../job/reduce'
import { currentHold, type JobState } from '../job/state'
import { CAR, job } from '../tests/job-fixture'
import { EVEN_PRIORS, holdContext, previousHold } from './context'

const T0 = Date.parse('2026-03-01T10:00:00.000Z')
const iso = (minutes: number) => new Date(T0 + minutes * 60_000).toISOString()
const ENDED = {
  verdict: 'undecided' as const,
  leak: 0.4,
  damp: 0.9,
  risePaS: 0.01,
  provesGramsPerYear: 100,
  leakGramsPerYear: null,
  heldS: 1800,
  samples: 1800,
  reasons: [],
  at: iso(90),
}

/** Two holds with a pull of half an hour between them. */
const twice = (visits: JobState['visits'] = []): JobState => ({
  ...job(CAR),
  step: 'hold',
  rig: { ...job(CAR).rig, 'coupler-low': 'open', 'coupler-high': 'open' },
  visits,
  pulls: [
    { startedAt: iso(0), endedAt: iso(60) },
    { startedAt: iso(95), endedAt: iso(125) },
  ],
  holds: [
    { isolatedAt: iso(60), plannedMinutes: 30, ended: ENDED },
    { isolatedAt: iso(125), plannedMinutes: 30 },
  ],
})

test('the second hold knows the first and how long it was pulled between, unless something was mended', () => {
  const state = twice()
  expect(holdContext(state, 30).previous).toEqual({ risePaS: 0.01, leak: 0.4, damp: 0.9, pulledS: 1800 })
  const carried = { leakAndDamp: 0.35, riseIfDryPaS: [0.001, 0.02], riseIfWetPaS: [] }
  const told = twice()
  told.holds = [
    { ...(told.holds[0] as never as object), ended: { ...ENDED, carried } } as never,
    told.holds[1] as never,
  ]
  expect(holdContext(told, 30).previous?.carried).toEqual(carried)
  const mended = twice([{ step: 'fix', startedAt: iso(92) }])
  expect(previousHold(mended, currentHold(mended) as never)).toBeUndefined()
  const spoilt = twice()
  spoilt.holds = [
    { isolatedAt: iso(60), plannedMinutes: 30, ended: { ...ENDED, verdict: 'invalid', risePaS: null } },
    spoilt.holds[1] as never,
  ]
  expect(holdContext(spoilt, 30).previous).toBeUndefined()
})

test('hoses count to the isolated volume while a coupler ties them to the car, and not once both are off', () => {
  const on = holdContext(twice(), 30)
  const off = holdContext({ ...twice(), rig: { ...twice().rig, 'coupler-low': 'off', 'coupler-high': 'off' } }, 30)
  const { rig, volumeL } = CAR
  const hoses = rig.hoses * (Math.PI / 4) * (rig.boreMm / 1000) ** 2 * rig.lengthM * 1000
  expect(on.volumeL).toBeCloseTo(volumeL + hoses, 9)
  expect(on.hosesIncluded).toBe(true)
  expect(off).toMatchObject({ volumeL, hosesIncluded: false })
  expect(off.hoses).toBeUndefined()
})

test('hoses held alone before bring their own figure; the story’s chances can be switched off', () => {
  const measured = {
    ...twice(),
    opened: { ...twice().opened, rig: { ...twice().opened.rig, hoseBaselinePaM3S: 3e-7, resolutionPa: 0.2 } },
  }
  expect(holdContext(measured, 30)).toMatchObject({ hoseBaselinePaM3S: 3e-7, resolutionPa: 0.2 })
  const opening = {
    id: 'a',
    kind: 'job-opened',
    happenedAt: iso(0),
    storedAt: iso(0),
    by: 'Teo',
    payload: CAR,
  } as JobEvent
  const even = foldJob([
    opening,
    {
      id: 'b',
      kind: 'priors-set',
      happenedAt: iso(1),
      storedAt: iso(1),
      by: 'Teo',
      payload: { use: 'even' },
    } as JobEvent,
  ])
  expect(holdContext(even, 30).priors).toEqual(EVEN_PRIORS)
  expect(holdContext(foldJob([opening]), 30).priors).not.toEqual(EVEN_PRIORS)
})
