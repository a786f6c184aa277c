import { expect, test } from 'vitest'
import { chanceWords } from './chance'

test('a chance is never said as a certainty, and is whole per cent between', () => {
  expect([0, 0.004, 0.005, 0.5, 0.9949, 0.995, 1].map(chanceWords)).toEqual([
    'under 1 %',
    'under 1 %',
    '1 %',
    '50 %',
    '99 %',
    'over 99 %',
    'over 99 %',
  ])
})
