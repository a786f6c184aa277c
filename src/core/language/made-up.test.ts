import { expect, test } from 'vitest'
import { kept, madeUp } from './made-up'

test('every letter is another one, figures and names stand as they are', () => {
  expect(madeUp('Shut both valves.')).toBe('σηυτ βοτη ϝαλϝεσ.')
  expect(madeUp(`${kept('Teo')} has ${kept(3)} cars`)).toBe('Teo ηασ 3 ςαρσ')
  expect(new Set(madeUp('abcdefghijklmnopqrstuvwxyz')).size).toBe(26)
  expect(madeUp('abcdefghijklmnopqrstuvwxyz')).not.toMatch(/[a-z]/i)
})

test('what was said already is not said twice, however deep it stands', () => {
  const inner = madeUp(`${kept('P2')} pulls`)
  expect(madeUp(`${kept(inner)} on the car of ${kept('Teo')}`)).toBe('P2 πυλλσ ον τηε ςαρ οφ Teo')
})
