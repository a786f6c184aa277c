'use client'

import { planCharge } from '@/core/charge/plan'
import { chargeInputOf } from '@/core/charge/plan-for-job'
import { massWords, workingOf } from '@/core/charge/working'
import { LABEL_REFRIGERANTS } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { WAY_WORDS, WAYS } from '@/core/job/ways'
import { W } from '@/core/language/screen/job-charge'
import { GRAMS_PER_OUNCE } from '@/core/units/constants'
import { Choice, Field } from '../../form/field'
import { Fold } from '../../form/fold'
import { Pick } from '../../form/pick'
import { Sign } from '../../form/sign'
import { useUnits } from '../../units'
import { Strong, slot, Worded } from '../../worded'
import { MassField, useField } from '../forms/fields'
import { Collector } from '../forms/form-types'
import { useForms } from '../forms/forms'
import { MOST_CONTAINERS, readChoices, readContainers, shownContainers } from './plan-definition'

/**
 * What stands on the scale, in the order it is used; how it is let in behind a fold; and the stops, worked out as one
 * types.
 */
export function PlanForm({ state }: { state: JobState }) {
  const { values, change } = useForms()
  const shown = shownContainers(values)
  return (
    <div className="space-y-3">
      {Array.from({ length: shown }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a container's place in the order is what it is
        <ContainerFields key={i} n={i + 1} refrigerant={state.opened.label.refrigerant} />
      ))}
      {shown < MOST_CONTAINERS && (
        <button type="button" className="plain-button" onClick={() => change('shown', String(shown + 1))}>
          {W.anotherContainer}
        </button>
      )}
      <HowItGoesIn state={state} />
      <Preview state={state} />
    </div>
  )
}

function ContainerFields({ n, refrigerant }: { n: number; refrigerant: string }) {
  const { values, errors, change, stock } = useForms()
  const fitting = stock.filter((s) => s.grossG - s.tareG > 1)
  const take = (id: string) => {
    const item = fitting.find((s) => s.id === id)
    change(W.stock(n), id)
    if (!item) return
    change(W.name2(n), item.name)
    change(W.holds(n), item.refrigerant)
    change(W.kind(n), item.kind)
    change(W.gross(n), `${item.grossG} g`)
    change(W.second(n), `${item.kind === 'can' ? item.grossG - item.tareG : item.tareG} g`)
  }
  const kind = values[`kind${n}`] === 'cylinder' ? 'cylinder' : 'can'
  const options = [
    { value: 'can', label: W.fullCan },
    { value: 'cylinder', label: W.cylinderOrPartlyUsed },
  ] as const
  const shelf = {
    '': W.oneNotOnTheShelf,
    ...Object.fromEntries(fitting.map((s) => [s.id, W.gLeft(s.name, s.refrigerant, Math.round(s.grossG - s.tareG))])),
  }
  const holds = values[`holds${n}`] || refrigerant
  return (
    <fieldset
      className={
        'grid grid-cols-[34px_1fr_1fr] gap-x-4 border-t border-rule pt-2 first:border-t-0 first:pt-0 ' +
        'max-sm:grid-cols-1'
      }
    >
      <legend className="sr-only">{W.container3(n)}</legend>
      <b aria-hidden="true" className="figure row-span-2 pt-5 text-fig-s font-semibold max-sm:hidden">
        {n}
      </b>
      <div
        className={
          'col-span-2 grid grid-cols-[1fr_130px_auto] items-start gap-x-4 max-sm:col-span-1 ' + 'max-sm:grid-cols-1'
        }
      >
        <Pick
          label={n === 1 ? W.fromTheShelf : W.containerFromTheShelf(n)}
          value={values[`stock${n}`] ?? ''}
          options={shelf}
          onPick={take}
        />
        <div>
          <Pick
            label={W.itHolds}
            value={holds}
            options={Object.fromEntries(LABEL_REFRIGERANTS.map((r) => [r, r]))}
            onPick={(r) => change(W.holds(n), r)}
          />
        </div>
        <Choice label={W.containerIsA(n)} value={kind} options={options} onChange={(v) => change(W.kind(n), v)} />
        {(errors[`holds${n}`] ?? holds !== refrigerant) && (
          <p role="alert" className="col-span-full mt-1 text-small font-medium text-leak">
            <Sign kind="fault" />
            {errors[`holds${n}`] ?? W.theCarsLabelAsksFor(refrigerant)}
          </p>
        )}
      </div>
      <MassField name={`gross${n}`} label={W.grossOfContainerAsWeighed(n)} hint={W.suchAs472GOr} />
      <MassField
        name={`second${n}`}
        label={kind === 'can' ? W.netOfContainerFromIts(n) : W.emptyWeightOfContainer(n)}
        hint={kind === 'can' ? W.suchAs340GOr : W.suchAs3410G}
      />
    </fieldset>
  )
}

