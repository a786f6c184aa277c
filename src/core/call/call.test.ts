import { describe, expect, test } from 'vitest'
import type { HoldResult } from '../hold/types'
import type { HoldEnded } from '../job/events'
import { CAR, done, HOLDING, job, later, minutes, PULLING, part, RIGGED, rest } from '../tests/job-fixture'
import { sayIn, USUAL_SAY } from '../units/say'
import { USUAL_UNITS } from '../units/shown'
import { alarmsOf } from './alarms'
import { callFor } from './call'
import { cautionsBefore } from './cautions'
import type { Call, Deed, Live } from './types'

const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const live = (m: number, more: Partial<Live> = {}): Live => ({ nowMs: minutes(m), clock, ...more })
const MICRON = 0.1333224
/** A hold whose gauge reports by itself. */
const held = (m: number, more: Partial<Live>): Live => live(m, { vacuumPa: 20, vacuumAtMs: minutes(m), ...more })
const deedsOf = (call: Call): Deed[] => (call.action.does.do === 'record' ? call.action.does.deeds : [])

describe('before the vacuum', () => {
  test('a fresh car is read at rest, both gauges', () => {
    expect(callFor(job(CAR), live(0))).toMatchObject({
      sentence: 'Read both gauges at rest.',
      form: 'zero',
      action: { does: { do: 'send', form: 'zero' } },
    })
  })

  test('pressure asks for recovery and tells liquid from vapour from air', () => {
    // at 11 C R-134a with liquid stands 353 kPa above the air of Cerro Lumen
    const why = (kPa: number) => callFor(job(CAR, [1, rest(kPa * 1000)]), live(2)).why.join(' ')
    expect(why(350)).toMatch(/there is liquid inside/)
    expect(why(120)).toMatch(/only vapour is left/)
    expect(why(430)).toMatch(/air inside/)
    expect(callFor(job(CAR, [1, rest(350_000)]), live(2)).watch.join()).not.toMatch(/R-1234yf/)
  })

  test('a mildly flammable refrigerant brings its caution', () => {
    const yf = { ...CAR, label: { ...CAR.label, refrigerant: 'R-1234yf' as const } }
    expect(callFor(job(yf, [1, rest(350_000)]), live(2)).watch.join()).toMatch(/burns mildly/)
  })

  test('below zero asks which, and either answer goes on', () => {
    const below = job(CAR, [1, rest(-20_000)])
    const call = callFor(below, live(2))
    expect([call.action, ...call.plain].map((b) => b.label)).toEqual(['Already under vacuum', 'Needle off zero'])
    expect(callFor(later(below, 3, ...deedsOf(call)), live(4)).action.label).toBe('Log the repair')
  })

  test('a hybrid warns of its voltage where oil is logged', () => {
    const hybrid = { ...CAR, car: { ...CAR.car, hybrid: true } }
    expect(callFor(job(hybrid, [1, rest(0)], [2, done('zero')]), live(3)).watch.join()).toMatch(/High-voltage/)
  })
})

describe('the pull', () => {
  test('the pump first, then the valves, then it waits with a time', () => {
    const rigged = job(CAR, ...RIGGED)
    expect(deedsOf(callFor(rigged, live(6)))).toEqual([part('pump', 'on')])
    const on = later(rigged, 6, part('pump', 'on'))
    expect(deedsOf(callFor(on, live(6)))).toEqual([part('valve-low', 'open'), part('valve-high', 'open')])
    const call = callFor(job(CAR, ...PULLING), live(20, { vacuumPa: 900 * MICRON }))
    expect(call.figure).toEqual({ text: '11:06', caption: 'in 46 min' })
    expect(call.why.join(' ')).toMatch(/900 micron now, the target is 500/)
  })

  test('at the target it says isolate; late and above it, it says so and lets the hold tell', () => {
    const pulling = job(CAR, ...PULLING)
    expect(callFor(pulling, live(30, { vacuumPa: 480 * MICRON })).sentence).toBe('Deep enough. Isolate it.')
    expect(callFor(pulling, live(90, { vacuumPa: 900 * MICRON }))).toMatchObject({
      sentence: 'Not at the target yet.',
      action: { label: 'Isolate it all the same' },
    })
  })

  test('what the target proves is a dew point at most, not a tight car', () => {
    const { proves } = callFor(job(CAR, ...PULLING), live(20))
    expect(proves?.text).toMatch(/dew point of −24 °C at most/)
    expect(proves?.text).toMatch(/does not prove a tight car/)
  })

  test('isolating shuts the valves before the pump and takes the hose off last', () => {
    let state = later(job(CAR, ...PULLING), 40, done('pull'))
    const order: string[] = []
    for (let i = 0; i < 3; i++) {
      const call = callFor(state, live(40 + i))
      order.push(call.action.label)
      state = later(state, 40 + i, ...deedsOf(call))
    }
    expect(order).toEqual(['Both valves are shut', 'Pump is off', 'Hose is off'])
    expect(state.step).toBe('hold')
  })
})

