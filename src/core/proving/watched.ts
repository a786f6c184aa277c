import { judgeHold } from '../hold/judge'
import { upTo } from '../hold/standing'
import type { Verdict } from '../hold/types'
import { type Figure, figure, percent } from './figures'
import { type KnownRecord, knownRecord } from './records'
import { isDamp } from './score'

/** How long a hold is watched, and how often it is looked at, minutes. */
const WATCHED_MIN = 240
const EVERY_MIN = 1

/** What was said of a hold, each time it changed: minutes since isolation. */
export type Said = { atMin: number; verdict: Verdict }

/** Holds of cars that are tight and wet when they are shut in, four hours each. */
export function wetHolds(count: number, from: number): KnownRecord[] {
  const found: KnownRecord[] = []
  for (let seed = from; found.length < count; seed++) {
    const record = knownRecord(seed, { leakPaM3S: 0, wet: true, minutes: WATCHED_MIN })
    if (isDamp(record)) found.push(record)
  }
  return found
}

/** Judges a hold again and again while it runs, as somebody at the page sees it. */
export function watchedFrom({ samples, context }: KnownRecord, everyMin = EVERY_MIN): Said[] {
  const said: Said[] = []
  for (let atMin = everyMin; atMin <= WATCHED_MIN; atMin += everyMin) {
    const { verdict } = judgeHold(upTo(samples, atMin * 60), context)
    if (said.at(-1)?.verdict !== verdict) said.push({ atMin, verdict })
  }
  return said
}

const isRight = ({ verdict }: Said): boolean => verdict === 'tight' || verdict === 'damp'
const claims = ({ verdict }: Said): boolean => verdict === 'leak' || verdict === 'leak-and-damp'

/** Times a finding that was right, no leak, was left for anything else. */
export const turns = (said: readonly Said[]): number =>
  said.filter((s, i) => i > 0 && isRight(said[i - 1] as Said) && !isRight(s)).length

/** Whether findings that were right stay while a tight, wet car is watched. */
export function proveWatched(records: number, from = 1): Figure[] {
  const all = wetHolds(records, from).map((record) => watchedFrom(record))
  const of = (test: (said: Said[]) => boolean) => all.filter(test).length / all.length
  const firsts = all.map((said) => said.find(isRight)?.atMin ?? Number.POSITIVE_INFINITY).sort((a, b) => a - b)
  return [
    figure('tight and damp holds that turn away from a right finding', percent(of((s) => turns(s) > 0)), '%', records, {
      most: 1,
    }),
    figure('· called leaking at some minute', percent(of((s) => s.some(claims))), '%', records, {}),
    figure('· found to be without a leak at the end', percent(of((s) => isRight(s.at(-1) as Said))), '%', records, {}),
    figure('· found so after, median', firsts[firsts.length >> 1] as number, 'min', records, {}),
  ]
}
