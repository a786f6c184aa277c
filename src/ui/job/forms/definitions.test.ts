import { describe, expect, test } from 'vitest'
import type { Deed } from '@/core/call/types'
import { CAR, HOLDING, job, later, minutes } from '@/core/tests/job-fixture'
import { sayIn } from '@/core/units/say'
import { Units, USUAL_UNITS } from '@/core/units/shown'
import { FORMS } from './definitions'
import type { Parsed } from './form-types'

const USER = {
  id: 'a',
  name: 'Teo Brisal',
  role: 'technician' as const,
  certificate: 'CL-0533',
  certificateAsked: true,
  trainee: null,
}
const LIVE = { nowMs: minutes(80), clock: String }
/** whoever types thinks in what is usual */
const BY = { units: USUAL_UNITS }
const errorsOf = (parsed: Parsed) => ('errors' in parsed ? parsed.errors : {})
const deedsOf = (parsed: Parsed): Deed[] => ('deeds' in parsed ? parsed.deeds : [])

describe('the zero check', () => {
  const fresh = job(CAR)

  test('gauges are taken in any unit and kept above the air', () => {
    const [deed] = deedsOf(FORMS.zero.parse({ low: '45 psi', high: '310 kPa' }, fresh, BY))
    expect(deed).toMatchObject({
      kind: 'zero-read',
      payload: {
        lowPaG: expect.closeTo(310_264, 0),
        highPaG: expect.closeTo(310_000, 0),
        typed: 'low 45 psi, high 310 kPa',
      },
    })
  })

  test('inches count below the air, and deeper than the air itself is refused at its field', () => {
    expect(deedsOf(FORMS.zero.parse({ low: '6 in', high: '0' }, fresh, BY))[0]).toMatchObject({
      payload: { lowPaG: expect.closeTo(-20_318, 0) },
    })
    expect(errorsOf(FORMS.zero.parse({ low: '29 inHg', high: '' }, fresh, BY))).toEqual({
      low: expect.stringMatching(/22\.4/),
      high: expect.stringMatching(/type a number/),
    })
  })

  test('recovered grams come with both gauges read again', () => {
    const deeds = deedsOf(FORMS.recovered.parse({ grams: '14.5 oz', low: '0', high: '0' }, fresh, BY))
    expect(deeds.map((d) => d.kind)).toEqual(['recovered', 'zero-read'])
    expect(deeds[0]).toMatchObject({ payload: { grams: expect.closeTo(411, 0) } })
    expect(Object.keys(errorsOf(FORMS.recovered.parse({ grams: 'some', low: '0', high: 'x' }, fresh, BY)))).toEqual([
      'grams',
      'high',
    ])
  })
})

describe('the repair', () => {
  test('counted parts and owed oil go into one entry, and the step is done', () => {
    const deeds = deedsOf(
      FORMS.fix.parse(
        { openHours: '3', oilMl: '30', oilReason: 'condenser', 'core-small': '2', drier: '1', caps: '0' },
        job(CAR),
        BY,
      ),
    )
    expect(deeds[0]).toMatchObject({
      payload: {
        renewed: [
          { what: 'core-small', count: 2 },
          { what: 'drier', count: 1 },
        ],
        oilOwedMl: 30,
        oilReason: 'condenser',
      },
    })
    expect(deeds[1]).toEqual({ kind: 'step-finished', payload: { step: 'fix' } })
  })

  test.each([
    [{ openHours: '3', oilMl: '30', oilReason: '' }, 'oilReason'],
    [{ openHours: '-1', oilMl: '0' }, 'openHours'],
    [{ openHours: '3', oilMl: 'much' }, 'oilMl'],
  ])('%j is refused at its field', (values, field) => {
    expect(Object.keys(errorsOf(FORMS.fix.parse(values, job(CAR), BY)))).toEqual([field])
  })

  test('the drier the take-in spoke of is there already', () => {
    expect(FORMS.fix.initial(job(CAR), LIVE, USER).drier).toBe('1')
  })
})

