import type { GaugeState, ScaleState } from '@/core/bench/instruments'
import type { BenchTruth, Scenario } from '@/core/bench/truth'

/** A change of what is on the bench: put back, another car, or a gauge that fails, ms of job time. */
export type BenchSetting = { atMs: number } & (
  | { kind: 'reset'; leakPaM3S: number; waterG: number }
  | { kind: 'scenario'; scenario: Scenario }
  | { kind: 'gauge'; state: GaugeState }
  | { kind: 'scale'; state: ScaleState }
)

/** A job's bench as stored: its hidden truth, the step of its scale, and what was changed since. */
export type StoredBench = { truth: BenchTruth; scaleStepG: number; settings?: BenchSetting[] }
