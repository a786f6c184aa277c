import { unanswered } from '@/core/call/alarms'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/alarms'
import type { Rung } from '@/core/views'
import { Fold } from '../form/fold'

/** What rang on this car, and who answered it when. */
export function RangList({
  rung,
  state,
  nowMs,
  clock,
}: {
  rung: readonly Rung[]
  state: JobState
  nowMs: number
  clock: (ms: number) => string
}) {
  if (rung.length === 0) return null
  const open = unanswered(state, rung, nowMs).length
  return (
    <Fold title={W.whatRang(rung.length, open > 0 ? W.notAnswered(open) : '')} className="mt-3">
      <ul aria-label={W.whatRang2}>
        {rung.map(({ id, sentence, at }) => (
          <li key={id} className="grid grid-cols-[60px_1fr_auto] gap-3 border-t border-rule py-1.5 text-body">
            <span className="font-medium">{clock(Date.parse(at))}</span>
            <span>{sentence}</span>
            <span className="text-right text-ink-2">{answerWords(state.alarms[id], clock)}</span>
          </li>
        ))}
      </ul>
    </Fold>
  )
}

function answerWords(answer: JobState['alarms'][string] | undefined, clock: (ms: number) => string): string {
  if (!answer) return W.nobodyAnswered
  const put = answer.untilMs === null ? W.seen2 : W.putOffUntil(clock(answer.untilMs))
  return W.byWord(put, answer.by, clock(Date.parse(answer.at)))
}
