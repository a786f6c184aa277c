import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'
import { arrowsOf, redrawn, tangled } from './rooms'

const root = resolve(__dirname, '../..')

test('the picture of rooms in docs/architecture.md is the one the imports draw', () => {
  // when this is red: ./yperos rooms
  expect(readFileSync(join(root, 'docs/architecture.md'), 'utf8')).toBe(redrawn(root))
})

test('nothing leans out of the core, and nothing on the pages', () => {
  const arrows = arrowsOf(join(root, 'src'), (path) => path.split('/')[0] || null)
  expect(arrows.filter((a) => a.from === 'core')).toEqual([])
  expect(arrows.filter((a) => a.to === 'app')).toEqual([])
  expect(arrows.length).toBeGreaterThan(8)
  expect(tangled(arrows)).toEqual([])
})

test('no room of the core leans on itself through others', () => {
  const core = arrowsOf(join(root, 'src'), (path) => /^core\/([^/]+)\//.exec(path)?.[1] ?? null)
  expect(core.length).toBeGreaterThan(30)
  expect(tangled(core)).toEqual([])
  // the vocabulary leans on entry, fluids, units and the table of words only
  expect(core.filter((a) => a.from === 'job').map((a) => a.to)).toEqual(['entry', 'fluids', 'language', 'units'])
})

test('arrows are counted one way and knots are told', () => {
  const src = mkdtempSync(join(tmpdir(), 'yperos-rooms-'))
  for (const room of ['hall', 'cellar']) mkdirSync(join(src, room))
  writeFileSync(join(src, 'hall/a.ts'), "import { b } from '@/cellar/b'\nimport { c } from '../cellar/c'\n")
  writeFileSync(join(src, 'cellar/b.ts'), "import { x } from './c'\n")
  const room = (path: string) => path.split('/')[0] ?? null
  expect(arrowsOf(src, room)).toEqual([{ from: 'hall', to: 'cellar', count: 2 }])
  expect(tangled(arrowsOf(src, room))).toEqual([])
  writeFileSync(join(src, 'cellar/c.ts'), "import type { a } from '@/hall/a'\n")
  expect(tangled(arrowsOf(src, room))).toEqual(['cellar', 'hall'])
})
