'use client'

import { createContext, type ReactNode, useContext } from 'react'

const ZoneContext = createContext<string | null>(null)

/** The shop's time zone for everything below: ticks stand on its hours, "today" is its day. */
export const ZoneProvider = ({ timeZone, children }: { timeZone: string; children: ReactNode }) => (
  <ZoneContext value={timeZone}>{children}</ZoneContext>
)

/** The shop's time zone; the browser's where no shop is told. */
export const useZone = (): string => useContext(ZoneContext) ?? Intl.DateTimeFormat().resolvedOptions().timeZone
