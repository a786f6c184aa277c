'use client'

import type { FormEventHandler, ReactNode } from 'react'
import { W } from '@/core/language/screen/shop'
import { Refused } from '../form/refused'

/** What a row says when something typed cannot be taken. */
export const NOT_SAVED = W.notSavedSeeTheMarked

type Props = {
  children: ReactNode
  name: string
  onSubmit: FormEventHandler
  said: string
  busy: boolean
  /** leaves it as it was; none where there is nothing to go back to */
  onLeave?: (() => void) | undefined
}

/** One thing of the shop that is being changed: its fields, its Save, and what became of it. */
export function EditRow({ children, name, onSubmit, said, busy, onLeave }: Props) {
  return (
    <form
      onSubmit={onSubmit}
      noValidate
      aria-label={name}
      className={
        'grid grid-cols-[1fr_140px] items-start gap-5 rounded border-[1.5px] border-ink bg-sheet p-4 ' +
        'max-sm:grid-cols-1'
      }
    >
      <div className="grid grid-cols-4 gap-x-4 max-md:grid-cols-2 max-sm:grid-cols-1">{children}</div>
      <div className="space-y-2 pt-7">
        <button type="submit" className="plain-button w-full" disabled={busy}>
          {W.save}
        </button>
        {onLeave && (
          <button type="button" className="plain-button w-full text-small" onClick={onLeave}>
            {W.leaveIt}
          </button>
        )}
        <Refused>{said}</Refused>
      </div>
    </form>
  )
}
