import { PA_PER_MICRON } from '../units/constants'
import { OPENED_MINUTES, type Stage, type StageKind } from './stages'
import type { JobState } from './state'

type OfKind<K extends StageKind> = Extract<Stage, { kind: K }>

/** The stages of a job's procedure, and which of them is now. */
export const stageNow = ({ stages, stage }: Pick<JobState, 'stages' | 'stage'>): Stage | undefined => stages[stage]
export const stageAfter = ({ stages, stage }: Pick<JobState, 'stages' | 'stage'>): Stage | undefined =>
  stages[stage + 1]

/** The next stage of a kind from a place on, or its place; undefined and -1 where none comes. */
export const nextOf = (stages: readonly Stage[], kind: StageKind, from: number): number =>
  stages.findIndex((s, i) => i >= from && s.kind === kind)
export function lastOf(stages: readonly Stage[], kind: StageKind, upTo: number): number {
  for (let i = Math.min(upTo, stages.length - 1); i >= 0; i--) if (stages[i]?.kind === kind) return i
  return -1
}

/** How the hold that is now, or was last, is accepted. */
export function holdStage({ stages, stage }: Pick<JobState, 'stages' | 'stage'>): OfKind<'hold'> | undefined {
  const found = stages[lastOf(stages, 'hold', stage)]
  return found?.kind === 'hold' ? found : undefined
}

/** A pull that comes after the hold that is now; undefined where the charge, or nothing, does. */
export function pullAhead({ stages, stage }: Pick<JobState, 'stages' | 'stage'>): OfKind<'pull'> | undefined {
  const found = stages[nextOf(stages, 'pull', stage + 1)]
  return found?.kind === 'pull' ? found : undefined
}

/** Whether this procedure ends without a charge: the car is only looked at for leaks. */
export const endsUncharged = ({ stages }: Pick<JobState, 'stages'>): boolean => nextOf(stages, 'charge', 0) < 0

/** The points the running engine is read at. */
export function proofPoints({ stages }: Pick<JobState, 'stages'>): readonly ('idle' | 'at-speed')[] {
  const found = stages[nextOf(stages, 'proof', 0)]
  return found?.kind === 'proof' ? found.at : ['idle', 'at-speed']
}

/** What dry nitrogen is let in to: what is asked for, never above what the car's label allows, Pa above the air. */
export const nitrogenPaG = ({ nitrogenLimitPaG }: Pick<JobState, 'nitrogenLimitPaG'>, askedPaG: number): number =>
  Math.min(askedPaG, nitrogenLimitPaG ?? askedPaG)

/**
 * A pull that ended and is swept before the next: how often still, to which pressure above the air, and what its
 * procedure asks for, Pa.
 */
export function sweepDue(state: JobState): { passes: number; paG: number; askedPaG: number } | null {
  const next = stageAfter(state)
  const pull = state.pulls[state.pulls.length - 1]
  if (stageNow(state)?.kind !== 'pull' || next?.kind !== 'sweep' || !pull?.endedAt) return null
  if (state.pulls.length <= state.pulledBefore) return null
  const askedPaG = next.kPa * 1000
  return { passes: next.passes - state.swept, paG: nitrogenPaG(state, askedPaG), askedPaG }
}

/**
 * A job at another stage of its procedure: depth, minutes of the pull and of the hold that follows are that stage's
 * from here on.
 */
export function atStage(state: JobState, stage: number): JobState {
  const pull = state.stages[lastOf(state.stages, 'pull', stage)]
  const hold = state.stages[nextOf(state.stages, 'hold', Math.max(0, stage))]
  const { procedure, story } = state.opened
  const opened = {
    ...state.opened,
    procedure: {
      ...procedure,
      ...(pull?.kind === 'pull' && {
        targetPa: pull.targetMicron * PA_PER_MICRON,
        pullMinutes: pull.minutes ?? OPENED_MINUTES[story.opened],
      }),
      ...(hold?.kind === 'hold' && { holdMinutes: hold.minutes }),
    },
  }
  return { ...state, opened, stage, swept: 0, pulledBefore: state.pulls.length }
}
