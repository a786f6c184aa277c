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

/** What is said of a dry car's pull whose rig is worse than told, by a far gauge and one at the pump. */
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
  const { stands } = whereItStands(pullAsked(state, pull, read(farNode(car)), now, read('pump')))
  return stands.find((s) => s.kind === kind)?.probability ?? 0
}

test('a pump that does not get down is told by two gauges that read alike', () => {
  // no fall between them: what holds the car up is not on the way to it; the seed alone moves a chance by a tenth
  expect(chanceOf('pump', { ultimatePa: 900 * PA_PER_MICRON })).toBeGreaterThan(0.75)
}, 120_000)
