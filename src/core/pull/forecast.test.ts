import { expect, test } from 'vitest'
import { currentPull, type Pull } from '../job/state'
import { CAR, job, minutes, PULLING } from '../tests/job-fixture'
import { PA_PER_MICRON } from '../units/constants'
import { USUAL_SAY } from '../units/say'
import { ADVICE_WORDS } from './advice-words'
import { asForecast, comeBackAt, pullAsked } from './forecast'
import { whereItStands } from './running-pull'

const state = job(CAR, ...PULLING)
const pull = currentPull(state) as Pull
const started = Date.parse(pull.startedAt)

test('a procedure’s minutes are the least, the prediction decides beyond them, and nine of ten are said', () => {
  const due = minutes(66)
  expect(comeBackAt(due, { p50Ms: minutes(90), p90Ms: minutes(130) })).toEqual({
    atMs: minutes(90),
    latestMs: minutes(130),
    by: 'prediction',
  })
  expect(comeBackAt(due, { p50Ms: minutes(40), p90Ms: minutes(80) })).toEqual({
    atMs: due,
    latestMs: minutes(80),
    by: 'minutes',
  })
  expect(comeBackAt(due, { p50Ms: minutes(30), p90Ms: minutes(50) }).latestMs).toBeNull()
  expect(comeBackAt(due, null)).toEqual({ atMs: due, latestMs: null, by: 'minutes' })
})

test('a job asks with its own rig, place and readings; a needle’s say nothing down there', () => {
  const readings = [{ at: started + 600_000, value: 400 }]
  const asked = pullAsked(state, pull, readings, started + 900_000)
  expect(asked).toMatchObject({ nowS: 900, targetPa: 500 * PA_PER_MICRON, readings: [{ tS: 600, pa: 400 }] })
  expect(asked.rig.nodes.map((n) => n.id)).toContain(asked.farNode)
  const atPump = { ...state, opened: { ...state.opened, rig: { ...state.opened.rig, gaugeAt: 'pump' as const } } }
  expect(pullAsked(atPump, pull, readings, started).gaugeNode).toBe('pump')
  const needle = { ...state, opened: { ...state.opened, rig: { ...state.opened.rig, gauge: 'needle' as const } } }
  expect(pullAsked(needle, pull, readings, started).readings).toEqual([])
})

test('a job’s pull that falls as its rig should is said to get there, in order, from now on', () => {
  const asked = pullAsked(state, pull, [], started)
  const said = asForecast(whereItStands(asked), 0, started)
  expect(said.reaches).toBeGreaterThan(0.5)
  const [p10, p50, p90] = [said.p10Ms, said.p50Ms, said.p90Ms].map((ms) => ms ?? Number.POSITIVE_INFINITY) as [
    number,
    number,
    number,
  ]
  expect(p10).toBeGreaterThan(started)
  expect(p50).toBeGreaterThanOrEqual(p10)
  expect(p90).toBeGreaterThanOrEqual(p50)
}, 60_000)

test('oil that took grams of water is named with what it holds the pump up at, and what an oil change brings', () => {
  const look = { targetPa: 500 * PA_PER_MICRON, ultimatePa: 30 * PA_PER_MICRON, ballastOpen: false }
  const facts = (lowG: number, middleG: number, highG: number, reachesPa: number) => {
    const forecast = { stands: [], toTargetS: null, oil: { lowG, middleG, highG, reachesPa } }
    return { look: { ...look, forecast }, say: USUAL_SAY } as unknown as Parameters<(typeof ADVICE_WORDS)['pump']>[0]
  }
  const wet = ADVICE_WORDS.pump(facts(3, 6, 7, 94))
  expect(`${wet.sentence} ${wet.why} ${wet.next}`).toMatch(/oil is wet.*3 g to 7 g.*about 705 micron.*Change its oil/)
  expect(ADVICE_WORDS.pump(facts(5.9, 6, 6.1, 94)).why).toMatch(/^About 6 g/)
  expect(ADVICE_WORDS.pump(facts(0.01, 0.05, 0.1, 94)).sentence).toBe('Stuck: perhaps the pump.')
})