test('a pull that wet oil holds up: what its reason says to do is the one thing to do', () => {
  const pulling = job(CAR, ...PULLING)
  const shown = (changesOil?: true) => {
    const pump = { kind: 'pump' as const, probability: 0.8, sentence: 'Stuck.', why: '', next: '', changesOil }
    const pull = { options: [pump], far: null, ahead: 1, incomingPaM3S: null, toTargetS: null, blind: null }
    return callFor(pulling, live(60, { vacuumPa: 700 * MICRON, pull: pull as NonNullable<Live['pull']> }))
  }
  expect(shown(true).action.label).toBe('Change the pump’s oil')
  expect(shown(true).plain.map((b) => b.label)).toContain('Isolate it all the same')
  // a pump that may be worn is blanked off first
  expect(shown().action.label).toBe('Isolate it all the same')
  expect(shown().plain.map((b) => b.label)).toContain('Change the pump’s oil')
})

test('a pull that is forecast is come back to when half of such pulls are there, with when nine of ten are', () => {
  const forecast = {
    pull: 0,
    atMs: minutes(20),
    reaches: 0.93,
    p10Ms: minutes(70),
    p50Ms: minutes(86),
    p90Ms: minutes(126),
    stands: [],
  }
  const pulling = job(CAR, ...PULLING)
  const call = callFor(pulling, live(20, { vacuumPa: 900 * MICRON, forecast }))
  expect(call.figure).toEqual({ text: '11:26', caption: 'in 66 min; nine of ten by 12:06' })
  expect(call.why.join(' ')).toMatch(/half of such pulls are at the target by 11:26, nine of ten by 12:06/)
  // the procedure's hour is the least it pulls
  const sooner = callFor(
    pulling,
    live(20, { vacuumPa: 900 * MICRON, forecast: { ...forecast, p50Ms: minutes(40), p90Ms: null } }),
  )
  expect(sooner.figure?.text).toBe('11:06')
  expect(sooner.why.join(' ')).toMatch(/by 10:40, 93 of 100 such pulls get there/)
})

