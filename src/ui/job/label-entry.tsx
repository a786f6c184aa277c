'use client'

import { massHint } from '../form/entries'
import { Choice, Field } from '../form/field'
import { Sign } from '../form/sign'
import type { NewCarValues } from './new-car-values'

type Props = {
  v: NewCarValues
  errors: Record<string, string>
  warning: string | undefined
  put: <K extends keyof NewCarValues>(key: K, value: NewCarValues[K]) => void
}

/**
 * The label's charge: one figure or range, or a line for each engine or set of evaporators, of which one is this car's.
 */
export function LabelEntry({ v, errors, warning, put }: Props) {
  const change = (i: number, what: 'name' | 'charge', text: string) =>
    put(
      'lines',
      v.lines.map((line, n) => (n === i ? { ...line, [what]: text } : line)),
    )
  return (
    <div className="col-span-full grid grid-cols-3 items-start gap-x-5 gap-y-1.5 max-md:grid-cols-2 max-sm:grid-cols-1">
      <Choice
        label="The label has"
        value={v.several}
        options={[
          { value: 'one', label: 'one charge' },
          { value: 'several', label: 'several lines' },
        ]}
        onChange={(x) => put('several', x)}
      />
      {v.several === 'one' ? (
        <Field
          label="Charge, a figure or a range"
          value={v.charge}
          error={errors.charge}
          onChange={(t) => put('charge', t)}
          {...massHint(v.charge)}
          {...(!v.charge && { hint: 'such as 567 g, 530-560 g, 20 oz or 1 lb 4' })}
        />
      ) : (
        <div className="col-span-2 max-sm:col-span-1">
          {v.lines.map((line, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a line of the label is its place on it
            <div key={i} className="grid grid-cols-[112px_1fr_1fr] gap-x-3 max-sm:grid-cols-1">
              <label
                className={`mt-7 flex min-h-[46px] self-start items-center gap-2 text-[16px] max-sm:mt-1 ${v.picked === i ? 'font-semibold' : ''}`}
              >
                <input
                  type="radio"
                  name="line"
                  className="size-5 accent-(--ink)"
                  checked={v.picked === i}
                  onChange={() => put('picked', i)}
                />
                this car’s
              </label>
              <Field
                label={`Line ${i + 1} is for`}
                value={line.name}
                error={errors[`line${i}`]}
                onChange={(t) => change(i, 'name', t)}
                placeholder={i === 0 ? 'front only' : 'front and rear'}
              />
              <Field
                label={`Charge of line ${i + 1}`}
                value={line.charge}
                error={errors[`charge${i}`]}
                onChange={(t) => change(i, 'charge', t)}
                {...massHint(line.charge)}
              />
            </div>
          ))}
          {v.lines.length < 6 && (
            <button
              type="button"
              className="plain-button text-[16px]"
              onClick={() => put('lines', [...v.lines, { name: '', charge: '' }])}
            >
              Another line
            </button>
          )}
          {warning && (
            <p className="mt-1 text-[16px] font-medium text-caution">
              <Sign kind="caution" />
              {warning}
            </p>
          )}
        </div>
      )}
    </div>
  )
}
