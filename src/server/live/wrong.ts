import * as z from 'zod'

/**
 * What keeps the shop from working, as the start command sees it: which part, in words, and when it is tried again (ISO
 * 8601).
 */
export const Wrong = z.object({ part: z.string(), words: z.string(), againAt: z.string().nullable() })
export type Wrong = z.infer<typeof Wrong>

const Message = z.object({ wrong: Wrong.nullable() })

// the pages' handlers and the web server's entry are bundled apart: what one hears the other must know
const shared = globalThis as unknown as { yperosWrong?: Wrong | null }

/** Takes a message of the start command; anything else is left alone. */
export function tellWrong(message: unknown): void {
  const told = Message.safeParse(message)
  if (told.success) shared.yperosWrong = told.data.wrong
}

/** What is wrong now by the start command's word, or null. */
export const whatIsWrong = (): Wrong | null => shared.yperosWrong ?? null
