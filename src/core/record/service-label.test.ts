import { expect, test } from 'vitest'
import { chargePlanned } from '../charge/plan-for-job'
import { CAR, HOLDING, job, later } from '../tests/job-fixture'
import { serviceLabel, serviceLabelText } from './service-label'

const MADE = { shop: 'Cerro Lumen', day: '2 Mar 2026', by: 'Teo Brisal', certificate: 'CL-0533' }

function charged(car = CAR) {
  const state = later(job(car, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
  const plan = chargePlanned(state, [{ id: 'cylinder-7', kind: 'cylinder', grossG: 9120, tareG: 3410 }])
  return later(
    state,
    80,
    {
      kind: 'fix-logged',
      payload: { renewed: [{ what: 'drier', count: 1 }], openHours: 2, oilOwedMl: 20, oilReason: 'drier' },
    },
    { kind: 'charge-planned', payload: plan },
    { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 9120 } },
    { kind: 'container-ended', payload: { id: 'cylinder-7', grossG: 8577 } },
  )
}

test('the label says what went in by weight, the oil with its reason, the day and whose certificate', () => {
  // 543 g left the cylinder, 3 of them purged
  expect(serviceLabelText(serviceLabel(charged(), MADE)).split('\n')).toEqual([
    'Car: Night car 4, Pelmira 3',
    'Refrigerant: R-134a',
    'Charged: 540 g, 19.0 oz, 1 lb 3.0 oz',
    'Label asks for: 540 g',
    'Oil: PAG 46, 20 mL added, drier',
    'Day: 2 Mar 2026',
    'By: Teo Brisal, Cerro Lumen',
    'Certificate: CL-0533',
  ])
})

test('a signed record’s own name and certificate stand on it, and a hybrid’s oil is warned of', () => {
  const signed = later(charged({ ...CAR, car: { ...CAR.car, hybrid: true } }), 90, {
    kind: 'signed',
    payload: { certificate: 'CL-0417', readingCount: 3, readingsSha256: 'a'.repeat(64) },
  })
  const text = serviceLabelText(serviceLabel(signed, { ...MADE, certificate: '' }))
  expect(text).toMatch(/Certificate: CL-0417/)
  expect(text).toMatch(/High voltage: only the maker’s non-conducting oil/)
})

test('without a certificate the label says so', () => {
  expect(serviceLabelText(serviceLabel(charged(), { ...MADE, certificate: '' }))).toMatch(/Certificate: none given/)
})
