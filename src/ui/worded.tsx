import { Fragment, type ReactNode } from 'react'

/** Marks no text has by itself: around the name of what stands at that place of a sentence. */
const [FROM, TO] = ['\uE000', '\uE001']
const PLACES = new RegExp(`${FROM}([^${TO}]*)${TO}`)

/** A place in a sentence where something other than text stands: a name in bold, a link. */
export const slot = (name: string): string => `${FROM}${name}${TO}`

/**
 * A sentence of the tables with what stands in it, so that another language can put it where it belongs.
 * @param words - the sentence, made with `slot`s
 * @param places - what stands at each, by the slot's name
 */
export function Worded({ words, ...places }: { words: string } & Record<string, ReactNode>) {
  // texts and names take turns
  const parts = words.split(PLACES)
  return parts.map((part, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: a part of a sentence is known by its place alone
    <Fragment key={i}>{i % 2 === 0 ? part : places[part]}</Fragment>
  ))
}

/** A name or a figure that stands out in a sentence. */
export const Strong = ({ children, className = '' }: { children: ReactNode; className?: string }) => (
  <b className={`font-semibold ${className}`}>{children}</b>
)
