import { gramsWords } from '@/core/call/hold'
import type { Live } from '@/core/call/types'
import { EVEN_PRIORS, storyPriors } from '@/core/hold/context'
import { historyAgainst } from '@/core/hold/history'
import type { RuleSaid } from '@/core/hold/schools'
import { currentHold, type JobState } from '@/core/procedure/state'
import type { Deeds } from './use-deeds'

type Props = { state: JobState; live: Live; rules: RuleSaid[] | undefined; deeds: Deeds; clock: (ms: number) => string }

const percent = (share: number): string => `${Math.round(100 * share)} %`
const SAYS = { passes: 'passes it', fails: 'fails it', 'not yet': 'not yet' } as const

/** Beside the verdict: what was presumed, what the history says, and what people's simple rules would have said. */
export function HoldStands({ state, live, rules, deeds, clock }: Props) {
  const hold = currentHold(state)
  if (!hold) return null
  const isolatedMs = Date.parse(hold.isolatedAt)
  return (
    <section aria-label="How the hold is judged" className="mt-3 grid grid-cols-[minmax(0,1fr)_minmax(0,1.5fr)] gap-7 border-t border-rule pt-2 text-[16px] max-sm:grid-cols-1">
      <div>
        <Presumed state={state} deeds={deeds} running={!hold.ended} />
        <History state={state} live={live} />
      </div>
      {rules && rules.length > 0 && (
        <div>
          <h3 className="font-semibold">What simple rules say of it</h3>
          <table className="w-full">
            <thead className="text-left text-[15px] text-ink-2">
              <tr>
                <th className="font-medium">rule</th>
                <th className="font-medium">says</th>
                <th className="text-right font-medium">lets through, g a year</th>
              </tr>
            </thead>
            <tbody>
              {rules.map((r) => (
                <tr key={r.rule} className="border-t border-rule align-top">
                  <td className="pr-3">{r.rule}</td>
                  <td className="pr-3 whitespace-nowrap">
                    {SAYS[r.says]}
                    {r.says !== 'not yet' && r.atS !== null && `, ${clock(isolatedMs + r.atS * 1000)}`}
                  </td>
                  <td className="text-right">{gramsWords(r.letsThrough.high)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-[15px] text-ink-2">The leak each would miss on {state.opened.volumeL} L, worst case. The verdict above is not made by them.</p>
        </div>
      )}
    </section>
  )
}

function Presumed({ state, deeds, running }: { state: JobState; deeds: Deeds; running: boolean }) {
  const even = state.priors === 'even'
  const { leak, damp } = even ? EVEN_PRIORS : storyPriors(state)
  return (
    <>
      <h3 className="font-semibold">Presumed before any reading</h3>
      <p>
        leak {percent(leak)}, water {percent(damp)}, {even ? 'nothing from the story' : 'from the job’s story, assumed'}
      </p>
      {running && (
        <button
          type="button"
          disabled={deeds.busy}
          className="plain-button mt-1.5 text-[16px]"
          onClick={() => deeds.record([{ kind: 'priors-set', payload: { use: even ? 'story' : 'even' } }])}
        >
          {even ? 'Let the story weigh in' : 'Presume nothing'}
        </button>
      )}
    </>
  )
}

function History({ state, live }: { state: JobState; live: Live }) {
  const { daysSinceCharge, lastChargeG } = state.opened.history
  const lost = lastChargeG === null || state.recoveredG === undefined ? null : Math.max(0, lastChargeG - state.recoveredG)
  const agreement = live.judgement ? historyAgainst(live.judgement, lost, daysSinceCharge) : null
  if (!agreement) return null
  return (
    <div className="mt-3">
      <h3 className="font-semibold">{agreement.says === 'agree' ? 'History and hold agree' : agreement.says === 'not-both' ? 'Both cannot be true' : 'The car’s history'}</h3>
      <p>{agreement.words}</p>
    </div>
  )
}
