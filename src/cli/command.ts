import { readFileSync } from 'node:fs'
import { type ParseArgsConfig, parseArgs } from 'node:util'
import type * as z from 'zod'

/** Input the user must mend: one line naming the file, the place, what was found and what is expected; exit 2. */
export class BadInput extends Error {}

/** Exit status of a check that came out negative. */
export const EXIT_NEGATIVE = 3

export type Command = {
  usage: string
  does: string
  options: Record<string, string>
  /** returns the exit status */
  run: (args: string[]) => number | Promise<number>
}

export function helpText(name: string, command: Command): string {
  const options = Object.entries({
    ...command.options,
    '--json': 'machine output on stdout and nothing else there',
    '--help': 'this',
  })
  return (
    `yperos ${name} ` +
    `${command.usage}\n\n${command.does}\n\n${options.map(([key, text]) => `  ${key.padEnd(24)} ${text}`).join('\n')}\n`
  )
}

/** Node's argument parser, its complaints turned into one line. */
export function readArgs<T extends NonNullable<ParseArgsConfig['options']>>(args: string[], options: T) {
  try {
    // "-18 inHgV" and "--celsius -10": a dash before a digit is a sign, not an option
    const signed = args.map((arg) => (/^-\d/.test(arg) ? `\u0000${arg}` : arg))
    const parsed = parseArgs({
      args: signed,
      options: { ...options, json: { type: 'boolean' } } as T & { json: { type: 'boolean' } },
      allowPositionals: true,
    })
    const plain = (text: string) => text.replace('\u0000', '')
    for (const [key, value] of Object.entries(parsed.values))
      if (typeof value === 'string') (parsed.values as Record<string, unknown>)[key] = plain(value)
    return { values: parsed.values, positionals: parsed.positionals.map(plain) }
  } catch (error) {
    throw new BadInput((error as Error).message.split('. ')[0] ?? 'bad arguments')
  }
}

/** A finite number from the command line. @throws BadInput naming the argument and what was found */
export function numberOf(name: string, text: string): number {
  const value = Number(text)
  if (text.trim() === '' || !Number.isFinite(value))
    throw new BadInput(`${name} is "${text}"; a finite number is expected`)
  return value
}

/** Prints a result: JSON alone with --json, else a line for people. */
export function emit<T>(json: boolean, result: T, words: (result: T) => string): void {
  process.stdout.write(`${json ? JSON.stringify(result) : words(result)}\n`)
}

export function readTextFile(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch (error) {
    throw new BadInput(
      `${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'error'}); give a readable file`,
    )
  }
}

/** A JSON file checked by a schema; the first fault is named by its JSON path. */
export function readJsonFile<S extends z.ZodType>(file: string, schema: S): z.infer<S> {
  const text = readTextFile(file)
  let data: unknown
  try {
    data = JSON.parse(text)
  } catch (error) {
    throw new BadInput(`${file}: is not JSON: ${(error as Error).message}`)
  }
  const result = schema.safeParse(data)
  if (result.success) return result.data
  const issue = result.error.issues[0]
  throw new BadInput(`${file}: ${jsonPath(issue?.path ?? [])}: ${issue?.message ?? 'is not as expected'}`)
}

/** A path as `$.nodes[2].volume_L`. */
export const jsonPath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>((text, key) => (typeof key === 'number' ? `${text}[${key}]` : `${text}.${String(key)}`), '$')
