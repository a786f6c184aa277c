'use client'

import { Tooltip } from 'radix-ui'
import type { ReactElement } from 'react'

/** What a mark means, for a pointer that rests on it; never the only place it is said. */
export function Hint({ words, children }: { words: string; children: ReactElement }) {
  return (
    <Tooltip.Provider delayDuration={300}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content sideOffset={6} className="z-40 rounded bg-ink px-3 py-1.5 text-note text-ground">
            {words}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  )
}
