/**
 * Letters of the made-up language, for a to z: none of them is one of ours, so that any of ours on a screen is no
 * word of the table.
 */
const LETTERS = 'αβςδεφγηιϳκλμνοπϙρστυϝωξψζ'
/** Around a figure or a name in a sentence: from the private use area, in no text anybody types. */
const [FROM, TO] = ['\uE000', '\uE001']

/** A part of a sentence that is spoken as it stands. */
export const kept = (part: string | number): string => `${FROM}${part}${TO}`

/** What was said before and stands in another sentence is not said twice. */
const MARKED = /\uE000([^\uE000\uE001]*)\uE001/

/**
 * A sentence in the made-up language: every letter another one, figures and names as they stand. It shows in a test
 * what no table speaks.
 */
export function madeUp(english: string): string {
  const parts: string[] = []
  let text = english
  for (let found = MARKED.exec(text); found; found = MARKED.exec(text)) {
    parts.push(found[1] as string)
    text = `${text.slice(0, found.index)}\uE002${parts.length - 1}\uE003${text.slice(found.index + found[0].length)}`
  }
  const said = text.replace(/[a-z]/gi, (letter) => LETTERS[letter.toLowerCase().charCodeAt(0) - 97] as string)
  return said.replace(/\uE002(\d+)\uE003/g, (_, n) => parts[Number(n)] as string)
}
