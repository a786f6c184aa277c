import { W } from '../language/hold/reason-words'
import { DAY_S, PA_PER_INHG } from '../units/constants'
import { type Say, USUAL_SAY } from '../units/say'
import type { Finding } from './finding'

/** A night of the same needle, s. */
const NIGHT_S = DAY_S / 2

const num = (of: Finding['of'], name: string): number => Number(of[name] ?? Number.NaN)
const spanWords = (s: number): string => {
  const minutes = Math.round(s / 60)
  return minutes < 180 ? W.minutes(minutes) : W.hours(Number((s / 3600).toFixed(1)))
}
const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`

/** How far it moved in which time; a needle knows no micron. */
function moved(of: Finding['of'], say: Say): string {
  const byPa = num(of, 'byPa')
  const by = of.needle ? W.inhg((Math.abs(byPa) / PA_PER_INHG).toFixed(1)) : say.moved(byPa)
  return W.itIn(byPa >= 0 ? W.rose : W.fell, by, spanWords(num(of, 'inS')))
}
const stays = (of: Finding['of'], say: Say): string =>
  of.needle ? W.inhgAnHour(((num(of, 'risePaS') / PA_PER_INHG) * 3600).toFixed(1)) : say.rate(num(of, 'risePaS'))
const way = (of: Finding['of']): string => (num(of, 'byPa') > 0 ? 'up' : 'down')
const lost = (of: Finding['of'], say: Say): string => W.itLostAbout(say.aYearPlain(num(of, 'lostG')))

/** What may be wrong with a record, in the middle of a sentence. */
const PROBLEMS: Record<string, (of: Finding['of'], say: Say) => string> = {
  'isolated-late': () => W.fallingAsUnderAPump,
  'valve-gas': (of, say) => W.theClosingValveSOwn(say.moved(num(of, 'byPa')), way(of)),
  jump: (of, say) => W.aJumpOfAsFrom(say.moved(num(of, 'byPa')), way(of)),
  'over-range': (of, say) => W.overTheGaugeSRange(say.vacuum(num(of, 'limitPa'))),
  gap: (of) => W.noReadingsForMinutes(Math.round(num(of, 'gapS') / 60)),
  'no-shape': () => W.theReadingsFollowNoShape,
}

/** Every reason of a judgement, from its figures. */
const REASONS: Record<string, (of: Finding['of'], say: Say) => string> = {
  'no-more-than-gauge-and-gas': (of, say) => W.whichIsNoMoreThan(moved(of, say)),
  bends: (of, say) => W.bendingTowardALevelWater(moved(of, say)),
  straight: (of, say) => W.asStraightAsARuler(moved(of, say), stays(of, say)),
  'bends-and-stays': (of, say) => W.itBendsAtFirstAnd(moved(of, say), stays(of, say)),
  'bends-leak-open': (of, say) => W.andItBendsWaterWhether(moved(of, say)),
  'several-fit': (of, say) => W.moreThanOneShapeStill(moved(of, say)),
  stands: (of) =>
    (of.leaks === 1 ? W.leakFoundAfter : W.foundAfterWhatWasRead)(
      spanWords(num(of, 'sinceS')),
      Math.round(100 * num(of, 'leak')),
    ),
  'needle-still': (of, say) => W.theNeedleDidNotMove(spanWords(num(of, 'inS')), say.aYear(num(of, 'unseenG'))),
  'needle-tells-more': tellsMore,
  'too-few': () => W.tooFewReadingsYetThe,
  'lost-not-said-yet': (of, say) => W.thisHoldHasNotSaid(lost(of, say)),
  'lost-would-have-shown': (of, say) => W.andThisHoldWouldHave(lost(of, say)),
  'lost-less-than-shows': (of, say) => W.lessThanThisHoldCan(lost(of, say)),
  'lost-mended': (of, say) => W.mendedSinceByThisHold(lost(of, say)),
  'lost-agrees': (of, say) =>
    W.andTheHoleFoundHere(lost(of, say), say.massText(num(of, 'lowG')), say.massText(num(of, 'highG'))),
  'lost-more-than-found': (of, say) => W.moreThanTheHoleFound(lost(of, say)),
  'lost-less-than-found': (of, say) => W.lessThanTheHoleFound(lost(of, say)),
}

/** What would show more than a needle that stood still: its error is the same after a night. */
function tellsMore(of: Finding['of'], say: Say): string {
  const [heldS, barometerRead] = [num(of, 'inS'), of.barometerRead === 1]
  const byNight = say.aYear((num(of, 'unseenG') * heldS) / NIGHT_S)
  const barometer = barometerRead ? '' : W.theBarometerReadAtBoth
  const night =
    heldS < NIGHT_S / 2 ? W.aNightOfTheSame(barometer, byNight) : barometerRead ? '' : W.theBarometerReadAtBothEnds
  return W.whatWouldTellMoreAn(night)
}

/** What is wrong with a record, in the middle of a sentence; what was said where its figures were not kept. */
export const problemWords = ({ code, of }: Finding, say = USUAL_SAY): string =>
  PROBLEMS[code]?.(of, say) ?? String(of.said ?? code)

/** A reason of a judgement as a sentence, in the reader's units. */
export function reasonWords(finding: Finding, say = USUAL_SAY): string {
  const { of } = finding
  if (of.as === 'noted') return W.noted(problemWords(finding, say))
  if (of.as === 'spoils')
    return W.theRecordCannotBearA(clock(num(of, 'fromS')), clock(num(of, 'toS')), problemWords(finding, say))
  return REASONS[finding.code]?.(of, say) ?? String(of.said ?? finding.code)
}

/**
 * Reasons as the reader says figures; those of a record from before figures were kept are read as they were written.
 */
export const reasonsIn = (
  judged: { reasons: readonly string[]; findings?: readonly Finding[] | undefined },
  say: Say,
): string[] => judged.findings?.map((f) => reasonWords(f, say)) ?? [...judged.reasons]
