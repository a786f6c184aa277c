import { expect, test } from 'vitest'
import { currentPull, type Pull } from '../job/state'
import { composeRig, farNode, type RigOptions } from '../rig/compose'
import { simulate } from '../rig/simulate'
import { CAR, job, PULLING } from '../tests/job-fixture'
import { PA_PER_MICRON } from '../units/constants'
import type { StandKind } from './asked'
import { pullAsked } from './forecast'
import { pullQuestion } from './question'
import { whereItStands } from './running-pull'

const state = job(CAR, ...PULLING)
const pull = currentPull(state) as Pull
const started = Date.parse(pull.startedAt)
const MINUTES = 40

/** What is said of a dry car's pull whose rig is worse than told, by its far gauge alone and with one at the pump. */
function chanceOf(kind: StandKind, options: RigOptions) {
  const { car, rig, ambientC, barometerPa } = pullQuestion(state, 0)
  const water = { liquidG: 0, boundG: 0 }
  const run = simulate(composeRig({ car, rig, ambientC, barometerPa, water, options }), {
    seconds: MINUTES * 60,
    everyS: 20,
  })
  const read = (node: string) => {
    const at = run.nodes.indexOf(node)
    return run.samples
      .map((s) => ({ at: started + s.tS * 1000, value: s.totalPa[at] as number }))
      .filter((r) => r.value < 20_000 * PA_PER_MICRON)
  }
  const now = started + MINUTES * 60_000
  const chance = (atPump: ReturnType<typeof read>) =>
    whereItStands(pullAsked(state, pull, read(farNode(car)), now, atPump)).stands.find((s) => s.kind === kind)
      ?.probability ?? 0
  return { alone: chance([]), both: chance(read('pump')) }
}

test('a gauge at the pump tells a pump that does not get down from hoses that hold back', () => {
  const pump = chanceOf('pump', { ultimatePa: 900 * PA_PER_MICRON })
  // no fall between the two gauges: what holds the car up is not on the way; the seed alone moves a chance by a tenth
  expect(pump.both).toBeGreaterThan(pump.alone - 0.1)
  expect(pump.both).toBeGreaterThan(0.85)
}, 120_000)