describe('the containers', () => {
  const charging = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
  const usual = FORMS.plan.initial(charging, LIVE, USER)
  const TWO = {
    ...usual,
    shown: '2',
    kind1: 'can',
    gross1: '472 g',
    second1: '12 oz',
    kind2: 'cylinder',
    gross2: '9120 g',
    second2: '3410 g',
  }

  test('a can and a cylinder become a plan that adds up to the label', () => {
    const [deed] = deedsOf(FORMS.plan.parse(TWO, charging, BY))
    if (deed?.kind !== 'charge-planned') throw new Error('no plan')
    const taken = deed.payload.stops.reduce((sum, s) => sum + s.takenG - s.purgeG, 0)
    expect(taken).toBeCloseTo(540, 6)
    expect(deed.payload.containers.map((c) => c.id)).toEqual(['can-1', 'cylinder-2'])
    expect(deed.payload.bandG[0]).toBeLessThan(540)
  })

  test('a target beside the label needs its reason, and goes into the log with it', () => {
    expect(errorsOf(FORMS.plan.parse({ ...TWO, target: '600 g' }, charging, BY)).target).toMatch(
      /the label says 540 g: another weight needs its reason/,
    )
    const [deed] = deedsOf(FORMS.plan.parse({ ...TWO, target: '600 g', reason: 'bulletin 12' }, charging, BY))
    expect(deed).toMatchObject({ payload: { targetG: 600, reason: 'bulletin 12' } })
    // within what the maker allows nobody asks
    expect(errorsOf(FORMS.plan.parse({ ...TWO, target: '550 g' }, charging, BY))).toEqual({})
  })

  test('a container of another refrigerant is never planned with', () => {
    expect(errorsOf(FORMS.plan.parse({ ...TWO, holds2: 'R-1234yf' }, charging, BY)).holds2).toMatch(
      /asks for R-134a: never mix/,
    )
  })

  test('what was planned once stands in the form of the next container, and a name is not given twice', () => {
    const own = {
      ...TWO,
      shown: '1',
      way: 'first-high',
      change: 'shut',
      purge: '5 g',
      target: '560 g',
      reason: 'retrofit',
    }
    const oneOn = later(charging, 71, ...deedsOf(FORMS.plan.parse(own, charging, BY)), {
      kind: 'container-started',
      payload: { id: 'can-1', grossG: 472 },
    })
    const off = later(oneOn, 75, { kind: 'container-ended', payload: { id: 'can-1', grossG: 142 } })
    const again = FORMS.plan.initial(off, LIVE, USER)
    expect(again).toMatchObject({
      way: 'first-high',
      change: 'shut',
      purge: '5 g',
      target: '560 g',
      reason: 'retrofit',
    })
    const [second] = deedsOf(FORMS.plan.parse({ ...again, kind1: 'can', gross1: '470 g', second1: '340 g' }, off, BY))
    // 560 wanted, 472 - 142 less 5 purged are in; the hose stayed shut, so nothing is purged again
    expect(second).toMatchObject({
      payload: { targetG: 560, stops: [{ id: 'can-2', takenG: expect.closeTo(560 - 325, 6), purgeG: 0 }] },
    })
  })

  test('a cylinder of the shelf that is put on again goes by a name of its own', () => {
    const shelf = {
      ...usual,
      kind1: 'cylinder',
      gross1: '9120 g',
      second1: '3410 g',
      stock1: '00000000-0000-4000-8000-000000000007',
      name1: 'Cylinder 7',
    }
    const [first] = deedsOf(FORMS.plan.parse(shelf, charging, BY))
    expect(first).toMatchObject({ payload: { containers: [{ id: 'Cylinder 7', stockId: shelf.stock1 }] } })
    const off = later(
      charging,
      71,
      ...(first ? [first] : []),
      { kind: 'container-started', payload: { id: 'Cylinder 7', grossG: 9120 } },
      { kind: 'container-ended', payload: { id: 'Cylinder 7', grossG: 8900 } },
    )
    const [again] = deedsOf(FORMS.plan.parse({ ...shelf, gross1: '8900 g' }, off, BY))
    expect(again).toMatchObject({ payload: { containers: [{ id: 'Cylinder 7, again' }] } })
    const third = later(
      off,
      75,
      ...(again ? [again] : []),
      { kind: 'container-started', payload: { id: 'Cylinder 7, again', grossG: 8900 } },
      { kind: 'container-ended', payload: { id: 'Cylinder 7, again', grossG: 8700 } },
    )
    expect(deedsOf(FORMS.plan.parse({ ...shelf, gross1: '8700 g' }, third, BY))[0]).toMatchObject({
      payload: { containers: [{ id: 'Cylinder 7, again 2' }] },
    })
  })

  test('a second container left empty is left out', () => {
    const [deed] = deedsOf(FORMS.plan.parse({ ...TWO, gross2: '' }, charging, BY))
    expect(deed).toMatchObject({ payload: { containers: [{ id: 'can-1' }] } })
  })

  test.each([
    [{ ...TWO, gross1: '12 oz' }, 'gross1', /net weight taken for the gross/],
    [{ ...TWO, gross2: '3000 g' }, 'gross2', /no more than empty/],
    [{ ...TWO, second1: '' }, 'second1', /type a weight/],
  ])('%j is caught', (values, field, reason) => {
    expect(errorsOf(FORMS.plan.parse(values, charging, BY))[field]).toMatch(reason)
  })

  const planned = later(charging, 71, ...deedsOf(FORMS.plan.parse(TWO, charging, BY)))

  test('the first container stands in the field with its planned weight; another weight is asked about, an impossible one refused', () => {
    expect(FORMS['container-start'].initial(planned, LIVE, USER)).toEqual({ gross: '472 g', differs: '' })
    expect(errorsOf(FORMS['container-start'].parse({ gross: '510 g' }, planned, BY)).gross).toMatch(
      /38 g more than planned: was the scale zeroed before the hose was on/,
    )
    expect(deedsOf(FORMS['container-start'].parse({ gross: '510 g', differs: 'hose-hung-on' }, planned, BY))).toEqual([
      { kind: 'container-started', payload: { id: 'can-1', grossG: 510, differs: 'hose-hung-on' } },
    ])
    expect(
      errorsOf(FORMS['container-start'].parse({ gross: '100 g', differs: 'another-container' }, planned, BY)).gross,
    ).toMatch(/not above the 340 g net of a full one/)
    expect(deedsOf(FORMS['container-start'].parse({ gross: '474 g' }, planned, BY))).toEqual([
      { kind: 'container-started', payload: { id: 'can-1', grossG: 474 } },
    ])
  })

  test('its end is what the scale shows, and a container does not gain', () => {
    const open = later(planned, 72, { kind: 'container-started', payload: { id: 'can-1', grossG: 472 } })
    expect(FORMS['container-end'].initial(open, { ...LIVE, scaleG: 142 }, USER)).toEqual({ gross: '142 g' })
    expect(errorsOf(FORMS['container-end'].parse({ gross: '480 g' }, open, BY)).gross).toMatch(/does not gain/)
    // far from what the scale shows it is asked about, and kept when it is meant
    expect(
      FORMS['container-end'].parse({ gross: '300 g' }, open, { ...BY, live: { ...LIVE, scaleG: 142 } }),
    ).toMatchObject({
      asks: { gross: expect.stringMatching(/the scale shows 142 g/) },
    })
    expect(deedsOf(FORMS['container-end'].parse({ gross: '5 oz' }, open, BY))).toEqual([
      { kind: 'container-ended', payload: { id: 'can-1', grossG: expect.closeTo(141.7, 1) } },
    ])
  })
})

