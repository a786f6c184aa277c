import { describe, expect, test } from 'vitest'
import { callFor } from '../call/call'
import { cautionsBefore } from '../call/cautions'
import type { Call, Deed, Live } from '../call/types'
import { ProcedureWritten } from '../job/events'
import { stageNow } from '../job/stage-now'
import { orderFault, Stages } from '../job/stages'
import type { JobState } from '../job/state'
import { procedureRead, procedureWritten } from '../job/written'
import { CAR, done, job, later, minutes, part, rest } from '../tests/job-fixture'
import { provesOf, SCHOOLS } from './schools'

const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const MICRON = 0.1333224
const ENDED = {
  verdict: 'tight' as const,
  leak: 0.01,
  damp: 0.02,
  risePaS: 0,
  provesGramsPerYear: 60,
  leakGramsPerYear: null,
  heldS: 1800,
  samples: 1800,
  reasons: ['level'],
}

/** Presses what the call says until a job is charged; pulls reach 150 micron after 20 minutes, holds are tight. */
function walk(school: (typeof SCHOOLS)[number], change: { accept?: string } = {}) {
  const { proves: _p, ...procedure } = school
  let state: JobState = later(
    job({ ...CAR, procedure: procedureWritten(procedure), story: { ...CAR.story, opened: 'component' } }),
    1,
    rest(0),
    done('zero'),
    done('fix'),
  )
  let m = 2
  const said: string[] = []
  const stages: string[] = []
  for (let i = 0; i < 120 && state.step !== 'charge'; i++) {
    const pull = state.pulls[state.pulls.length - 1]
    const hold = state.holds[state.holds.length - 1]
    if (state.step === 'pull' && pull && !pull.endedAt) m += state.opened.procedure.pullMinutes + 1
    const live: Live = { nowMs: minutes(m), clock, vacuumPa: 150 * MICRON, vacuumAtMs: minutes(m) }
    if (state.step === 'hold' && hold && !hold.ended) {
      m += hold.plannedMinutes
      const accept = stageNow(state)
      const rule =
        accept?.kind === 'hold' && accept.accept.by === 'rule'
          ? {
              rule: {
                id: accept.accept.rule,
                words: 'its rule',
                says: (change.accept ?? 'passes') as 'passes' | 'fails',
              },
            }
          : {}
      state = later(state, m, { kind: 'hold-ended', payload: { ...ENDED, ...rule } })
      continue
    }
    const call: Call = callFor(state, live)
    said.push(call.sentence)
    stages.push(`${stageNow(state)?.kind}:${state.opened.procedure.pullMinutes}/${state.opened.procedure.holdMinutes}`)
    if (call.action.does.do !== 'record') break
    for (const deed of call.action.does.deeds as Deed[]) {
      const asked = cautionsBefore(state, deed).map((c) => c.code)
      expect(
        asked.filter((code) => code !== 'nitrogen-sweep'),
        call.sentence,
      ).toEqual([])
      state = later(state, m, deed)
    }
    m++
  }
  return { state, said, stages, minutes: m }
}

describe('every shipped school', () => {
  test.each(SCHOOLS.map((s) => [s.name, s] as const))('%s is guided to its charge', (_name, school) => {
    const { proves: _p, ...procedure } = school
    expect(ProcedureWritten.safeParse(procedureWritten(procedure)).error).toBeUndefined()
    const { state } = walk(school)
    expect(state.step).toBe('charge')
    const holds = school.stages.filter((s) => s.kind === 'hold').length
    const pulls = school.stages.filter((s) => s.kind === 'pull').length
    expect([state.pulls.length, state.holds.length]).toEqual([pulls, holds])
    expect(state.holds.every((h) => h.accepted !== undefined)).toBe(true)
    expect(provesOf(school).join(' ')).toMatch(/under its coupler/)
  })

  test('leaks first: after its short hold it goes on to the long pull, by what was opened', () => {
    const school = SCHOOLS.find((s) => s.name === 'Leaks first, then water') as (typeof SCHOOLS)[number]
    const { said, stages } = walk(school)
    expect(said).toContain('Tight. Now the long pull.')
    expect(stages).toContain('pull:15/20')
    // a part was opened: two hours
    expect(stages).toContain('pull:120/30')
  })

  test('triple: nitrogen between the pulls, and one hold at the end', () => {
    const { said, state } = walk(SCHOOLS.find((s) => s.name.startsWith('Triple')) as (typeof SCHOOLS)[number])
    expect(said.filter((s) => s.startsWith('Let dry nitrogen in, to 20 kPa'))).toHaveLength(2)
    expect(state.sweeps).toHaveLength(2)
    expect(said.filter((s) => s === 'Its minutes are over. Shut it off, sweep.')).toHaveLength(2)
  })

  test('by the clock the gauge does not end it, and a person’s word does', () => {
    const { said, state } = walk(SCHOOLS.find((s) => s.name === 'By the clock, 45 min') as (typeof SCHOOLS)[number])
    expect(said).not.toContain('Deep enough. Isolate it.')
    expect(said).toContain('Does it hold? You say.')
    expect(state.holds[0]?.accepted).toEqual({ by: 'Teo Brisal', as: 'word' })
  })

  test('where its own rule fails and the judge says tight, both are said, and the rule decides', () => {
    const deep = SCHOOLS.find((s) => s.name === 'Deep') as (typeof SCHOOLS)[number]
    const { proves: _p, ...procedure } = deep
    let state = job({ ...CAR, procedure: procedureWritten(procedure) }, [1, rest(0)])
    for (const step of ['zero', 'fix', 'rig', 'pull'] as const) state = later(state, 2, done(step))
    state = later(state, 40, { kind: 'isolated', payload: {} }, done('isolate'))
    const rule = { id: 'below-200' as const, words: 'below 200 micron after 20 minutes', says: 'fails' as const }
    const failed = later(state, 100, { kind: 'hold-ended', payload: { ...ENDED, rule } })
    const call = callFor(failed, { nowMs: minutes(101), clock })
    expect(call.sentence).toBe('Its rule fails.')
    expect(call.why.join(' ')).toMatch(
      /its rule decides: below 200 micron after 20 minutes, it fails.*judge says otherwise: Tight/,
    )
    expect(call.action.label).toBe('Pull again')
  })
})

