import { afterEach, expect, test, vi } from 'vitest'
import { CAR, job, later, minutes } from '../tests/job-fixture'
import type { Call, Deed, Live } from './types'

/** What stands in no table but is no word of ours either: names, units, ids, and what was typed. */
const DATA =
  /Night car 4|PAG 46|Weigh and measure|Pelmira 3|Teo Brisal|R-134a|cylinder-7|cylinder|typed|micron|kPa|psig|mL|min\b|CFM|\bmm\b|\bg\b|\boz\b|Cart \w+/g
const left = (text: string): string[] => text.replace(DATA, '').match(/[A-Za-z]{2,}/g) ?? []

/** Everything a call says. */
const saidBy = (call: Call): string[] => [
  call.sentence,
  ...call.why,
  ...(call.watch ?? []),
  call.proves?.title ?? '',
  call.proves?.text ?? '',
  call.after ?? '',
  call.action?.label ?? '',
  ...(call.plain ?? []).map((b) => b.label),
]

// what other tests load afterwards speaks English again
afterEach(() => {
  vi.unstubAllEnvs()
  vi.resetModules()
})

test('from the label to the signed record no call, no entry and no line of the record has a word outside the table', async () => {
  vi.stubEnv('YPEROS_LANGUAGE', 'x-made-up')
  vi.resetModules()
  const { callFor } = await import('./call')
  const { eventWords } = await import('../words/event-words')
  const { recordFacts } = await import('../words/record-words')
  const { USUAL_SAY } = await import('../units/say')
  const { summarise } = await import('../job/summary')
  const { doingWords } = await import('../job/doing')
  const said: string[] = []
  const seen = new Set<string>()
  let state = job(CAR)
  let minute = 1
  const live = (more: Partial<Live> = {}): Live => ({ nowMs: minutes(minute), clock: () => '10:40', ...more })
  const typed: Partial<Record<string, Deed[]>> = {
    zero: [{ kind: 'zero-read', payload: { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: 'typed' } }],
    fix: [
      {
        kind: 'fix-logged',
        payload: { renewed: [{ what: 'drier', count: 1 }], openHours: 2, oilOwedMl: 0, oilReason: '' },
      },
      { kind: 'step-finished', payload: { step: 'fix' } },
    ],
  }
  for (let i = 0; i < 40 && !state.signed; i++) {
    const call = callFor(state, live({ vacuumPa: 60, vacuumAtMs: minutes(minute) }))
    said.push(...saidBy(call), doingWords(summarise(state)))
    seen.add(state.step)
    minute += state.step === 'pull' || state.step === 'hold' ? 45 : 1
    const deeds = (call.form && typed[call.form]) ?? (call.action?.does.do === 'record' ? call.action.does.deeds : null)
    if (!deeds) break
    state = later(state, minute, ...deeds)
    said.push(...deeds.map((d) => eventWords({ id: 'x', happenedAt: '', storedAt: '', by: '', ...d } as never)))
  }
  said.push(...recordFacts(state, USUAL_SAY, () => '').flatMap((f) => [f.name, f.strong ?? '', f.words]))
  expect([...seen]).toEqual(expect.arrayContaining(['zero', 'fix', 'rig', 'pull', 'isolate', 'hold']))
  expect(said.join(' ')).toMatch(/[αβς]/)
  expect([...new Set(said.filter((text) => left(text).length > 0))]).toEqual([])
})
