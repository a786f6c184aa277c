import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'

const BEGIN = '<!-- rooms: drawn by ./yperos rooms -->'
const END = '<!-- rooms end -->'

type Arrow = { from: string; to: string; count: number }

/**
 * Who leans on whom: one arrow for each pair of rooms with imports between them, with their number; tests left out.
 * @param src - absolute path of the source folder
 * @param roomOf - the room of a file by its path under `src`, or null for a file of no interest
 */
export function arrowsOf(src: string, roomOf: (path: string) => string | null): Arrow[] {
  const counts = new Map<string, Arrow>()
  for (const file of readdirSync(src, { recursive: true, encoding: 'utf8' })) {
    const from = roomOf(file)
    if (!from || !/\.tsx?$/.test(file) || /\.test\.tsx?$/.test(file) || file.includes('tests/')) continue
    for (const [, target = ''] of readFileSync(join(src, file), 'utf8').matchAll(/from '((?:@\/|\.)[^']*)'/g)) {
      const path = target.startsWith('@/')
        ? target.slice(2)
        : relative(src, resolve(src, dirname(file), target)).replaceAll('\\', '/')
      const to = roomOf(path)
      if (!to || to === from) continue
      const key = `${from} ${to}`
      const arrow = counts.get(key) ?? { from, to, count: 0 }
      counts.set(key, { ...arrow, count: arrow.count + 1 })
    }
  }
  return [...counts.values()].sort((a, b) => (`${a.from} ${a.to}` < `${b.from} ${b.to}` ? -1 : 1))
}

/**
 * Rooms that lean on themselves through others: what is left when every room that leans on nothing left is taken
 * away.
 */
export function tangled(arrows: readonly Arrow[]): string[] {
  const rooms = new Set(arrows.flatMap((a) => [a.from, a.to]))
  const free = [...rooms].filter((room) => !arrows.some((a) => a.from === room))
  if (free.length === 0) return [...rooms].sort()
  return tangled(arrows.filter((a) => !free.includes(a.to)))
}

const outer = (path: string): string | null => path.split('/')[0] || null
const inner = (path: string): string | null => {
  const [core, room, file] = path.split('/')
  return core === 'core' && room && file ? room : null
}

/** The two pictures of docs/architecture.md as they follow from the imports: the whole house, and the core. */
export function picture(root: string): string {
  const src = join(root, 'src')
  const drawn = (arrows: readonly Arrow[]) =>
    ['```mermaid', 'flowchart TD', ...arrows.map((a) => `  ${a.from} --> ${a.to}`), '```'].join('\n')
  const core = arrowsOf(src, inner)
  const knots = tangled(core)
  return [
    'The whole house:',
    drawn(arrowsOf(src, outer)),
    'The core:',
    drawn(core),
    knots.length > 0
      ? `Rooms that lean on themselves through others: ${knots.join(' · ')}.`
      : 'No room leans on itself through others.',
  ].join('\n\n')
}

/** docs/architecture.md with its pictures drawn anew. */
export function redrawn(root: string): string {
  const text = readFileSync(join(root, 'docs/architecture.md'), 'utf8')
  const [before = '', rest = ''] = text.split(BEGIN)
  return `${before}${BEGIN}\n\n${picture(root)}\n\n${END}${rest.split(END)[1] ?? '\n'}`
}

/** Draws the pictures in docs/architecture.md anew. */
export const redraw = (root: string): void => writeFileSync(join(root, 'docs/architecture.md'), redrawn(root))
