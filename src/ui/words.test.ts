import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'

/** Every component of the pages. */
const components = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    return entry.isDirectory() ? components(path) : path.endsWith('.tsx') ? [path] : []
  })

/** Text between tags, and what is read out or shown of an element: no expression, but letters of a word. */
const BETWEEN_TAGS = /(?<==|[^=])>\s*([A-Za-z][A-Za-z’]+[^<>{}=;()]*)<\//g
const ATTRIBUTES = /\b(?:aria-label|label|title|hint|placeholder|alt|intro)="([^"]*[A-Za-z]{3}[^"]*)"/g
/** Our own name, and a key as it is printed on a keyboard; paths are none either. */
const NO_WORDS = ['Yperos', 'Esc']

const writtenIn = (source: string): string[] =>
  [BETWEEN_TAGS, ATTRIBUTES]
    .flatMap((pattern) => [...source.matchAll(pattern)].map((m) => (m[1] as string).trim()))
    .filter((text) => !NO_WORDS.includes(text) && !text.startsWith('/'))

test('no component writes a word: it names one of the table', () => {
  const files = ['src/ui', 'src/app'].flatMap((folder) => components(join(process.cwd(), folder)))
  expect(files.length).toBeGreaterThan(150)
  expect(files.flatMap((file) => writtenIn(readFileSync(file, 'utf8')).map((text) => `${file}: ${text}`))).toEqual([])
})

test('the look sees what it is there for', () => {
  expect(writtenIn('<p className="x">Shut both valves</p>')).toEqual(['Shut both valves'])
  expect(writtenIn('<Field label="Low side" name="low" />')).toEqual(['Low side'])
  expect(writtenIn('<p>{W.shutBothValves}</p>')).toEqual([])
})
