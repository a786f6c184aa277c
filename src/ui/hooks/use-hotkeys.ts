'use client'

import { useRef } from 'react'
import { useHotkeys as useKeys } from 'react-hotkeys-hook'
import { W } from '@/core/language/screen/hooks'

/** Where keys belong to what is typed, or to the dialog that is open. */
const TYPING = W.inputTextareaSelectRoleDialog

/** Keys that act while nobody types into a field; names in lower case. */
export function useHotkeys(keys: Record<string, () => void>): void {
  const current = useRef(keys)
  current.current = keys
  useKeys(
    '*',
    (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || (event.target as HTMLElement).closest(TYPING)) return
      const act = current.current[event.key.toLowerCase()]
      if (!act) return
      event.preventDefault()
      act()
    },
    // which keys there are changes with the call: they are looked up when one is pressed
    { useKey: true },
  )
}
