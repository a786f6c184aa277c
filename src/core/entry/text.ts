import * as z from 'zod'
import { W } from '../language/entry'

/**
 * True where a text can be stored, hashed and written to a file as it is: no NUL, which no database text holds,
 * and no half of a surrogate pair, which has no UTF-8.
 */
export function isSound(text: string): boolean {
  if (text.includes('\0')) return false
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i)
    if (unit < 0xd800 || unit > 0xdfff) continue
    const next = text.charCodeAt(i + 1)
    if (unit > 0xdbff || !(next >= 0xdc00 && next <= 0xdfff)) return false
    i++
  }
  return true
}

const sound = z.string().refine(isSound, { error: W.holdsACharacterThatIs })

/**
 * Words a person or a program sends, trimmed: the one type for text in every schema.
 * @param most - characters at most; `least` - at least, 0 where it may be left empty; `why` - said when it is too short
 */
export const text = (most: number, least = 1, why?: string) => sound.trim().min(least, why).max(most)

/** The same, kept to the letter: passwords, and names that must match a file's. */
export const verbatim = (most: number, least = 1, why?: string) => sound.min(least, why).max(most)
