/** A figure or a name as it stands in a sentence. */
export type P = string | number

type Message = string | ((...parts: never[]) => string)

/** Another language: what becomes of an English sentence; `mark` keeps a figure or a name out of it. */
export type Translation = { say: (english: string) => string; mark: (part: P) => P }

/**
 * The words of a room, in the language that is spoken. English is the table itself; another language is asked for once,
 * before any words are read, by whoever starts a server or makes a page (`globalThis.yperosLanguage`).
 * @param english - messages by name: sentences, or functions of what stands in them
 */
export function spoken<T extends Record<string, Message>>(english: T): T {
  return english
}