test('a leak limit the procedure asks for is held on to until it is proved', () => {
  const procedure = {
    ...procedureWritten(procedureRead(CAR.procedure)),
    stages: Stages.parse([
      { kind: 'pull', targetMicron: 500, minutes: 60, ends: 'target' },
      { kind: 'hold', minutes: 30, accept: { by: 'judge', gramsPerYear: 20 }, fails: 'longer' },
    ]),
  }
  let state = job({ ...CAR, procedure }, [1, rest(0)])
  for (const step of ['zero', 'fix', 'rig', 'pull'] as const) state = later(state, 2, done(step))
  state = later(state, 40, part('valve-low', 'closed'), { kind: 'isolated', payload: {} }, done('isolate'))
  const held = later(state, 70, { kind: 'hold-ended', payload: ENDED })
  const call = callFor(held, { nowMs: minutes(71), clock })
  expect([call.sentence, call.action.label]).toEqual(['Tight so far. Hold on.', 'Hold on longer'])
  expect(call.why.join(' ')).toMatch(/asks for 20 g a year/)
  // with that proved it ends: this procedure has no charge
  const proved = later(state, 90, { kind: 'hold-ended', payload: { ...ENDED, provesGramsPerYear: 18 } })
  expect(callFor(proved, { nowMs: minutes(91), clock }).action).toMatchObject({ does: { do: 'way', at: 'close' } })
})

test('stages that cannot follow one another are named at their place', () => {
  const kinds = (...names: ('pull' | 'sweep' | 'hold' | 'charge' | 'proof')[]) =>
    orderFault(names.map((kind) => ({ kind })))
  expect(kinds('pull', 'hold', 'charge', 'proof')).toBeNull()
  expect(kinds('pull', 'sweep', 'pull', 'hold')).toBeNull()
  expect(kinds('pull', 'charge')).toBeNull()
  expect(kinds('hold')).toMatchObject({ at: 0 })
  expect(kinds('pull', 'pull')).toMatchObject({ at: 1, reason: /one pull/ })
  expect(kinds('pull', 'sweep', 'hold')).toMatchObject({ at: 1 })
  expect(kinds('pull', 'hold', 'charge', 'pull')).toMatchObject({ at: 3 })
  expect(kinds('charge')).toMatchObject({ at: 0 })
  expect(kinds('pull', 'hold', 'proof')).toMatchObject({ at: 2 })
  expect(Stages.safeParse([{ kind: 'sweep', passes: 1, kPa: 4000 }]).success).toBe(false)
})

test('the hoses alone are held before they are on the car; hoses that rise are held once more', () => {
  const procedure = {
    ...procedureWritten(procedureRead(CAR.procedure)),
    stages: Stages.parse([
      { kind: 'hoses', minutes: 5 },
      { kind: 'pull', targetMicron: 500, minutes: 60, ends: 'target' },
      { kind: 'hold', minutes: 30, accept: { by: 'judge' }, fails: 'longer' },
    ]),
  }
  let state = job({ ...CAR, procedure }, [1, rest(0)], [2, done('zero')], [3, done('fix')])
  const press = (m: number, label?: string) => {
    const call = callFor(state, { nowMs: minutes(m), clock })
    const button = [call.action, ...call.plain].find((b) => label === undefined || b.label === label) ?? call.action
    const deeds = button.does.do === 'record' ? button.does.deeds : []
    for (const deed of deeds) {
      expect(cautionsBefore(state, deed), call.sentence).toEqual([])
      state = later(state, m, deed)
    }
    return call.sentence
  }
  expect(press(4)).toBe('Close both manifold valves.')
  expect([press(4), press(6)]).toEqual(['First the hoses alone.', 'Shut them in.'])
  // no pull and no hold of the car began by it
  expect([state.pulls, state.holds]).toEqual([[], []])
  expect(press(7, 'They rose')).toBe('Leave them. Look again at')
  expect([press(20), press(22)]).toEqual(['Hold the hoses once more.', 'Shut them in.'])
  expect(press(28)).toBe('Did they rise?')
  expect(state.hosesHeld).toMatchObject({ moved: false, minutes: 6 })
  expect(press(29)).toBe('Push both couplers on, closed.')
  expect(orderFault([{ kind: 'pull' }, { kind: 'hoses' }])).toMatchObject({ at: 1 })
})
