import type { Live } from '@/core/call/types'
import { EVEN_PRIORS, storyPriors } from '@/core/hold/context'
import { historyAgainst } from '@/core/hold/history'
import { lossOf } from '@/core/hold/loss'
import { reasonWords } from '@/core/hold/reason-words'
import { currentHold, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-hold'
import type { RuleSaid } from '@/core/schools/rules'
import { chanceWords } from '@/core/units/chance'
import { useSay } from '../../units'
import type { Deeds } from '../use-deeds'
import { RulesTable } from './rules-table'

type Props = { state: JobState; live: Live; rules: RuleSaid[] | undefined; deeds: Deeds; clock: (ms: number) => string }

/** Beside the verdict: what was presumed, what the history says, and what people's simple rules would have said. */
export function HoldStands({ state, live, rules, deeds, clock }: Props) {
  const hold = currentHold(state)
  if (!hold) return null
  const isolatedMs = Date.parse(hold.isolatedAt)
  return (
    <section
      aria-label={W.howTheHoldIsJudged}
      className={
        'mt-3 grid grid-cols-[minmax(0,1fr)_minmax(0,1.5fr)] gap-7 border-t border-rule pt-2 text-small ' +
        'max-sm:grid-cols-1'
      }
    >
      <div>
        <Presumed state={state} deeds={deeds} running={!hold.ended} />
        <History state={state} live={live} />
      </div>
      {rules && <RulesTable rules={rules} volumeL={state.opened.volumeL} when={(s) => clock(isolatedMs + s * 1000)} />}
    </section>
  )
}

function Presumed({ state, deeds, running }: { state: JobState; deeds: Deeds; running: boolean }) {
  const even = state.priors === 'even'
  const { leak, damp } = even ? EVEN_PRIORS : storyPriors(state)
  return (
    <>
      <h3 className="font-semibold">{W.presumedBeforeAnyReading}</h3>
      <p>
        {W.leakWater(chanceWords(leak), chanceWords(damp), even ? W.nothingFromTheStory : W.fromTheJobsStoryAssumed)}
      </p>
      {running && (
        <button
          type="button"
          disabled={deeds.busy}
          className="plain-button mt-1.5 text-small"
          onClick={() => deeds.record([{ kind: 'priors-set', payload: { use: even ? 'story' : 'even' } }])}
        >
          {even ? W.letTheStoryWeighIn : W.presumeNothing}
        </button>
      )}
    </>
  )
}

function History({ state, live }: { state: JobState; live: Live }) {
  const say = useSay()
  const loss = lossOf(state)
  const agreement = live.judgement && loss ? historyAgainst(live.judgement, loss.grams, loss.days) : null
  if (!agreement) return null
  return (
    <div className="mt-3">
      <h3 className="font-semibold">
        {agreement.says === 'agree'
          ? W.historyAndHoldAgree
          : agreement.says === 'not-both'
            ? W.bothCannotBeTrue
            : W.theCarsHistory}
      </h3>
      <p>{reasonWords(agreement.finding, say)}</p>
    </div>
  )
}
