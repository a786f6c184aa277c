/** A word longer than this is no word, characters. */
const LONGEST = 40

/**
 * Words of a text as they are looked for: small letters without marks, split at whatever is neither letter nor digit.
 */
export function tokensOf(text: string): string[] {
  const plain = text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
  return plain.split(/[^\p{L}\p{N}]+/u).flatMap((word) => (word === '' ? [] : [word.slice(0, LONGEST)]))
}

/** A plate or number as one word too, so that `CL 14` is found as `cl14`. */
export const joined = (text: string): string[] => {
  const word = tokensOf(text).join('').slice(0, LONGEST)
  return word === '' ? [] : [word]
}