describe('the proof and the signature', () => {
  test('instruments fill the fields, above the air of the place', () => {
    const values = FORMS.proof.initial(
      job(CAR),
      { ...LIVE, lowPa: 75_815 + 200_000, highPa: 75_815 + 1_200_000, ventC: 8.4 },
      USER,
    )
    expect(values).toMatchObject({ low: '200 kPa', high: '1,200 kPa', vent: '8.4 C', ambient: '11 C' })
  })

  test('readings are kept in Pa and Celsius, nonsense is refused beside its field', () => {
    expect(
      deedsOf(
        FORMS.proof.parse(
          { low: '2 atm', high: '200 psi', vent: '46 F', ambient: '20', note: ' ok ', engine: 'idle' },
          job(CAR),
          BY,
        ),
      ),
    ).toEqual([])
    expect(
      deedsOf(
        FORMS.proof.parse(
          { low: '29 psi', high: '200 psi', vent: '46.4 F', ambient: '20', note: ' ok ' },
          job(CAR),
          BY,
        ),
      )[0],
    ).toMatchObject({
      payload: {
        lowPaG: expect.closeTo(199_948, 0),
        ventC: expect.closeTo(8, 6),
        ambientC: 20,
        note: 'ok',
        engine: 'at-speed',
      },
    })
  })

  test('a record is not signed without a certificate number', () => {
    expect(FORMS.sign.initial(job(CAR), LIVE, USER)).toEqual({ certificate: 'CL-0533', asked: 'yes' })
    expect(errorsOf(FORMS.sign.parse({ certificate: ' ', asked: 'yes' }, job(CAR), BY))).toHaveProperty('certificate')
    // where no law asks for one, its absence is said in the record and stops nobody
    expect(FORMS.sign.parse({ certificate: '', asked: 'no' }, job(CAR), BY)).toEqual({ deeds: [] })
  })
})

