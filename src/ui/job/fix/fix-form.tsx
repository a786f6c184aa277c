'use client'

import { OIL_WAYS, RENEWED } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
import { oilWords } from '@/core/shop/oil'
import { UNIT_WORDS } from '@/core/units/shown'
import { OIL_WAY_TELLS, OIL_WAY_WORDS } from '@/core/words/oil-ways'
import { RENEWED_WORDS } from '@/core/words/renewed'
import { oilHint } from '../../form/entries'
import { Choice, Field } from '../../form/field'
import { Sign } from '../../form/sign'
import { useUnits } from '../../units'
import { MassField, useField } from '../forms/fields'
import { useForms } from '../forms/forms'
import { knownOil } from './fix-definition'

/** What was renewed, how long it stood open, and the oil that is owed for it. */
export function FixForm({ state }: { state: JobState }) {
  const { values, change } = useForms()
  const units = useUnits()
  const { car, label } = state.opened
  return (
    <div className="max-w-[820px]">
      <fieldset>
        <legend className="text-small font-medium">{W.renewedTapOnceForEach}</legend>
        <div className="mt-1 grid grid-cols-3 gap-1.5 max-sm:grid-cols-2">
          {RENEWED.map((what) => {
            const count = Number(values[what] ?? 0)
            return (
              <div
                key={what}
                className={
                  `flex min-h-[52px] items-stretch rounded border-[1.5px] ` +
                  `${count > 0 ? 'border-ink bg-deep' : 'border-rule-2 bg-sheet'}`
                }
              >
                <button
                  type="button"
                  className="flex-1 px-3 text-left text-body"
                  onClick={() => change(what, String(count + 1))}
                  aria-label={W.renewedOneMore(RENEWED_WORDS[what], count)}
                >
                  {RENEWED_WORDS[what]} {count > 0 && <b className="font-semibold">×{count}</b>}
                </button>
                {count > 0 && (
                  <button
                    type="button"
                    className="w-11 border-l border-ink text-head"
                    onClick={() => change(what, String(count - 1))}
                    aria-label={W.oneLess(RENEWED_WORDS[what])}
                  >
                    −
                  </button>
                )}
              </div>
            )
          })}
        </div>
      </fieldset>
      {Number(values['core-small'] ?? 0) + Number(values['core-large'] ?? 0) > 0 && <PortSizes />}
      <div className="mt-4 grid grid-cols-3 gap-5 max-sm:grid-cols-1">
        <Field label={W.openForHours} {...useField('openHours')} inputMode="decimal" />
        <Field
          label={W.oilOwed(UNIT_WORDS[units.oil])}
          {...useField('oilMl')}
          inputMode="decimal"
          hint={
            oilHint(values.oilMl ?? '', units) ??
            oilWords(RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })))
          }
        />
        <Field label={W.becauseOf} {...useField('oilReason')} placeholder={W.partOrOilSeenLost} />
      </div>
      {Number.parseFloat(values.oilMl ?? '0') > 0 && <OilIn renewed={Number(values.compressor ?? 0) > 0} />}
      {knownOil(state) ? <p className="text-small">{W.oilByTheLabel3(label.oilKind)}</p> : <LabelOil />}
      {car.hybrid && (
        <p className="text-small font-medium text-caution">
          <Sign kind="caution" />
          {W.hybridItsCompressorTakesOnly}
        </p>
      )}
    </div>
  )
}

/** The size each port takes, asked once a core was renewed: the wrong one seals on nothing. */
function PortSizes() {
  const { values, change } = useForms()
  const sizes = [
    { value: '', label: W.notLooked },
    { value: 'small', label: W.small },
    { value: 'large', label: W.large },
  ]
  return (
    <div className="mt-3 flex flex-wrap gap-x-8 gap-y-2">
      <Choice
        label={W.theLowPortTakes}
        value={values.portLow ?? ''}
        options={sizes}
        onChange={(v) => change('portLow', v)}
      />
      <Choice
        label={W.theHighPortTakes}
        value={values.portHigh ?? ''}
        options={sizes}
        onChange={(v) => change('portHigh', v)}
      />
    </div>
  )
}

/** How owed oil goes in, asked once there is some: what was drained, and what else came with it. */
function OilIn({ renewed }: { renewed: boolean }) {
  const { values, change } = useForms()
  const units = useUnits()
  const drained = useField('drained')
  const way = OIL_WAYS.find((w) => w === values.oilWay) ?? 'into-part'
  return (
    <div className="mt-2">
      <Choice
        label={W.howTheOilGoesIn}
        value={way}
        options={OIL_WAYS.map((w) => ({ value: w, label: OIL_WAY_WORDS[w] }))}
        onChange={(w) => change('oilWay', w)}
      />
      <p className="mt-1 text-small leading-snug">{OIL_WAY_TELLS[way]}</p>
      <div className="mt-2 grid grid-cols-3 gap-x-5 max-sm:grid-cols-1">
        {renewed && (
          <Field
            label={W.drainedOfTheOldCompressor(UNIT_WORDS[units.oil])}
            {...drained}
            inputMode="decimal"
            hint={W.theNewOneGetsAs}
          />
        )}
        {way === 'can' && <MassField name="oilCan" label={W.refrigerantInThatCan} hint={W.suchAs60GOr} />}
      </div>
    </div>
  )
}

/** The oil the label names, asked here because it was not at the door. */
function LabelOil() {
  const units = useUnits()
  const amount = useField('labelOilMl')
  return (
    <div className="grid grid-cols-3 gap-x-5 max-sm:grid-cols-1">
      <Field label={W.oilByTheLabel2} {...useField('oilKind')} placeholder={W.pag46} hint={W.mayBeLeftOutOil} />
      <Field
        label={W.itsAmount(UNIT_WORDS[units.oil])}
        {...amount}
        inputMode="decimal"
        hint={oilHint(amount.value, units) ?? W.orFlOz}
      />
    </div>
  )
}
