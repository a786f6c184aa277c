import { expect, test } from 'vitest'
import { procedureRead, rigRead } from '@/core/job/written'
import { airHint, lineQuestion, type NewCarValues, readAir, readNewCar, rigOffered } from './values'

const PROCEDURE = procedureRead({ name: 'Weigh and measure', targetMicron: 500, pullMinutes: 60, holdMinutes: 30 })
const RIG = rigRead({
  name: 'Cart',
  boreMm: 9.5,
  lengthM: 1.2,
  hoses: 2,
  pumpCfm: 4,
  ultimateMicron: 25,
  gauge: 'electronic' as const,
  scaleStepG: 2,
})
const VALUES: NewCarValues = {
  name: 'Shuttle 4',
  plate: '',
  model: 'Halvorn Ridge 14',
  drive: 'plain',
  complaint: '',
  refrigerant: 'R-134a',
  several: 'one',
  lines: [],
  picked: '0',
  charge: '1 lb 4',
  tolerance: '0.5 oz',
  oilKind: '',
  oilMl: '',
  source: 'label',
  air: '2380 m',
  ambient: '52 F',
  opened: 'component',
  openHours: '2',
  drier: 'yes',
  lastCharge: '20 oz',
  daysSince: '200',
  recovered: '',
  evaporators: '2',
  simulated: false,
  cameAt: '',
  promised: '',
}
const errorsOf = (change: Partial<NewCarValues>) => {
  const read = readNewCar({ ...VALUES, ...change }, PROCEDURE, RIG)
  return 'errors' in read ? read.errors : {}
}

test('what is typed in pounds, feet and Fahrenheit is kept in grams, metres and Celsius', () => {
  const read = readNewCar(VALUES, PROCEDURE, RIG)
  expect(read).toMatchObject({
    payload: {
      label: { lowG: expect.closeTo(567, 0), toleranceG: expect.closeTo(14.2, 1), oilKind: 'not on the label' },
      volumeL: 5.1,
    },
  })
  expect(read).toMatchObject({
    payload: {
      place: { ambientC: expect.closeTo(11.1, 1), altitudeM: 2380 },
      history: { recoveredG: null, daysSinceCharge: 200 },
    },
  })
})

test.each([
  [{ charge: '' }, 'charge'],
  [{ charge: '9 kg' }, 'charge'],
  [{ name: ' ' }, 'name'],
  [{ air: '2380' }, 'air'],
  [{ ambient: 'warm' }, 'ambient'],
  [{ oilMl: '-3' }, 'oilMl'],
  [{ refrigerant: 'R-744' as const }, 'refrigerant'],
  [{ lastCharge: '1 lb 20' }, 'lastCharge'],
] as const)('%j is refused at its own field', (change, field) => {
  expect(Object.keys(errorsOf(change))).toEqual([field])
})

test('air is an altitude or a barometer, never a bare number', () => {
  expect(readAir('7800 ft')).toMatchObject({ value: { altitudeM: expect.closeTo(2377, 0) } })
  expect(readAir('22.4 inHg')).toMatchObject({ value: { altitudeM: null, barometerPa: expect.closeTo(75_855, -1) } })
  expect(readAir('300 mbar')).toHaveProperty('error')
  expect(airHint('2380 m')).toMatch(/22\.4 inHg/)
})

const LINES = [
  { name: 'front only', charge: '650 g' },
  { name: 'front and rear', charge: '1120-1180 g' },
]

test('a label with several lines is kept whole, with the line that counts', () => {
  const read = readNewCar({ ...VALUES, several: 'several', lines: LINES, picked: '1' }, PROCEDURE, RIG)
  expect(read).toMatchObject({
    payload: {
      label: {
        lowG: 1120,
        highG: 1180,
        typed: '1120-1180 g',
        line: 'front and rear',
        lines: [{ name: 'front only', lowG: 650, highG: 650 }, { name: 'front and rear' }],
      },
    },
  })
})

test('a line without a name, one that is there twice and one that cannot be read are refused at their fields', () => {
  expect(
    errorsOf({
      several: 'several',
      lines: [
        { name: '', charge: '650 g' },
        { name: 'rear', charge: 'much' },
        { name: 'rear', charge: '2 lb' },
      ],
    }),
  ).toEqual({
    'lines.0.name': expect.stringMatching(/what this line is for/),
    'lines.1.charge': expect.stringMatching(/type a weight/),
    'lines.2.name': expect.stringMatching(/twice/),
  })
})

test('the smallest line on a car with two evaporators is asked about, and a larger one on a car with one', () => {
  const several = { ...VALUES, several: 'several' as const, lines: LINES }
  expect(lineQuestion({ ...several, evaporators: '2', picked: '0' })).toMatch(/two evaporators, and the smallest line/)
  expect(lineQuestion({ ...several, evaporators: '2', picked: '1' })).toBeUndefined()
  expect(lineQuestion({ ...several, evaporators: '1', picked: '1' })).toMatch(/one evaporator, and a larger line/)
  expect(lineQuestion({ ...several, evaporators: '1', picked: '0' })).toBeUndefined()
  expect(lineQuestion({ ...VALUES, evaporators: '2' })).toBeUndefined()
})

test('the rig offered is whole, its pump free, and the strongest of those; where all are busy, the strongest', () => {
  const small = { name: 'small', pumpM3S: 0.0007 }
  const strong = { name: 'strong', pumpM3S: 0.0019 }
  expect(rigOffered([small, strong])?.name).toBe('strong')
  expect(rigOffered([small, { ...strong, pullsOn: 'Ambulance' }])?.name).toBe('small')
  expect(rigOffered([{ ...strong, missing: 'Hose 4 is gone' }, small])?.name).toBe('small')
  expect(
    rigOffered([
      { ...small, pullsOn: 'Cab' },
      { ...strong, pullsOn: 'Bus' },
    ])?.name,
  ).toBe('strong')
  expect(rigOffered([])).toBeUndefined()
})