describe('whoever thinks in other units', () => {
  const by = { units: Units.parse({ pressure: 'bar', temperature: 'F', mass: 'oz', oil: 'floz' }) }
  const fresh = job(CAR)

  test('a bare figure is in theirs, and what was typed says so', () => {
    const [deed] = deedsOf(FORMS.zero.parse({ low: '3.1', high: '45 psi' }, fresh, by))
    expect(deed).toMatchObject({
      payload: {
        lowPaG: expect.closeTo(310_000, 0),
        highPaG: expect.closeTo(310_264, 0),
        typed: 'low 3.1 bar, high 45 psi',
      },
    })
    const [weighed] = deedsOf(FORMS.recovered.parse({ grams: '14.5', low: '0', high: '0' }, fresh, by))
    expect(weighed).toMatchObject({ payload: { grams: expect.closeTo(411, 0) } })
    const [mended] = deedsOf(FORMS.fix.parse({ openHours: '3', oilMl: '1', oilReason: 'condenser' }, fresh, by))
    expect(mended).toMatchObject({ payload: { oilOwedMl: expect.closeTo(29.57, 1) } })
  })

  test('a proof follows the instruments in their unit, and reads it back unchanged', () => {
    const { place } = fresh.opened
    const live = {
      ...LIVE,
      lowPa: place.barometerPa + 230_000,
      highPa: place.barometerPa + 1_150_000,
      ventC: 8,
      say: sayIn(by.units),
    }
    const shown = FORMS.proof.initial(fresh, live, USER)
    expect(shown).toMatchObject({ low: '2.30 bar', high: '11.50 bar' })
    const [deed] = deedsOf(FORMS.proof.parse({ ...shown, ambient: '72' }, fresh, by))
    expect(deed).toMatchObject({
      payload: {
        lowPaG: expect.closeTo(230_000, 0),
        highPaG: expect.closeTo(1_150_000, 0),
        ventC: 8,
        ambientC: expect.closeTo(22.2, 1),
      },
    })
  })
})
