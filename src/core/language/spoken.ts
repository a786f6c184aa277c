import { kept, madeUp } from './made-up'

/** A figure or a name as it stands in a sentence. */
export type P = string | number

type Message = string | ((...parts: never[]) => string)

/** Languages a server can speak; the made-up one shows in tests what stands in no table. */
export const LANGUAGES = ['en', 'x-made-up'] as const

/** What is seen of a process or a page here: no more than which language was asked for. */
type Around = {
  document?: { documentElement: { lang: string } }
  process?: { env?: Record<string, string | undefined> }
}
const around = globalThis as Around
/**
 * The language of this process or page: a server is told (YPEROS_LANGUAGE), a page has it from its server. One for all
 * who work in a shop: it is read once, before any word is.
 */
export const LANGUAGE: string =
  around.document?.documentElement.lang || around.process?.env?.YPEROS_LANGUAGE || LANGUAGES[0]

/**
 * The words of a room in the language that is spoken: sentences by name, or functions of what stands in them. English
 * is the table itself; another language says each of its sentences in its own way.
 */
export function spoken<T extends Record<string, Message>>(english: T): T {
  if (LANGUAGE !== 'x-made-up') return english
  const said = Object.entries(english).map(([name, message]): [string, Message] => [
    name,
    typeof message === 'string'
      ? madeUp(message)
      : (...parts: P[]) => madeUp((message as (...p: P[]) => string)(...parts.map(kept))),
  ])
  return Object.fromEntries(said) as T
}
