import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseSync } from 'oxc-parser'
import { expect, test } from 'vitest'

/** Rooms whose words a person reads: screens, answers of the server, sentences of the core. */
const ROOMS = ['ui', 'app', 'server', 'web', 'workers', 'core']
/** What speaks to nobody at a screen, and why its words stand where they are. */
const ASIDE = [
  // the tables themselves, and what only tests read
  /^src\/core\/language\//,
  /\.test\.tsx?$|\/tests\//,
  // printed by the command line, which names places of files in the words of their format
  /^src\/core\/proving\//,
  /^src\/core\/(day\/day|charge\/charge|rig\/rig|pull\/pull)-file\.ts$/,
  // what the demo's people typed, as people type it
  /^src\/server\/demo\//,
  // said by the start command, to whoever starts it
  /^src\/server\/db\/migrate\.ts$/,
  // why a door is open, for whoever reads the list of doors
  /^src\/server\/doors\.ts$/,
]
/** Texts that look like words and are none: values that are stored, locks and connections by name, heads of answers. */
const NO_WORDS = new Set([
  'Yperos',
  'Esc',
  '/min',
  'use client',
  'not yet',
  'not on the label',
  'not known',
  'not charged',
  'by link',
  'leak and damp',
  'recovery cylinder',
  'pump speed',
  'water temperature',
  'fl oz',
  'readings file',
  'ledger by hand',
  'the judge',
  'yperos live',
  'yperos watch',
  'Fira Sans Condensed',
  'private, no-store',
  'private, max-age=31536000, immutable',
])
/** Statements of the database, whole or in parts. */
const SQL =
  /^\s*(select|insert into|update|delete from|with|alter table|create table|lock table|set local|from|left join|and) |\b(where|is not null|order by|kind in) |jsonb_build_object|lower\(|\bas "\w+"|\w_id = \$\d|::\w+ as \w+/
/** Attributes that are read or heard. */
const HEARD = new Set(['aria-label', 'label', 'title', 'hint', 'placeholder', 'alt', 'intro'])
const LETTERS = /[A-Za-z]{2,}/
const TWO_WORDS = /[A-Za-z]{2,},? [A-Za-z]{2,}/

type Node = { type: string; start: number; [key: string]: unknown }
const isNode = (value: unknown): value is Node => typeof (value as Node | null)?.type === 'string'
const childrenOf = (node: Node): Node[] => Object.values(node).flat().filter(isNode)

/** The text of a string or of a template without what stands in it; null for anything else. */
function textOf(node: Node): string | null {
  if (node.type === 'Literal') return typeof node.value === 'string' ? node.value : null
  if (node.type === 'JSXText') return (node.value as string).trim()
  if (node.type !== 'TemplateLiteral') return null
  return (node.quasis as { value: { cooked: string } }[]).map((q) => q.value.cooked).join(' … ')
}

/** What an expression between tags shows when it is a text, or one of two. */
function shownBy(node: Node): Node[] {
  if (node.type === 'ConditionalExpression') return [node.consequent, node.alternate].flatMap((n) => shownBy(n as Node))
  if (node.type === 'LogicalExpression') return shownBy(node.right as Node)
  return [node]
}

/** What a chart writes beside a line: `label={{ value: … }}`. */
function drawnBy({ name, value }: Node): Node[] {
  const given = isNode(value) && value.type === 'JSXExpressionContainer' && (value.expression as Node)
  if (nameOf(name) !== 'label' || !given || given.type !== 'ObjectExpression') return []
  return (given.properties as Node[]).flatMap((p) => (nameOf(p.key) === 'value' ? [p.value as Node] : []))
}

const nameOf = (node: unknown): string => ((node as Node | undefined)?.name as string | undefined) ?? ''
/** Whether a node speaks to whoever keeps the machine, or to a programmer: a log's line, an error nobody should see. */
function speaksToNobody(node: Node): boolean {
  if (node.type === 'NewExpression') return /^(Range|Type|Syntax)?Error$|^Stop$/.test(nameOf(node.callee))
  if (node.type !== 'CallExpression') return false
  const callee = node.callee as Node
  return nameOf(callee.object) === 'log' || nameOf(callee) === 'assertNever'
}

/** Texts of a source that a person may read and that name no message of a table, each with its line. */
function writtenIn(path: string, source: string): string[] {
  const found: string[] = []
  const note = (node: Node, least: RegExp) => {
    const text = textOf(node)
    if (text === null || !least.test(text) || NO_WORDS.has(text) || SQL.test(text)) return
    found.push(`${path}:${source.slice(0, node.start).split('\n').length} ${text.slice(0, 100)}`)
  }
  const walk = (node: Node): void => {
    if (/^(Import|ExportAll|TS(Type|Interface|Literal|Union|Array|Tuple|Function))/.test(node.type)) return
    if (speaksToNobody(node)) return
    if (node.type === 'JSXText') note(node, LETTERS)
    if (node.type === 'JSXAttribute') {
      const heard = HEARD.has(nameOf(node.name)) && isNode(node.value) && node.value
      for (const drawn of drawnBy(node)) note(drawn, LETTERS)
      if (heard && heard.type === 'Literal') {
        if (!(heard.value as string).startsWith('/')) note(heard, LETTERS)
      } else if (
        isNode(node.value) &&
        node.value.type === 'JSXExpressionContainer' &&
        nameOf(node.name) !== 'className'
      )
        walk(node.value)
      return
    }
    const children = node.type === 'JSXElement' || node.type === 'JSXFragment' ? (node.children as Node[]) : []
    for (const child of children)
      if (child.type === 'JSXExpressionContainer')
        for (const shown of shownBy(child.expression as Node))
          if (!TWO_WORDS.test(textOf(shown) ?? '')) note(shown, LETTERS)
    if (node.type !== 'JSXText') note(node, TWO_WORDS)
    for (const child of childrenOf(node)) walk(child)
  }
  walk(parseSync(path, source).program as unknown as Node)
  return found
}

/** Lists of classes and styles are words to nobody: lower case, with the marks of their own. */
const LOOKS_LIKE_CLASSES = /(^|\s)[a-z!-]+[-:[][\w\][.%!:/-]*(\s|$)|gradient\(|calc\(/

const filesOf = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`
    return entry.isDirectory() ? filesOf(path) : /\.tsx?$/.test(path) ? [path] : []
  })

test('no sentence stands outside the tables: not on a screen, in a dialog, in an answer of the server or on paper', () => {
  const files = ROOMS.flatMap((room) => filesOf(`src/${room}`)).filter(
    (path) => !ASIDE.some((aside) => aside.test(path)),
  )
  expect(files.length).toBeGreaterThan(600)
  const written = files.flatMap((path) => writtenIn(path, readFileSync(join(process.cwd(), path), 'utf8')))
  expect(written.filter((text) => !LOOKS_LIKE_CLASSES.test(text.replace(/^\S+ /, '')))).toEqual([])
})

test('the look sees what it is there for', () => {
  const seen = (source: string) => writtenIn('a.tsx', source).map((text) => text.replace(/^\S+ /, ''))
  expect(seen('const a = <p className="x">Shut both valves</p>')).toEqual(['Shut both valves'])
  expect(seen('const a = <Field label="Low side" name="low" />')).toEqual(['Low side'])
  expect(seen("const a = <p>{open ? 'open' : W.shut}</p>")).toEqual(['open'])
  // biome-ignore lint/suspicious/noTemplateCurlyInString: a source that has a template
  expect(seen('const a = <p>{`${n} cars`}</p>')).toEqual([' …  cars'])
  expect(seen("throw new AppError('bad-input', 'That name is taken.')")).toEqual(['That name is taken.'])
  expect(seen("const open = () => toast({ title: 'Sent when the line is back' })")).toEqual([
    'Sent when the line is back',
  ])
  expect(seen("const a = <ReferenceLine label={{ value: 'label', fontSize: 14 }} />")).toEqual(['label'])
  expect(seen('const a = <p>{W.shutBothValves}</p>')).toEqual([])
  expect(seen("log.warn('the watch failed'); throw new RangeError('no sign change')")).toEqual([])
})
