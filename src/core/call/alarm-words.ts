import { W } from '../language/call/alarm-words'
import { alarmKind } from './hurries'

/** What an alarm was about, by the first word of its id. */
const WORDS: Record<string, string> = {
  target: W.targetReached,
  verdict: W.holdDecided,
  runaway: W.pressureRunningAway,
  silent: W.gaugeSilent,
  'scale-silent': W.scaleSilent,
  back: W.timeToComeBack,
  read: W.aReadingIsDue,
  pressure: W.aSideOutOfIts,
  past: W.weightPastItsStop,
  moved: W.itEndsAtAnotherTime,
}
export const alarmWords = (id: string): string => WORDS[alarmKind(id)] ?? id
