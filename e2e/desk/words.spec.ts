import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { ownPlace, root } from '../own-place'
import { expect, signIn, test } from '../shop'
import { made, open, VIEWS } from '../views'

// a place of its own that speaks a language nobody has, its watch and its demo's day too; one worker, which stops it
// last
test.describe.configure({ mode: 'serial' })
const ownWords = ownPlace('words-test', 4624, [], { YPEROS_LANGUAGE: 'x-made-up' })
test.beforeAll(ownWords.start)
test.afterAll(() => {
  ownWords.stop()
  ownWords.forget()
})

/** Everything a person reads on a page, or hears of it: text, names, placeholders. */
const readOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said: string[] = []
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
      const inside = node.parentElement
      if (inside && !['SCRIPT', 'STYLE', 'NOSCRIPT'].includes(inside.tagName)) said.push(node.textContent ?? '')
    }
    for (const element of document.querySelectorAll('[aria-label],[title],[placeholder],[alt]'))
      for (const name of ['aria-label', 'title', 'placeholder', 'alt']) said.push(element.getAttribute(name) ?? '')
    return said
  })

/** Text of the demo's own: names of its people, cars, places and things, and what was typed about them. */
const demo = [
  ...['db/demo/cerro-lumen.json', 'db/demo/port-oleander.json'].map((file) => readFileSync(join(root, file), 'utf8')),
  // its people, their names to sign in by, and what cars made by tests are called
  'Maira Qolque Teo Brisal Anouk MQ maira teo anouk Test',
  // typed with the gauges at rest, at the proof, on the shelf
  'low high steady as it came onto the shelf recovery cylinder drier',
  // figures of the sums, as they may be typed
  'micron a minute g a year',
].join(' ')
/** Symbols every language writes so, months as the browser writes them, and the key of the notices. */
const SYMBOLS = new Set(
  (
    'micron kPa Pa psi psig bar mbar inHg inHgV mL min mm ft CFM cfm kg oz lb fl yf mol Yperos ' +
    'Jan Feb Mar Apr May Jun Jul Aug Sep Sept Oct Nov Dec hotkey'
  ).split(' '),
)
/** Digests are letters too. */
const DIGESTS = /\b[0-9a-f]{6,}\b|\b[0-9a-f]{4}( [0-9a-f]{4})+\b/g

/** Words of ours among what is read, but for units, marks and what somebody typed. */
function ofNoTable(read: readonly string[], typed: string): string[] {
  const data = new Set(typed.match(/[A-Za-z]+/g))
  const words = read.flatMap((text) =>
    (text.replace(DIGESTS, '').match(/[A-Za-z]{2,}/g) ?? []).map((word) => ({ word, text: text.trim() })),
  )
  const left = words.filter(({ word }) => !SYMBOLS.has(word) && !data.has(word))
  return [...new Set(left.map(({ word, text }) => `${word}: ${text}`))]
}

for (const [name, place] of VIEWS) {
  test(`@long ${name} says nothing that is in no table`, async ({ browser }) => {
    const context = await browser.newContext({ baseURL: ownWords.address })
    if (place !== '/sign-in') await signIn(context.request, 'maira')
    const page = await context.newPage()
    const where = place.startsWith('made: ') ? await made(context.request, place.slice(6)) : place
    await open(page, where)
    await page.waitForTimeout(1500)
    const read = await readOn(page)
    expect(read.join(' ')).toMatch(/[αβςδε]/)
    const left = ofNoTable(read, demo)
    if (process.env.WORDS) console.log(name, JSON.stringify(left))
    expect(left, name).toEqual([])
    await context.close()
  })
}
