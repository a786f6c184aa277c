import { describe, expect, test } from 'vitest'
import { doingWords } from '../job/doing'
import type { HoldEnded } from '../job/events'
import type { LeakChecked } from '../job/leak'
import { refusalOf } from '../job/refusals'
import { searchNow } from '../job/search'
import type { JobState } from '../job/state'
import { summarise } from '../job/summary'
import { leakRecord } from '../leak/proved'
import { searchView } from '../leak/search-view'
import { CAR, done, HOLDING, job, later, minutes, part, rest } from '../tests/job-fixture'
import { USUAL_SAY } from '../units/say'
import { callFor } from './call'
import { cautionsBefore } from './cautions'
import type { Call, Deed, Live } from './types'

const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const live = (m: number, more: Partial<Live> = {}): Live => ({ nowMs: minutes(m), clock, ...more })
const call = (state: JobState, m = 80, more: Partial<Live> = {}) => callFor(state, live(m, more))
const pressed = (state: JobState, m: number, button: Call['action'] | undefined): JobState =>
  button?.does.do === 'record' ? later(state, m, ...button.does.deeds) : expect.fail(`${button?.label} records nothing`)
const saw = (payload: LeakChecked): Deed => ({ kind: 'leak-checked', payload })

const ENDED: HoldEnded = {
  verdict: 'leak',
  leak: 0.99,
  damp: 0.05,
  risePaS: 0.0644,
  provesGramsPerYear: 150,
  leakGramsPerYear: 800,
  heldS: 1800,
  samples: 1800,
  reasons: ['straight'],
}
const ended = (more: Partial<HoldEnded> = {}): Deed => ({ kind: 'hold-ended', payload: { ...ENDED, ...more } })
const held = later(job(CAR, ...HOLDING), 70, ended())
const searching = pressed(held, 71, call(held, 71).action)
const empty = later(job(CAR, [1, rest(0)], [2, done('zero')]), 3, { kind: 'search-begun', payload: { why: 'empty' } })