describe('a needle', () => {
  const opened = { ...CAR, rig: { ...CAR.rig, gauge: 'needle' as const } }
  // 22 inches below 24.4 inches of air at Cerro Lumen
  const shown = { vacuumPa: CAR.place.barometerPa - 22 * 3386.389 }

  test('is never taken for a depth: no target by it, the pull ends by its minutes and says what they prove', () => {
    for (const at of [20, 66]) {
      const call = callFor(job(opened, ...PULLING), live(at, shown))
      const said = [call.sentence, ...call.why, call.proves?.text].join(' ')
      expect(said).toMatch(/22\.0 inHg below the air, at its stop: somewhere from/)
      expect(said).toMatch(/No needle shows 500 micron/)
      expect(said).toMatch(/nothing large is open/)
      expect(said).not.toMatch(/micron now|Deep enough|Not at the target/)
    }
    const before = callFor(job(opened, ...PULLING), live(20, shown))
    expect(before.figure).toEqual({ text: '11:06', caption: 'in 46 min' })
    const over = callFor(job(opened, ...PULLING), live(66, shown))
    expect([over.sentence, over.action.label]).toEqual(['Its minutes are over. Isolate it.', 'Isolate it'])
  })

  test('that hangs beside an electronic gauge is compared with it once', () => {
    const hung: Deed = {
      kind: 'instrument-hung',
      payload: { instrument: 'g9', name: 'Gauge 9', kind: 'vacuum', seat: 'far', stepPa: 0.13 },
    }
    const both = later(job(opened, ...PULLING), 7, hung)
    const inches = (CAR.place.barometerPa / 3386.389).toFixed(1)
    expect(callFor(both, live(20, { vacuumPa: 120 })).why.join(' ')).toContain(`should stand at ${inches} inHg`)
    expect(callFor(job(CAR, ...PULLING), live(20, { vacuumPa: 120 })).why.join(' ')).not.toMatch(/Compare the needle/)
  })

  test('rings when its minutes are over, and says nothing of a target', () => {
    const said = alarmsOf(job(opened, ...PULLING), live(67, { ...shown, vacuumByHand: true })).map((a) => a.sentence)
    expect(said).toEqual(['The pull’s minutes are over: isolate it.'])
  })

  test('is one too where its inches are typed on a rig with an electronic gauge', () => {
    const call = callFor(job(CAR, ...PULLING), live(20, { vacuumPa: 0, vacuumUnit: 'inHgV' }))
    expect(call.sentence).toBe('Leave it. Come back at')
    expect(call.why.join(' ')).toMatch(/No needle shows 500 micron/)
  })

  test('that stood still ends in a finding one may go on from', () => {
    const ended: HoldEnded = {
      verdict: 'undecided',
      leak: 0.4,
      damp: 0.4,
      risePaS: 0.1,
      provesGramsPerYear: 31_000,
      leakGramsPerYear: null,
      heldS: 1800,
      samples: 6,
      reasons: ['The needle did not move in 30 minutes.'],
      codes: ['needle-still', 'needle-tells-more'],
    }
    const holding = job(opened, ...HOLDING, [70, { kind: 'hold-ended', payload: ended }])
    const call = callFor(holding, live(71))
    expect(call.sentence).toBe('The needle stood still.')
    expect(call.proves?.text).toMatch(/31,000 g a year/)
    expect(later(holding, 72, ...deedsOf(call)).step).toBe('charge')
    // a night more: half an hour showed 31,000, twelve hours show a twenty-fourth of it
    const night = call.plain.find((b) => b.key === 'H')
    expect(night?.label).toBe('Hold 12 h more: 1,300 g a year shows')
    const longer = later(holding, 72, ...(night?.does.do === 'record' ? night.does.deeds : []))
    expect(longer.holds.at(-1)).toMatchObject({ plannedMinutes: 720 })
    expect(longer.holds.at(-1)?.ended).toBeUndefined()
  })
})

const judged = (change: Partial<HoldResult>): HoldResult => ({
  carried: null,
  verdict: 'undecided',
  probability: { leak: 0.4, damp: 0.4 },
  priors: { leak: 0.4, damp: 0.4 },
  projected: [],
  waterG: null,
  decisionExpectedS: null,
  problems: [],
  sustainedRisePaS: null,
  leakGramsPerYear: null,
  detectionLimitGramsPerYear: { low: 30, high: 700 },
  limitAtEndGramsPerYear: { low: 4, high: 90 },
  futures: [],
  samples: 700,
  heldS: 700,
  findings: [{ code: 'several-fit', of: { byPa: 1.6, inS: 660 } }],
  reasons: ['It rose 12 micron in 11 minutes.'],
  codes: ['several-fit'],
  cannotSeeBelowGramsPerYear: null,
  ...change,
})

