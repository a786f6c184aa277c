import { expect, test } from 'vitest'
import type { JobEvent } from '../job/events'
import { foldJob } from '../job/reduce'
import { OPENING } from '../tests/opening'
import { recordPicture } from './picture'

const T0 = Date.parse('2026-03-01T08:00:00Z')
const at = (minutes: number) => new Date(T0 + minutes * 60_000).toISOString()
const events = (...list: [minutes: number, kind: string, payload: object][]): JobEvent[] =>
  list.map(
    ([minutes, kind, payload], i) =>
      ({ id: `e${i}`, kind, payload, happenedAt: at(minutes), storedAt: at(minutes), by: 'Teo' }) as never,
  )

const PULLED: [number, string, object][] = [
  [0, 'job-opened', OPENING],
  ...['zero', 'fix', 'rig'].map((step): [number, string, object] => [5, 'step-finished', { step }]),
  [5, 'part-set', { part: 'centre-hose', state: 'pump' }],
  [5, 'part-set', { part: 'pump', state: 'on' }],
  [5, 'part-set', { part: 'valve-low', state: 'open' }],
]

test('a pull that runs goes to its last reading, and its curve lies where its pressures are', () => {
  const state = foldJob(events(...PULLED))
  const vacuum = [6, 10, 20].map((m, i) => ({ at: T0 + m * 60_000, value: [50_000, 1000, 66][i] as number }))
  const { spans, lines, unread } = recordPicture(state, vacuum)
  const pull = spans[0]
  expect(spans.map((s) => s.kind)).toEqual(['pull'])
  expect(unread).toBe(false)
  expect(pull?.points.at(-1)?.[0]).toBeCloseTo(1, 6)
  const depths = pull?.points.map((p) => p[1]) ?? []
  expect(depths).toEqual([...depths].sort((a, b) => a - b))
  // 66 Pa is 495 micron: just below the target of 500
  expect(depths.at(-1)).toBeGreaterThan(lines.target)
  expect((depths.at(-1) ?? 0) - lines.target).toBeLessThan(0.01)
})

test('a job without readings has its spans and no curve, and says so; nothing that was not done is drawn', () => {
  const picture = recordPicture(foldJob(events(...PULLED)), [])
  expect(picture.unread).toBe(true)
  expect(picture.charge).toBeNull()
  expect(picture.proof).toEqual([])
})

test('what containers gave stands end to end, and ends at what is in the car', () => {
  const plan = {
    targetG: 400,
    purgeEachG: 3,
    containers: [
      { id: 'can 1', kind: 'can', grossG: 470, netG: 340 },
      { id: 'can 2', kind: 'can', grossG: 470, netG: 340 },
    ],
    stops: [
      { id: 'can 1', stopGrossG: 140, takenG: 330, purgeG: 3 },
      { id: 'can 2', stopGrossG: 397, takenG: 73, purgeG: 0 },
    ],
    bandG: [390, 410],
  }
  const state = foldJob(
    events(
      ...PULLED,
      [30, 'charge-planned', plan],
      [31, 'container-started', { id: 'can 1', grossG: 470 }],
      [40, 'container-ended', { id: 'can 1', grossG: 140 }],
      [41, 'container-started', { id: 'can 2', grossG: 470 }],
      [50, 'container-ended', { id: 'can 2', grossG: 397 }],
    ),
  )
  const charge = recordPicture(state, []).charge
  expect(charge?.parts.map((p) => [p.fromG, p.toG])).toEqual([
    [0, 327],
    [327, 400],
  ])
  expect(charge?.totalG).toBe(400)
  expect(charge?.lowG).toBe(385)
})
