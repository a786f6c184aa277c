import { expect, test } from 'vitest'
import { toneDue } from './use-sound'

/** Tones of a countdown that is looked at so often, s before the word. */
const heard = (moments: readonly number[]) =>
  moments.slice(1).flatMap((now, i) => toneDue(moments[i] as number, now) ?? [])

test('ten, five, three, two, one are short tones and the word is a long one, however the seconds fall', () => {
  const tones = heard(Array.from({ length: 40 }, (_, i) => 12.3 - i * 0.4))
  expect(tones).toHaveLength(7)
  expect(tones.slice(0, 5).every((t) => t.lastsS < 0.2 && t.hertz === 660)).toBe(true)
  expect(tones[5]).toMatchObject({ hertz: 990, lastsS: 0.9 })
  // past it a low one says that it still flows
  expect(tones[6]).toMatchObject({ hertz: 330 })
})

test('a look that comes late still hears the word, once', () => {
  expect(heard([30, 4, -2, -5])).toMatchObject([{ hertz: 660 }, { hertz: 990 }, { hertz: 330 }])
})

test('a countdown that jumps back because the flow slowed sounds again, and standing still is silent', () => {
  expect(heard([4, 2.5])).toHaveLength(1)
  expect(heard([2.5, 12, 12, 9])).toHaveLength(1)
})
