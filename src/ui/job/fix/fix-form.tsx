'use client'

import { RENEWED } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { oilWords } from '@/core/shop/oil'
import { RENEWED_WORDS } from '@/core/words/renewed'
import { Field } from '../../form/field'
import { Sign } from '../../form/sign'
import { useField } from '../forms/fields'
import { useForms } from '../forms/forms'
import { knownOil } from './fix-definition'

/** What was renewed, how long it stood open, and the oil that is owed for it. */
export function FixForm({ state }: { state: JobState }) {
  const { values, change } = useForms()
  const { car, label } = state.opened
  return (
    <div className="max-w-[820px]">
      <fieldset>
        <legend className="text-small font-medium">Renewed: tap once for each</legend>
        <div className="mt-1 grid grid-cols-3 gap-1.5 max-sm:grid-cols-2">
          {RENEWED.map((what) => {
            const count = Number(values[what] ?? 0)
            return (
              <div
                key={what}
                className={`flex min-h-[52px] items-stretch rounded border-[1.5px] ${count > 0 ? 'border-ink bg-deep' : 'border-rule-2 bg-sheet'}`}
              >
                <button
                  type="button"
                  className="flex-1 px-3 text-left text-body"
                  onClick={() => change(what, String(count + 1))}
                  aria-label={`${RENEWED_WORDS[what]}, ${count} renewed, one more`}
                >
                  {RENEWED_WORDS[what]} {count > 0 && <b className="font-semibold">×{count}</b>}
                </button>
                {count > 0 && (
                  <button
                    type="button"
                    className="w-11 border-l border-ink text-head"
                    onClick={() => change(what, String(count - 1))}
                    aria-label={`${RENEWED_WORDS[what]}, one less`}
                  >
                    −
                  </button>
                )}
              </div>
            )
          })}
        </div>
      </fieldset>
      <div className="mt-4 grid grid-cols-3 gap-5 max-sm:grid-cols-1">
        <Field label="Open for, hours" {...useField('openHours')} inputMode="decimal" />
        <Field
          label="Oil owed, mL"
          {...useField('oilMl')}
          inputMode="decimal"
          hint={oilWords(RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })))}
        />
        <Field label="Because of" {...useField('oilReason')} placeholder="part, or oil seen lost" />
      </div>
      {knownOil(state) ? (
        <p className="text-small">Oil by the label: {label.oilKind}. Never added without a reason.</p>
      ) : (
        <LabelOil />
      )}
      {car.hybrid && (
        <p className="text-small font-medium text-caution">
          <Sign kind="caution" />
          Hybrid: its compressor takes only the maker’s non-conducting oil; any other can put the car’s high voltage on
          its housing.
        </p>
      )}
    </div>
  )
}

/** The oil the label names, asked here because it was not at the door. */
function LabelOil() {
  return (
    <div className="grid grid-cols-3 gap-x-5 max-sm:grid-cols-1">
      <Field
        label="Oil by the label"
        {...useField('oilKind')}
        placeholder="PAG 46"
        hint="may be left out; oil is never added without a reason"
      />
      <Field label="Its amount, mL" {...useField('labelOilMl')} inputMode="decimal" />
    </div>
  )
}