describe('the hold', () => {
  const holding = job(CAR, ...HOLDING)

  test('undecided it is left alone until its time, and says what it proves by then', () => {
    const call = callFor(holding, held(52, { judgement: judged({}) }))
    expect(call).toMatchObject({
      sentence: 'Leave it. Come back at',
      figure: { text: '11:10', caption: 'in 18 min' },
      sure: 'undecided, as expected',
    })
    expect(call.proves?.text).toMatch(/By now a leak of 700 g a year would show, at the planned end one of 90/)
  })

  test.each([
    [{ verdict: 'leak' as const, probability: { leak: 0.99, damp: 0.1 } }, 'It leaks. No need to wait.'],
    [{ verdict: 'damp' as const, probability: { leak: 0.01, damp: 0.99 } }, 'It is damp. No need to wait.'],
    [{ probability: { leak: 0.5, damp: 0.99 } }, 'It is damp for certain. No need to wait.'],
  ])('a finding that waiting cannot take away is called at once: %j', (change, sentence) => {
    expect(callFor(holding, held(55, { judgement: judged(change) })).sentence).toBe(sentence)
  })

  test('certain water says what pulling again brings and what waiting would, not that a decision is still to come', () => {
    const wet = judged({ probability: { leak: 0.5, damp: 0.99 }, decisionExpectedS: 1500 })
    const { why } = callFor(holding, held(55, { judgement: wet }))
    expect(why.slice(-2)).toEqual([
      'The water has to come out first: the hold after the next pull tells of a leak.',
      expect.stringMatching(/^Whoever waits knows about the leak at about \d\d:\d\d\.$/),
    ])
    const open = callFor(holding, held(55, { judgement: judged({ decisionExpectedS: 1500 }) }))
    expect(open.why.at(-1)).toMatch(/^A decision is to be expected about \d\d:\d\d\.$/)
  })

  test('tight goes on proving more, and a finding in the first minutes is not called', () => {
    expect(
      callFor(holding, held(55, { judgement: judged({ verdict: 'tight', probability: { leak: 0.02, damp: 0.1 } }) }))
        .sentence,
    ).toMatch(/Leave it/)
    expect(callFor(holding, held(45, { judgement: judged({ verdict: 'leak', heldS: 300 }) })).sentence).toMatch(
      /Leave it/,
    )
  })

  test('when time is up the hand goes to judging', () => {
    expect(callFor(holding, live(71))).toMatchObject({
      sentence: 'Time is up. Judge it.',
      action: { label: 'Judge the hold', does: { do: 'judge' } },
    })
  })

  const ended = (change: Partial<HoldEnded>): Deed => ({
    kind: 'hold-ended',
    payload: {
      verdict: 'tight',
      leak: 0.01,
      damp: 0.05,
      risePaS: 0,
      provesGramsPerYear: 94,
      leakGramsPerYear: 3,
      heldS: 1800,
      samples: 1800,
      reasons: ['level'],
      ...change,
    },
  })

  test.each([
    ['tight', {}, 'Tight. Charge it.', 'charge'],
    ['damp', { verdict: 'damp' as const, damp: 0.99 }, 'Damp. Pull again.', 'pull'],
    ['leak', { verdict: 'leak' as const, leak: 0.99 }, 'It leaks. Find it.', 'fix'],
    ['undecided', { verdict: 'undecided' as const }, 'Still undecided.', 'hold'],
    ['wet', { verdict: 'undecided' as const, leak: 0.5, damp: 1 }, 'Damp for certain. Pull again.', 'pull'],
    ['invalid', { verdict: 'invalid' as const, provesGramsPerYear: null }, 'This record cannot be judged.', 'pull'],
  ] as const)('%s leads where it should', (_name, change, sentence, next) => {
    const call = callFor(later(holding, 71, ended(change)), live(72))
    expect(call.sentence).toBe(sentence)
    expect(deedsOf(call)[0]).toMatchObject({ kind: 'hold-decided', payload: { next } })
    expect(deedsOf(call).slice(1)).toMatchObject(
      next === 'fix' ? [{ kind: 'search-begun', payload: { why: 'hold' } }] : [],
    )
  })

  test('every verdict says what it does not prove, in two figures', () => {
    const text = callFor(later(holding, 71, ended({})), live(72)).proves?.text
    expect(text).toMatch(/No leak of 94 g a year or more/)
    expect(text).toMatch(/Not a core under its coupler/)
    expect([1234, 96.6, 0, Number.NaN].map(USUAL_SAY.yearText)).toEqual(['1,200', '97', 'no', 'no'])
  })
})

