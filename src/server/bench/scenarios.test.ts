import { expect, test } from 'vitest'
import { type BenchAction, BenchRun } from '@/core/bench/run'
import { shippedScenarios } from './scenarios'

const turn = (part: string, state: string) => ({ second: 0, kind: 'turn', part, state }) as BenchAction
const HANDS = [
  turn('coupler-low', 'open'),
  turn('coupler-high', 'open'),
  turn('centre-hose', 'pump'),
  turn('pump', 'on'),
]
const SHUT: BenchAction[] = [
  { second: 900, kind: 'turn', part: 'valve-low', state: 'closed' },
  { second: 900, kind: 'turn', part: 'valve-high', state: 'closed' },
]

/** Half an hour of a scenario on a small car, what its instruments show. */
function curve(seed: number | null, scenario: Awaited<ReturnType<typeof shippedScenarios>>[number]) {
  const line = { boreMm: 9.5, lengthM: 1.2, hoses: 2 }
  const place = { ambientC: 20, barometerPa: 101_325, refrigerant: 'R-134a' as const, seed: 1 }
  const bench = new BenchRun(
    { volumeL: 2.5, line, pumpCfm: 4, ultimateMicron: 25, leakPaM3S: 0, waterG: 0, boundG: 0, ...place },
    2,
  )
  const on: BenchAction = { second: 0, kind: 'scenario', scenario: seed === null ? scenario : { ...scenario, seed } }
  return bench.runTo([on, ...HANDS, ...SHUT], 1800)
}

test('every scenario that ships is well formed, has a name of its own, and its seed decides the curve', async () => {
  const scenarios = await shippedScenarios()
  expect(scenarios.length).toBeGreaterThan(8)
  expect(new Set(scenarios.map((s) => s.name)).size).toBe(scenarios.length)
  for (const scenario of scenarios) {
    const first = curve(null, scenario)
    expect(curve(null, scenario), scenario.name).toEqual(first)
    expect(curve(scenario.seed + 1, scenario), scenario.name).not.toEqual(first)
  }
})
