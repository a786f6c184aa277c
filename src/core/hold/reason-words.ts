import { DAY_S, PA_PER_INHG } from '../units/constants'
import { type Say, USUAL_SAY } from '../units/say'
import type { Finding } from './finding'

/** A night of the same needle, s. */
const NIGHT_S = DAY_S / 2

const num = (of: Finding['of'], name: string): number => Number(of[name] ?? Number.NaN)
const spanWords = (s: number): string => {
  const minutes = Math.round(s / 60)
  return minutes < 180 ? `${minutes} minutes` : `${Number((s / 3600).toFixed(1))} hours`
}
const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`

/** How far it moved in which time; a needle knows no micron. */
function moved(of: Finding['of'], say: Say): string {
  const byPa = num(of, 'byPa')
  const by = of.needle ? `${(Math.abs(byPa) / PA_PER_INHG).toFixed(1)} inHg` : say.moved(byPa)
  return `It ${byPa >= 0 ? 'rose' : 'fell'} ${by} in ${spanWords(num(of, 'inS'))}`
}
const stays = (of: Finding['of'], say: Say): string =>
  of.needle ? `${((num(of, 'risePaS') / PA_PER_INHG) * 3600).toFixed(1)} inHg an hour` : say.rate(num(of, 'risePaS'))
const way = (of: Finding['of']): string => (num(of, 'byPa') > 0 ? 'up' : 'down')
const lost = (of: Finding['of'], say: Say): string => `It lost about ${say.aYearPlain(num(of, 'lostG'))}`

/** What may be wrong with a record, in the middle of a sentence. */
const PROBLEMS: Record<string, (of: Finding['of'], say: Say) => string> = {
  'isolated-late': () =>
    'falling as under a pump until then, and not after: it was isolated later than the record says',
  'valve-gas': (of, say) => `the closing valve's own gas: ${say.moved(num(of, 'byPa'))} ${way(of)} at once; left out`,
  jump: (of, say) =>
    `a jump of ${say.moved(num(of, 'byPa'))} ${way(of)}, as from a valve that was turned or a hose that was knocked`,
  'over-range': (of, say) => `over the gauge's range, ${say.vacuum(num(of, 'limitPa'))}`,
  gap: (of) => `no readings for ${Math.round(num(of, 'gapS') / 60)} minutes`,
  'no-shape': () => 'the readings follow no shape a hold has: was the pump still on, or a valve turned?',
}

/** Every reason of a judgement, from its figures. */
const REASONS: Record<string, (of: Finding['of'], say: Say) => string> = {
  'no-more-than-gauge-and-gas': (of, say) =>
    `${moved(of, say)}, which is no more than the gauge, the gas and the hoses do by themselves.`,
  bends: (of, say) => `${moved(of, say)}, bending toward a level: water, not a hole.`,
  straight: (of, say) => `${moved(of, say)}, as straight as a ruler: about ${stays(of, say)} that does not die.`,
  'bends-and-stays': (of, say) => `${moved(of, say)}: it bends at first, and about ${stays(of, say)} stays.`,
  'bends-leak-open': (of, say) => `${moved(of, say)}, and it bends: water. Whether a leak is beside it stays open.`,
  'several-fit': (of, say) => `${moved(of, say)}. More than one shape still fits.`,
  stands: (of) =>
    `Found after ${spanWords(num(of, 'sinceS'))}; what was read since (a leak beside it: ` +
    `${Math.round(100 * num(of, 'leak'))} %) is too little to withdraw it.`,
  'needle-still': (of, say) =>
    `The needle did not move in ${spanWords(num(of, 'inS'))}: ` +
    `no leak larger than about ${say.aYear(num(of, 'unseenG'))}, worst case. Smaller ones it cannot see.`,
  'needle-tells-more': tellsMore,
  'too-few': () => 'Too few readings yet: the first minutes show gas settling, not the car.',
  'lost-not-said-yet': (of, say) => `${lost(of, say)}; this hold has not said yet whether it still does.`,
  'lost-would-have-shown': (of, say) =>
    `${lost(of, say)}, and this hold would have shown it. What is left to suspect: a valve core under its coupler, ` +
    `seals that hold against a vacuum and leak under pressure, or what was mended.`,
  'lost-less-than-shows': (of, say) => `${lost(of, say)}, less than this hold can show.`,
  'lost-mended': (of, say) => `${lost(of, say)}; mended since, by this hold.`,
  'lost-agrees': (of, say) =>
    `${lost(of, say)}, and the hole found here would lose between ${say.massText(num(of, 'lowG'))} and ${say.massText(num(of, 'highG'))}.`,
  'lost-more-than-found': (of, say) =>
    `${lost(of, say)}, more than the hole found here explains: there is another, or it leaks under pressure only.`,
  'lost-less-than-found': (of, say) =>
    `${lost(of, say)}, less than the hole found here would lose: it is new, or it is in the hoses.`,
}

/** What would show more than a needle that stood still: its error is the same after a night. */
function tellsMore(of: Finding['of'], say: Say): string {
  const [heldS, barometerRead] = [num(of, 'inS'), of.barometerRead === 1]
  const byNight = say.aYear((num(of, 'unseenG') * heldS) / NIGHT_S)
  const barometer = barometerRead ? '' : ', the barometer read at both ends,'
  const night =
    heldS < NIGHT_S / 2
      ? `a night of the same needle${barometer} would show one of about ${byNight}; `
      : barometerRead
        ? ''
        : 'the barometer read at both ends takes the weather out; '
  return `What would tell more: ${night}an electronic gauge sees far less in ten minutes; a charge with dye shows it on the road.`
}

/** What is wrong with a record, in the middle of a sentence; what was said where its figures were not kept. */
export const problemWords = ({ code, of }: Finding, say = USUAL_SAY): string =>
  PROBLEMS[code]?.(of, say) ?? String(of.said ?? code)

/** A reason of a judgement as a sentence, in the reader's units. */
export function reasonWords(finding: Finding, say = USUAL_SAY): string {
  const { of } = finding
  if (of.as === 'noted') return `Noted: ${problemWords(finding, say)}.`
  if (of.as === 'spoils')
    return `The record cannot bear a judgement from ${clock(num(of, 'fromS'))} to ${clock(num(of, 'toS'))}: ${problemWords(finding, say)}.`
  return REASONS[finding.code]?.(of, say) ?? String(of.said ?? finding.code)
}

/** Reasons as the reader says figures; those of a record from before figures were kept are read as they were written. */
export const reasonsIn = (
  judged: { reasons: readonly string[]; findings?: readonly Finding[] | undefined },
  say: Say,
): string[] => judged.findings?.map((f) => reasonWords(f, say)) ?? [...judged.reasons]