describe('the charge', () => {
  const stops = [
    { id: 'can-1', stopGrossG: 140, takenG: 332, purgeG: 3 },
    { id: 'can-2', stopGrossG: 260, takenG: 214, purgeG: 3 },
  ]
  const containers = ['can-1', 'can-2'].map((id) => ({ id, kind: 'can' as const, grossG: 474, netG: 340 }))
  const planned: Deed = {
    kind: 'charge-planned',
    payload: { targetG: 540, purgeEachG: 3, containers, stops, bandG: [535, 545] },
  }
  const charging = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } }, planned)
  const first = later(charging, 71, { kind: 'container-started', payload: { id: 'can-1', grossG: 472 } })
  const open = later(first, 72, part('container-valve', 'open'), part('valve-low', 'open'))

  test('containers go on in the plan’s order, each opened with the engine off first', () => {
    expect(callFor(charging, live(70))).toMatchObject({
      form: 'container-start',
      action: { label: 'can-1 is connected' },
    })
    // the line is purged first; who opens it unpurged is asked
    const purge = callFor(first, live(71))
    expect([purge.sentence, purge.action.label]).toEqual(['Purge the line.', 'It is purged'])
    expect(purge.why.join(' ')).toMatch(/needle backed out before it goes on the can.*3 g counted/)
    const unpurged = cautionsBefore(first, part('container-valve', 'open')).map((c) => c.code)
    expect(unpurged).toContain('line-not-purged')
    const purged = later(first, 71, ...deedsOf(purge))
    expect(callFor(purged, live(71)).why.join()).toMatch(/Into the vacuum first, engine off/)
    expect(callFor(purged, live(71)).watch.join()).toMatch(/High side stays shut while the engine runs/)
  })

  test('the stop weight is the figure, with the time until it', () => {
    const call = callFor(open, live(73, { scaleG: 300, flowGMin: 80 }))
    expect(call.figure).toEqual({ text: '140', caption: 'g on the scale, 5.0 oz, in 2 min 0 s' })
    expect(callFor(open, live(73, { scaleG: 138, flowGMin: 80 })).sentence).toMatch(/Close the low valve now/)
  })

  test('when the flow has died into the vacuum the engine goes on', () => {
    expect(callFor(open, live(75, { scaleG: 420, flowGMin: 2 }))).toMatchObject({
      sentence: 'The flow stopped. Engine on.',
    })
    expect(callFor(open, live(75, { scaleG: 471, flowGMin: 2 })).sentence).not.toMatch(/Engine on/)
  })

  test('the word comes early for the hand that closes, and what moved the scale is said', () => {
    const closing = { inS: 12, aimG: 152, short: true, flowGMin: 240, nowG: 200 }
    const call = callFor(
      open,
      live(73, {
        scaleG: 200,
        flowGMin: 240,
        closing,
        scaleNotes: ['the scale was bumped: those readings are left out'],
      }),
    )
    expect(call.figure?.caption).toMatch(/in 0 min 12 s/)
    expect(call.why.join(' ')).toMatch(/short at first.*quarter open.*Noticed: the scale was bumped/)
    expect(
      callFor(open, live(73, { scaleG: 160, flowGMin: 240, closing: { ...closing, inS: -0.2 } })).sentence,
    ).toMatch(/Close the low valve now/)
  })

  test('a flow that fades with the engine on is explained, the connector before the charge', () => {
    const running = later(open, 74, part('engine', 'on'))
    const why = callFor(running, live(80, { scaleG: 300, flowGMin: 1 })).why.join(' ')
    expect(why).toMatch(/cooled itself.*50 °C \(122 °F\) at most.*connector first.*last step of diagnosis/)
    // an engine that has just been started is given its minute
    expect(callFor(running, live(75, { scaleG: 300, flowGMin: 1 })).sentence).toMatch(/Hand on the low valve/)
    const together = { scaleG: 300, flowGMin: 1, lowPa: 75_815 + 350_000, highPa: 75_815 + 355_000 }
    expect(callFor(running, live(80, together))).toMatchObject({
      sentence: 'The compressor does not run.',
      action: { label: 'Low valve is shut' },
    })
  })

  test('a shut low valve asks for the weight, and offers to open again while grams are wanted', () => {
    const shut = later(open, 76, part('valve-low', 'closed'))
    expect(callFor(shut, live(76, { scaleG: 142 }))).toMatchObject({ form: 'container-end', plain: [] })
    expect(callFor(shut, live(76, { scaleG: 200 })).plain.map((b) => b.label)).toEqual(['A quarter open, 60 g more'])
  })

  test('too much says that recovery is the way back, too little offers another container', () => {
    const finish = (second: number) =>
      later(
        open,
        80,
        { kind: 'container-ended', payload: { id: 'can-1', grossG: 140 } },
        { kind: 'container-started', payload: { id: 'can-2', grossG: 474 } },
        { kind: 'container-ended', payload: { id: 'can-2', grossG: second } },
      )
    expect(callFor(finish(260), live(81)).why.join()).toMatch(
      /Asked for: 540 g. On the target, within the ±15 g allowed/,
    )
    expect(callFor(finish(200), live(81)).why.join()).toMatch(
      /60 g over, 45 g more than allowed.*Recovery is the only honest way back/,
    )
    expect(callFor(finish(400), live(81))).toMatchObject({
      sentence: '140 g short. Another container.',
      form: 'plan',
      action: { label: 'Plan another' },
    })
  })
})