describe('the search', () => {
  test('begins from the call of a leaking hold, and from a car that comes in empty', () => {
    expect(call(held, 71).action.label).toBe('Look for the leak')
    expect(searching.step).toBe('fix')
    expect(searchNow(searching)).toBeDefined()
    expect(call(searching).sentence).toBe('Look for oil and dye, with a light.')
    expect(doingWords(summarise(searching))).toBe('look for the leak')
    const came = job(CAR, [1, rest(0)], [2, done('zero')])
    expect(call(came, 3).plain.map((b) => b.label)).toContain('Look for the leak')
    expect(call(empty, 4).why.join(' ')).toMatch(/its own leak, not our hoses/)
  })

  test('a hold with the couplers on blames no core, and our hoses until they were held alone', () => {
    const chance = (state: JobState, place: 'rig' | 'port-low') => searchView(state)?.chances.get(place) ?? 0
    expect(chance(searching, 'port-low')).toBeLessThan(0.02)
    const still = later(searching, 72, saw({ check: 'hoses', says: 'still' }))
    expect(chance(still, 'rig')).toBeLessThan(chance(searching, 'rig') / 5)
  })

  test('what was renewed is likely sound, the seals beside it are not', () => {
    const fixed = later(empty, 4, {
      kind: 'fix-logged',
      payload: { renewed: [{ what: 'condenser', count: 1 }], openHours: 1, oilOwedMl: 0, oilReason: '' },
    })
    const [before, after] = [searchView(empty), searchView(fixed)]
    expect(after?.chances.get('condenser')).toBeLessThan((before?.chances.get('condenser') ?? 0) / 2)
    expect(after?.chances.get('joint-condenser-in')).toBeGreaterThan(
      2 * (before?.chances.get('joint-condenser-in') ?? 1),
    )
  })

  test('an electric compressor has no shaft seal; where this car leaked before, it is looked for again', () => {
    const seal = (state: JobState, learned?: Parameters<typeof searchView>[1]) =>
      searchView(state, learned)?.chances.get('compressor-seal') ?? 1
    const hybrid = later(job({ ...CAR, car: { ...CAR.car, hybrid: true } }, [1, rest(0)], [2, done('zero')]), 3, {
      kind: 'search-begun',
      payload: { why: 'empty' },
    })
    expect(seal(hybrid)).toBeLessThan(seal(empty) / 10)
    const before = { shop: {}, car: [{ at: 'compressor-seal' as const, when: '2026-01-10T09:00:00Z', done: 'seal' }] }
    expect(seal(empty, before)).toBeGreaterThan(1.8 * seal(empty))
    expect(call(empty, 4, { learned: before }).why.join(' ')).toMatch(
      /leaked before, on 2026-01-10: compressor, shaft seal/,
    )
  })

  test('a hold that rose fast blames what is open, one that crept what seeps', () => {
    const seal = (risePaS: number) => {
      const leaking = later(job(CAR, ...HOLDING), 70, ended({ risePaS }))
      const begun = pressed(leaking, 71, call(leaking, 71).action)
      return searchView(begun)?.chances.get('compressor-seal') ?? 0
    }
    // 450, 30 and one micron a minute
    const [fast, usual, crept] = [seal(1), seal(0.0667), seal(0.0022)]
    expect(fast).toBeLessThan(0.7 * usual)
    expect(crept).toBeGreaterThan(1.2 * usual)
  })

  test('nothing is looked at twice, and both answers that contradict each other are kept and named', () => {
    const looked = pressed(searching, 72, call(searching).action)
    expect(call(looked).sentence).not.toMatch(/Look for oil/)
    const both = later(looked, 73, saw({ check: 'sniffer', at: 'switch' }), saw({ check: 'look', at: 'condenser' }))
    expect(call(both).why[0]).toMatch(/cannot both be of one leak.*Both are kept/)
    expect(both.search?.seen).toHaveLength(3)
  })

  test('a place is named, mended and proved by the next hold: it was it, or it was not', () => {
    const bubbles = saw({ check: 'soap', at: 'switch', bubbles: true })
    const named = later(searching, 72, bubbles, bubbles)
    expect(call(named).sentence).toBe('It is the pressure switch.')
    expect(call(named).form).toBe('leak-found')
    const found = later(named, 75, { kind: 'leak-found', payload: { at: 'switch', done: 'new seal', sure: 0.97 } })
    expect(call(found).sentence).toBe('Log what was renewed.')
    const heldAgain = (m: number, more: Partial<HoldEnded>) =>
      later(
        found,
        m,
        done('fix'),
        done('rig'),
        part('pump', 'on'),
        part('valve-low', 'open'),
        part('valve-high', 'open'),
        done('pull'),
        part('valve-low', 'closed'),
        part('valve-high', 'closed'),
        { kind: 'isolated', payload: {} },
        done('isolate'),
        ended(more),
      )
    const tight = heldAgain(90, { verdict: 'tight', leak: 0.01, risePaS: 0.0005 })
    // 0.0644 Pa/s are 29 micron a minute
    expect(call(tight, 91).why[0]).toMatch(
      /The pressure switch was it: the rise went from 29(\.\d)? micron a minute to 0\.2\d* micron a minute\. Nothing above 150 g a year is left\./,
    )
    expect(leakRecord(tight, USUAL_SAY)[0]?.words).toMatch(
      /pressure switch, 97 of 100 sure: new seal; Teo Brisal\. The pressure switch was it/,
    )
    expect(call(heldAgain(90, { risePaS: 0.06 }), 91).why[0]).toMatch(/was not it/)
    expect(call(heldAgain(90, { risePaS: 0.02 }), 91).why[0]).toMatch(/was one of them.*Another is left/)
  })

  test('not found: what is left, what a charge lasts, and dye for the next time', () => {
    const places = [...(searchView(empty)?.chances.keys() ?? [])]
    const nothing = later(
      empty,
      5,
      saw({ check: 'look', at: null }),
      ...places.map((at) => saw({ check: 'soap', at, bubbles: false })),
      saw({ check: 'sniffer', at: null }),
      saw({ check: 'sniffer', at: null }),
    )
    expect(call(nothing, 9).sentence).toBe('Not found.')
    expect(call(nothing, 9).why.join(' ')).toMatch(/Left as likely: evaporator \d+ of 100.*is short of it after/)
    const over = later(nothing, 10, { kind: 'search-ended', payload: { why: 'enough', dye: true } })
    expect(searchNow(over)).toBeUndefined()
    expect(leakRecord(over, USUAL_SAY)[0]?.words).toMatch(/Ended: enough; Teo Brisal\. Dye goes in/)
  })
})

