'use client'

import { Check } from 'lucide-react'
import { Checkbox } from 'radix-ui'
import { useId } from 'react'

/** Something that holds or does not. */
export function Tick({
  label,
  checked,
  onChange,
}: {
  label: string
  checked: boolean
  onChange: (checked: boolean) => void
}) {
  const id = useId()
  return (
    <div className="flex min-h-11 items-center gap-3 text-body">
      <Checkbox.Root
        id={id}
        checked={checked}
        onCheckedChange={(state) => onChange(state === true)}
        className={
          'grid size-7 shrink-0 place-items-center rounded border-[2px] border-ink bg-sheet ' +
          'data-[state=checked]:bg-ink data-[state=checked]:text-ground'
        }
      >
        <Checkbox.Indicator>
          <Check size={20} strokeWidth={3} aria-hidden="true" />
        </Checkbox.Indicator>
      </Checkbox.Root>
      <label htmlFor={id} className="cursor-pointer">
        {label}
      </label>
    </div>
  )
}