describe('the end', () => {
  test('the car is left in order, then signed; signed, only the record is left', () => {
    let state = later(
      job(CAR, ...HOLDING),
      70,
      { kind: 'hold-decided', payload: { next: 'charge' } },
      done('charge'),
      done('prove'),
    )
    const order: string[] = []
    for (let i = 0; i < 7; i++) {
      const call = callFor(state, live(80 + i))
      order.push(call.action.label)
      state = later(state, 80 + i, ...deedsOf(call))
    }
    expect(order.indexOf('Low coupler is off')).toBeLessThan(order.indexOf('Engine is off'))
    expect(order.indexOf('Engine is off')).toBeLessThan(order.indexOf('High coupler is off'))
    expect(callFor(state, live(90))).toMatchObject({ sentence: 'Sign the record.', form: 'sign' })
    const signed = later(state, 91, {
      kind: 'signed',
      payload: { certificate: 'CL-0533', readingCount: 0, readingsSha256: 'a'.repeat(64) },
    })
    expect(callFor(signed, live(92))).toMatchObject({
      sentence: 'Signed. The car can go.',
      action: { does: { do: 'go', to: 'record' } },
    })
  })
})

describe('in the reader’s units', () => {
  const inches = sayIn(
    { ...USUAL_UNITS, vacuum: 'mbar', pressure: 'psi', temperature: 'F', mass: 'oz' },
    CAR.place.barometerPa,
  )
  const read = (call: Call) => [call.sentence, ...call.why, call.proves?.text, call.figure?.caption].join(' ')

  test('pressure at rest, the pull and the hold speak no micron, kPa or grams', () => {
    const rest350 = read(callFor(job(CAR, [1, rest(350_000)]), live(2, { say: inches })))
    // 353 kPa above the air at 11 C
    expect(rest350).toMatch(/stands at 51 psig at 52 °F/)
    const pull = read(callFor(job(CAR, ...PULLING), live(20, { vacuumPa: 900 * MICRON, say: inches })))
    expect(pull).toMatch(/1\.20 mbar now, the target is 0\.667.*dew point of −12 °F/)
    const held600 = judged({
      findings: [
        { code: 'straight', of: { byPa: 100 * MICRON, inS: 1200, risePaS: (5 * MICRON) / 60 } },
        { code: 'jump', of: { as: 'noted', byPa: 30 * MICRON } },
      ],
    })
    const hold = read(callFor(job(CAR, ...HOLDING), held(60, { judgement: held600, say: inches })))
    expect(hold).toMatch(/rose 0\.133 mbar in 20 minutes, as straight as a ruler: about 0\.0067 mbar a minute/)
    expect(hold).toMatch(/Noted: a jump of 0\.0400 mbar up/)
    expect(hold).toMatch(/a leak of 25 oz a year would show/)
    for (const said of [rest350, pull, hold]) expect(said).not.toMatch(/micron|kPa|°C|\d g\b/)
  })

  test('a hold of before figures were kept is read as it was written', () => {
    const old: HoldEnded = {
      verdict: 'tight',
      leak: 0.01,
      damp: 0.02,
      risePaS: 0,
      provesGramsPerYear: 94,
      leakGramsPerYear: null,
      heldS: 1800,
      samples: 1800,
      reasons: ['It rose 4 micron in 30 minutes.'],
    }
    const said = read(
      callFor(job(CAR, ...HOLDING, [70, { kind: 'hold-ended', payload: old }]), live(71, { say: inches })),
    )
    expect(said).toMatch(/It rose 4 micron in 30 minutes\..*No leak of 3\.3 oz a year/)
  })
})