describe('nitrogen', () => {
  const IN: Deed = { kind: 'nitrogen-in', payload: { pressurePaG: 1_000_000 } }

  test('goes in no higher than the lower of the label’s limit and ours, and never beside a charge or twice', () => {
    expect(refusalOf(empty, IN)).toBeNull()
    const told = later(empty, 4, { kind: 'car-told', payload: { nitrogenLimitPaG: 700_000 } })
    expect(refusalOf(told, IN)?.reason).toMatch(/700 kPa this car’s label allows/)
    expect(refusalOf(later(empty, 4, IN), IN)?.reason).toMatch(/in already/)
    expect(refusalOf(held, IN)?.reason).toMatch(/no search/)
    const looked = later(told, 5, saw({ check: 'look', at: null }))
    expect(call(looked, 6).sentence).toBe('Dry nitrogen in, to 700 kPa.')
  })

  test('hoses that are off go on first, valves shut before them; its caution stands there', () => {
    const looked = later(empty, 5, saw({ check: 'look', at: null }))
    const into = call(looked, 6).action
    const deeds = into.does.do === 'record' ? into.does.deeds : []
    const asked = deeds.reduce(
      ({ state, codes }, deed) => ({
        state: later(state, 6, deed),
        codes: [...codes, ...cautionsBefore(state, deed).map((c) => c.code)],
      }),
      { state: looked, codes: [] as string[] },
    )
    expect(asked.codes).toEqual(['nitrogen-test'])
    expect([asked.state.rig['coupler-low'], asked.state.rig['valve-low']]).toEqual(['open', 'closed'])
  })

  test('while it is in no pump is started and nothing is called mended without a word', () => {
    const inside = later(empty, 5, IN)
    expect(cautionsBefore(inside, part('pump', 'on')).map((c) => c.code)).toContain('nitrogen-inside')
    expect(cautionsBefore(inside, done('fix')).map((c) => c.code)).toContain('nitrogen-inside')
    const found: Deed = { kind: 'leak-found', payload: { at: 'switch', done: 'seal', sure: 0.9 } }
    expect(cautionsBefore(inside, found).map((c) => c.code)).toEqual(['nitrogen-inside'])
  })

  test('let out, what the test showed stands among what was seen, and moves the chances', () => {
    const inside = later(empty, 5, IN)
    const falls = {
      kind: 'falls' as const,
      fallPaS: 2,
      sigmaPaS: 0.2,
      rawFallPaS: 1,
      testPa: 1_075_000,
      heldS: 1800,
      gramsPerYear: { low: 1900, high: 3500 },
      shows: { low: 400, high: 700 },
    }
    const under = call(inside, 40, { pressureTest: falls })
    expect(under.why.join(' ')).toMatch(/with the temperature taken out it falls: up to 3,500 g a year/)
    const out = [under.action, ...under.plain].find((b) => b.label === 'Let out, at zero')
    const after = pressed(inside, 40, out)
    expect(after.search?.nitrogen).toBeUndefined()
    expect(after.search?.seen[0]?.seen).toMatchObject({ check: 'nitrogen', says: 'falls', minutes: 35 })
    expect(
      call(inside, 40, { pressureTest: { kind: 'temperature-missing', fromS: 300, toS: 1200 } }).why.join(' '),
    ).toMatch(/No temperature of the gas between minute 5 and 20: type it/)
  })
})
