import * as z from 'zod'
import { ProcedureWritten } from '@/core/job/events'
import { figuresOf, type RULE_IDS, type Stage, type StageKind } from '@/core/job/stages'
import type { Procedure } from '@/core/job/written'

/** A stage as it is typed: every kind's fields as text, of which its kind takes what it needs. */
export type StageValues = {
  kind: StageKind
  targetMicron: string
  minutes: string
  ends: 'target' | 'minutes' | 'opened'
  passes: string
  kPa: string
  accept: 'judge' | 'word' | (typeof RULE_IDS)[number]
  grams: string
  until: 'minutes' | 'decided'
  fails: 'again' | 'longer' | 'fix' | 'lead'
  at: 'both' | 'idle' | 'at-speed'
}
export type ProcedureValues = { name: string; proves: string; stages: StageValues[] }

export const BLANK: StageValues = {
  kind: 'pull',
  targetMicron: '500',
  minutes: '60',
  ends: 'target',
  passes: '1',
  kPa: '20',
  accept: 'judge',
  grams: '',
  until: 'minutes',
  fails: 'longer',
  at: 'both',
}

/** A stage's fields as they stand in the strip. */
export function valuesOf(stage: Stage): StageValues {
  const blank = { ...BLANK, kind: stage.kind }
  switch (stage.kind) {
    case 'pull':
      return {
        ...blank,
        targetMicron: String(stage.targetMicron),
        minutes: stage.minutes === null ? '' : String(stage.minutes),
        ends: stage.minutes === null ? 'opened' : stage.ends,
      }
    case 'sweep':
      return { ...blank, passes: String(stage.passes), kPa: String(stage.kPa) }
    case 'hold':
      return {
        ...blank,
        minutes: String(stage.minutes),
        accept: stage.accept.by === 'rule' ? stage.accept.rule : stage.accept.by,
        grams: stage.accept.by === 'judge' && stage.accept.gramsPerYear ? String(stage.accept.gramsPerYear) : '',
        until: stage.until ?? 'minutes',
        fails: stage.fails,
      }
    case 'hoses':
      return { ...blank, minutes: String(stage.minutes) }
    case 'charge':
      return blank
    case 'proof':
      return { ...blank, at: stage.at.length === 2 ? 'both' : (stage.at[0] ?? 'both') }
    default: {
      const unknown: never = stage
      return unknown
    }
  }
}

const number = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.')))

/** A stage as it is stored; what is no number is refused where it stands. */
export function stageOf(v: StageValues): unknown {
  switch (v.kind) {
    case 'pull':
      return {
        kind: v.kind,
        targetMicron: number(v.targetMicron),
        minutes: v.ends === 'opened' ? null : number(v.minutes),
        ends: v.ends === 'minutes' ? 'minutes' : 'target',
      }
    case 'sweep':
      return { kind: v.kind, passes: number(v.passes), kPa: number(v.kPa) }
    case 'hold': {
      const grams = v.grams.trim() === '' ? {} : { gramsPerYear: number(v.grams) }
      const accept =
        v.accept === 'judge'
          ? { by: 'judge', ...grams }
          : v.accept === 'word'
            ? { by: 'word' }
            : { by: 'rule', rule: v.accept }
      // only the judge decides: a rule has its own time, a person's word any
      const until = v.accept === 'judge' && v.until === 'decided' ? { until: v.until } : {}
      return { kind: v.kind, minutes: number(v.minutes), ...until, accept, fails: v.fails }
    }
    case 'hoses':
      return { kind: v.kind, minutes: number(v.minutes) }
    case 'charge':
      return { kind: v.kind }
    case 'proof':
      return { kind: v.kind, at: v.at === 'both' ? ['idle', 'at-speed'] : [v.at] }
    default: {
      const unknown: never = v.kind
      return unknown
    }
  }
}

/** Fields of a stage under the names they are typed in. */
const FIELDS: Record<string, keyof StageValues> = { gramsPerYear: 'grams', rule: 'accept', by: 'accept' }

/** What is typed as a procedure; faults stand at the field, or at the stage that cannot follow. */
export const Typed = z
  .custom<ProcedureValues>()
  .transform((values, context): z.infer<typeof ProcedureWritten> & { proves: string } => {
    const stages = values.stages.map(stageOf)
    const figures = figuresOf(stages as Stage[])
    const usable = (n: number, usual: number) => (Number.isFinite(n) ? n : usual)
    const read = ProcedureWritten.safeParse({
      name: values.name,
      targetMicron: usable(figures.targetMicron, 500),
      pullMinutes: usable(figures.pullMinutes, 60),
      holdMinutes: usable(figures.holdMinutes, 30),
      stages,
    })
    if (read.success) return { ...read.data, proves: values.proves }
    for (const { path, message } of read.error.issues) {
      const [top, at, ...rest] = path
      const last = String(rest[rest.length - 1] ?? 'kind')
      if (top === 'stages' && typeof at === 'number')
        context.addIssue({ code: 'custom', path: ['stages', at, FIELDS[last] ?? last], message })
      else if (top === 'name') context.addIssue({ code: 'custom', path: ['name'], message })
    }
    return z.NEVER
  })

export const valuesOfProcedure = (p: Procedure & { proves: string }, stages: readonly Stage[]): ProcedureValues => ({
  name: p.name,
  proves: p.proves,
  stages: stages.map(valuesOf),
})
