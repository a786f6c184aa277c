'use client'

import { Toast } from 'radix-ui'
import { createContext, type ReactNode, useCallback, useContext, useState } from 'react'
import { W } from '@/core/language/screen/frame-said'
import { Sign } from '../form/sign'

/** How long it stays, ms: read while looking up from the car. */
const STAYS_MS = 5000

const SaidContext = createContext<(words: string) => void>(() => undefined)

/** Says once that something is done, wherever on the page it was pressed; what went wrong stands at its place. */
export const useSaid = (): ((words: string) => void) => useContext(SaidContext)

export function SaidProvider({ children }: { children: ReactNode }) {
  const [said, setSaid] = useState<{ id: number; words: string }[]>([])
  const say = useCallback((words: string) => setSaid((before) => [...before, { id: Date.now(), words }]), [])
  return (
    <SaidContext.Provider value={say}>
      <Toast.Provider duration={STAYS_MS} label={W.done} swipeDirection="down">
        {children}
        {said.map(({ id, words }) => (
          <Toast.Root
            key={id}
            onOpenChange={(open) => !open && setSaid((before) => before.filter((s) => s.id !== id))}
            className="rounded bg-ink px-5 py-3 text-lead font-medium text-ground"
          >
            <Toast.Title>
              <Sign kind="done" />
              {words}
            </Toast.Title>
          </Toast.Root>
        ))}
        <Toast.Viewport
          label={W.notices}
          className="no-print fixed bottom-5 max-sm:bottom-36 left-5 z-50 flex w-[340px] max-w-[calc(100vw-40px)] flex-col gap-2"
        />
      </Toast.Provider>
    </SaidContext.Provider>
  )
}
