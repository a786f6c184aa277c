import { beforeEach, expect, test } from 'vitest'
import { forgetServerTime, learnServerTime, serverNow } from './server-clock'

const ahead = () => serverNow() - Date.now()
beforeEach(forgetServerTime)

test('of a page that took its time, a stream and an answer the best is believed', () => {
  const now = Date.now()
  // the server is 90 s ahead; the page's figure came 800 ms late, the stream's 40 ms, the answer took 30 ms both ways
  learnServerTime(now + 90_000 - 800, null, 3000, now)
  expect(ahead()).toBeCloseTo(89_200, -1)
  learnServerTime(now + 90_000 - 40, null, 200, now)
  expect(ahead()).toBeCloseTo(89_960, -1)
  learnServerTime(now + 90_000 - 15, now - 30, 0, now)
  expect(ahead()).toBeCloseTo(90_000, -1)
  // a worse one changes nothing
  learnServerTime(now + 90_000 - 150, null, 200, now)
  expect(ahead()).toBeCloseTo(90_000, -1)
})

test('a clock that is set, here or there, is believed at once', () => {
  const now = Date.now()
  learnServerTime(now - 10, now - 20, 0, now)
  learnServerTime(now + 3_600_000, null, 200, now)
  expect(ahead()).toBeCloseTo(3_600_000, -1)
})