/** Target, school, hose and purges: what was chosen in a line, the fields behind it. */
function HowItGoesIn({ state }: { state: JobState }) {
  const { values, errors, change } = useForms()
  const way = WAYS.find((w) => w === values.way) ?? 'vapour-low'
  const wrong = ['target', 'reason', 'bore', 'length', 'purge'].some((field) => errors[field])
  return (
    <Fold
      className="border-t border-rule text-small"
      open={wrong || undefined}
      title={
        <span className="text-small font-normal">
          <Worded
            words={W.howItGoesIn(
              slot('target'),
              WAY_WORDS[way].name,
              values.bore ?? '',
              values.length ?? '',
              values.end === 'full' ? W.takenOffFull : W.drawnDown,
              values.purge ?? '',
              values.change === 'shut' ? W.once : W.atEachChange,
            )}
            target={<Strong>{values.target}</Strong>}
          />{' '}
          <span className="underline underline-offset-4">{W.change}</span>
        </span>
      }
    >
      <div className="grid grid-cols-2 gap-x-5 gap-y-2 pb-2 max-sm:grid-cols-1">
        <MassField name="target" label={W.intoTheCar} />
        <Field label={W.whyNotTheLabels} {...useField('reason')} placeholder={W.bulletinRetrofitAnotherCompressor} />
        <div className="col-span-full">
          <Choice
            label={W.howItIsLetIn}
            value={way}
            options={WAYS.map((w) => ({ value: w, label: WAY_WORDS[w].name }))}
            onChange={(w) => change('way', w)}
          />
          <p className="mt-1 max-w-[760px] leading-snug">{WAY_WORDS[way].how}</p>
          {WAY_WORDS[way].phase === 'liquid' && (
            <p className="font-medium text-caution">
              <Sign kind="caution" />
              {WAY_WORDS[way].watch[0]}
            </p>
          )}
        </div>
        <Field label={W.chargingHoseBoreInMm} {...useField('bore')} inputMode="decimal" hint={W.n14InIs4} />
        <Field label={W.chargingHoseLengthInM} {...useField('length')} inputMode="decimal" />
        <Choice
          label={W.atTheEndTheHose}
          value={values.end === 'full' ? 'full' : 'drawn'}
          options={[
            { value: 'drawn', label: W.drawnDownIntoTheLow },
            { value: 'full', label: W.shutAndTakenOffFull },
          ]}
          onChange={(v) => change('end', v)}
        />
        <Choice
          label={W.atAChangeOfContainer}
          value={values.change === 'shut' ? 'shut' : 'purged'}
          options={[
            { value: 'purged', label: W.purgedAgain },
            { value: 'shut', label: W.theHoseStaysShut },
          ]}
          onChange={(v) => change('change', v)}
        />
        <Choice
          label={W.forTheChargeTheManifold}
          value={values.line === 'single-hose' && way === 'vapour-low' ? 'single-hose' : 'rig-stays'}
          options={[
            { value: 'rig-stays', label: W.staysOn },
            ...(way === 'vapour-low' ? [{ value: 'single-hose', label: W.comesOffOneHoseOn }] : []),
          ]}
          onChange={(v) => change('line', v)}
        />
        <MassField name="purge" label={W.onePurge} hint={W.smallPurgesAreCommonlyExempt} />
      </div>
      <p className="pb-1 text-note text-ink-2">
        {W.theAirHereIs2((state.opened.place.barometerPa / 1000).toFixed(1))}{' '}
        {W.cAssumedAsThe(state.opened.place.ambientC)}
      </p>
    </Fold>
  )
}

/** A cell with a weight in both units, the ounces below. */
function Weight({ grams, bold = false }: { grams: number; bold?: boolean }) {
  return (
    <td className="pb-1 text-right">
      <span className={bold ? 'font-semibold' : ''}>{grams.toFixed(0)} g</span>
      <span className="block text-note leading-tight text-ink-2">{W.oz2((grams / GRAMS_PER_OUNCE).toFixed(1))}</span>
    </td>
  )
}

/** The plan worked out as one types, line by line, so that it can be checked by hand. */
function Preview({ state }: { state: JobState }) {
  const { values } = useForms()
  const units = useUnits()
  const c = new Collector()
  const containers = readContainers(values, state, c, units)
  const choices = readChoices(values, state, c, units)
  if (Object.keys(c.errors).length > 0)
    return <p className="border-t border-rule pt-2 text-small text-ink-2">{W.theStopWeightsAppearHere}</p>
  const input = chargeInputOf(state, containers, choices)
  const plan = planCharge(input)
  const [low, high] = plan.bandG.map((g) => massWords(g)) as [string, string]
  return (
    <div className="border-t border-rule pt-2 text-body">
      <table className="w-full max-w-[820px]">
        <thead className="text-left text-note text-ink-2">
          <tr>
            <th className="font-medium">{W.container2}</th>
            <th className="text-right font-medium">{W.onAt}</th>
            <th className="text-right font-medium">{W.stopAt}</th>
            <th className="text-right font-medium">{W.taken}</th>
            <th className="text-right font-medium">{W.ofItPurged}</th>
            <th className="text-right font-medium">{W.inTheCar2}</th>
          </tr>
        </thead>
        <tbody>
          {plan.steps.map((s, i) => {
            const sum = plan.steps.slice(0, i + 1).reduce((g, x) => g + x.takenG - x.purgeG, 0) - plan.hoseHoldUpG
            return (
              <tr key={s.id} className="align-top">
                <td>{s.emptied ? W.toItsHeel(s.id) : s.id}</td>
                <Weight grams={s.startGrossG} />
                <Weight grams={s.stopGrossG} bold />
                <Weight grams={s.takenG} />
                <Weight grams={s.purgeG} />
                <Weight grams={Math.max(0, sum)} />
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="mt-1">
        <Worded
          words={
            plan.meetsTolerance
              ? W.intoTheCarWithin(slot('grams'), low, high, input.toleranceG.toFixed(0))
              : W.intoTheCar2(slot('grams'), low, high)
          }
          grams={<Strong>{massWords(plan.deliveredG)}</Strong>}
        />
      </p>
      <Fold title={W.howItIsWorkedOut} className="mt-1 text-small text-ink-2">
        <ol className="space-y-0.5">
          {workingOf(input, plan).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      </Fold>
      {plan.warnings.map((w) => (
        <p key={w} className="font-medium text-caution">
          <Sign kind="caution" />
          {w}
        </p>
      ))}
    </div>
  )
}
