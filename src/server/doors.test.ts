import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { expect, test } from 'vitest'
import { DOORS } from './doors'

const APP = join(__dirname, '../app')

/** Path and methods of every page and handler of the file tree. */
function doorsOfTheTree(folder = APP): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry): string[] => {
    const at = join(folder, entry.name)
    if (entry.isDirectory()) return doorsOfTheTree(at)
    const path = `/${relative(APP, folder)
      .split('/')
      .filter((part) => !/^\(.*\)$/.test(part))
      .join('/')}`
    if (entry.name === 'page.tsx') return [`GET ${path}`]
    if (entry.name === 'manifest.ts') return ['GET /manifest.webmanifest']
    if (entry.name !== 'route.ts') return []
    const methods = [
      ...readFileSync(at, 'utf8').matchAll(/export (?:const|async function|function) (GET|POST|PUT|PATCH|DELETE)\b/g),
    ]
    return methods.map(([, method]) => `${method} ${path}`)
  })
}

test('every page and handler stands in the table of doors, and every door of the table is there', () => {
  // the ingest is taken by the web server itself, ahead of the pages; the service worker is built
  const beside = ['POST /api/ingest', 'GET /sw.js']
  const table = DOORS.flatMap((d) => d.methods.map((m) => `${m} ${d.path}`)).filter((d) => !beside.includes(d))
  expect(table.sort()).toEqual(doorsOfTheTree().sort())
})

test('what is open to nobody signed in says why', () => {
  for (const door of DOORS) expect([door.path, door.why !== undefined]).toEqual([door.path, door.who === 'nobody'])
})
