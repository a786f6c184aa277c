import { expect, test } from 'vitest'
import type { HoldContext, HoldSample } from '../hold/types'
import { knownRecord, type RecordWish } from '../proving/records'
import { judgementOf } from './judgement'
import { type HoldAsked, KeptHolds } from './kept-holds'

const asked = (key: string, from: number, samples: readonly HoldSample[], context: HoldContext): HoldAsked => ({
  key,
  from,
  elapsedS: Float64Array.from(samples.slice(from), (s) => s.elapsedS),
  pressurePa: Float64Array.from(samples.slice(from), (s) => s.pressurePa),
  context,
})

/** A record read once a second, sent ten readings at a time from its tenth minute on. */
function walked(seed: number, change: (s: HoldSample) => HoldSample = (s) => s, more: RecordWish = {}) {
  const record = knownRecord(seed, { minutes: 24, everyS: 1, instrument: 'electronic', ...more })
  const samples = record.samples.map(change)
  const holds = new KeptHolds()
  const said: { at: number; kind: string }[] = []
  let sent = 600
  let last = holds.look(asked('car', 0, samples.slice(0, sent), record.context))
  for (; sent + 10 <= samples.length; sent += 10) {
    const looked = holds.look(asked('car', sent, samples.slice(0, sent + 10), record.context))
    said.push({ at: sent + 10, kind: looked.kind })
    if (looked.kind === 'judged') last = looked
  }
  return { samples, context: record.context, said, last }
}

test('what is told was judged from scratch on everything there was: the same as anywhere else', () => {
  for (const seed of [3, 8]) {
    const { samples, context, said, last } = walked(seed)
    const at = said.findLast((s) => s.kind === 'judged')?.at ?? 600
    expect(last.kind === 'judged' && last.judgement).toEqual(judgementOf(samples.slice(0, at), context))
    // most looks find that the last judgement stands, and it is never left standing for long
    const judged = said.filter((s) => s.kind === 'judged')
    expect(judged.length).toBeGreaterThan(5)
    expect(judged.length).toBeLessThan(said.length / 3)
    for (const [i, j] of judged.entries())
      expect(j.at - (judged[i - 1]?.at ?? 600)).toBeLessThanOrEqual(0.1 * j.at + 20)
  }
})

test('a hold that something opens on is judged at once, not when it has grown', () => {
  const tight = { leakPaM3S: 0, wet: false }
  const quiet = walked(8, (s) => s, tight).said.filter((s) => s.at > 1200 && s.at <= 1230)
  const opened = walked(
    8,
    (s) => (s.elapsedS > 1200 ? { ...s, pressurePa: s.pressurePa + 2 * (s.elapsedS - 1200) } : s),
    tight,
  )
  const soon = opened.said.filter((s) => s.at > 1200 && s.at <= 1230)
  expect(soon.map((s) => s.kind)).toContain('judged')
  expect(quiet.map((s) => s.kind)).not.toEqual(soon.map((s) => s.kind))
})

test('a gap, a hold that was never sent, and samples that go back are asked for anew', () => {
  const { samples, context } = knownRecord(3, { minutes: 20, everyS: 2, instrument: 'electronic' })
  const holds = new KeptHolds()
  expect(holds.look(asked('car', 10, samples, context)).kind).toBe('unknown')
  holds.look(asked('car', 0, samples.slice(0, 300), context))
  expect(holds.look(asked('car', 310, samples.slice(0, 320), context)).kind).toBe('unknown')
  // the same moment once more cannot be added: everything is judged
  const doubled = [...samples.slice(0, 300), samples[299] as HoldSample]
  expect(holds.look(asked('car', 300, doubled, context)).kind).toBe('judged')
})

test('readings typed minutes apart are each judged on everything', () => {
  const { samples, context } = knownRecord(8, { minutes: 40, everyS: 240, instrument: 'electronic' })
  const holds = new KeptHolds()
  const kinds = samples.map((_s, i) => holds.look(asked('car', i, samples.slice(0, i + 1), context)).kind)
  // from a tenth of its length on each: after the tenth of them two may go together
  expect(kinds.slice(0, 8)).toEqual(kinds.slice(0, 8).map(() => 'judged'))
})
