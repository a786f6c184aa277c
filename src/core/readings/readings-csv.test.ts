import { expect, test } from 'vitest'
import { holdReadings } from './hold-readings'
import { type ColumnMapping, guessMapping, rowsOfForeignFile, rowsOfReadingsFile } from './readings-csv'

const lines = (text: string, divider = ',') =>
  text.split('\n').map((row, i) => ({ cells: row.split(divider), line: i + 1 }))
const MAPPING: ColumnMapping = {
  name: 'cart 2',
  time: 'Time',
  timeKind: 'clock',
  vacuum: 'Channel A [mbar]',
  unit: 'mbar',
}

test('a foreign file by time of day goes on past midnight, decimal commas are read, empty cells passed over', () => {
  const { rows, timed } = rowsOfForeignFile(
    lines('Time;Channel A [mbar]\n23:59:30;0,40\n23:59:45;\n00:00:30;0,50', ';'),
    MAPPING,
  )
  const { samples } = holdReadings(rows, timed, 101_325)
  expect(samples).toEqual([
    { elapsedS: 0, pressurePa: 40 },
    { elapsedS: 60, pressurePa: 50 },
  ])
})

test('a hold over two midnights goes on as well', () => {
  const { rows } = rowsOfForeignFile(
    lines('Time;Channel A [mbar]\n23:00:00;0,4\n01:00:00;0,4\n13:00:00;0,4\n23:00:00;0,4\n01:00:00;0,4', ';'),
    MAPPING,
  )
  const hours = rows.map((r) => (Number(r.at) - Number(rows[0]?.at)) / 3600)
  expect(hours).toEqual([0, 2, 14, 24, 26])
})

test('minutes are turned to seconds; a missing column and a bad cell are named by column and line', () => {
  const minutes = rowsOfForeignFile(lines('Time,Channel A [mbar]\n0,0.4\n1.5,0.5'), { ...MAPPING, timeKind: 'min' })
  expect(minutes.rows.map((r) => r.at)).toEqual(['0', '90'])
  expect(() => rowsOfForeignFile(lines('Clock,Channel A [mbar]\n0,1'), MAPPING)).toThrow(
    /no column "Time"; columns are Clock/,
  )
  expect(() => rowsOfForeignFile(lines('Time,Channel A [mbar]\n10:00:00,0.4\nnoon,0.5'), MAPPING)).toThrow(
    expect.objectContaining({ line: 3, message: expect.stringMatching(/"noon" is no time of day/) }),
  )
})

test('the columns are guessed by their names', () => {
  expect(guessMapping(['Elapsed (s)', 'Pressure mbar'])).toMatchObject({
    time: 'Elapsed (s)',
    timeKind: 's',
    vacuum: 'Pressure mbar',
    unit: 'mbar',
  })
  expect(guessMapping(['Time', 'Vac micron'])).toMatchObject({ timeKind: 'clock', unit: 'micron' })
})

test('needle rows follow the barometer rows beside them; a moment twice is one sample with the mean', () => {
  const text =
    'elapsed_s,channel,value,unit\n0,barometer,76,kPa\n0,vacuum,20,inHgV\n3600,vacuum,20,inHgV\n7200,barometer,77,kPa\n7200,vacuum,20,inHgV'
  const { rows, timed } = rowsOfReadingsFile(lines(text))
  const needle = holdReadings(rows, timed, undefined)
  expect(needle.barometerRead).toBe(true)
  // the same needle under a rising barometer is a rising pressure: half a kilopascal an hour
  expect(needle.samples.map((s) => Math.round(s.pressurePa - (needle.samples[0]?.pressurePa ?? 0)))).toEqual([
    0, 500, 1000,
  ])
  const twice = rowsOfReadingsFile(
    lines('elapsed_s,channel,value,unit\n0,vacuum,10,Pa\n5,vacuum,20,Pa\n5,vacuum,30,Pa'),
  )
  const read = holdReadings(twice.rows, twice.timed, undefined)
  expect(read.samples).toEqual([
    { elapsedS: 0, pressurePa: 10 },
    { elapsedS: 5, pressurePa: 25 },
  ])
  expect(read.notices.join()).toMatch(/line 4 repeats/)
})
