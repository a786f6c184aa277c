'use client'

import { type ReactNode, useSyncExternalStore } from 'react'

const never = () => () => {}

/**
 * Entries and buttons that answer only once the page can keep what is chosen: on a slow phone a rig picked in the first
 * moment fell back to the one before, without a word.
 */
export function OnceAwake({ children }: { children: ReactNode }) {
  const awake = useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
  return (
    <fieldset disabled={!awake} className="contents">
      {children}
    </fieldset>
  )
}
