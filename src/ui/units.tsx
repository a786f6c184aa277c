'use client'

import { createContext, type ReactNode, useContext, useMemo } from 'react'
import { clockIn } from '@/core/units/clock-text'
import { type Say, sayIn } from '@/core/units/say'
import { type Units, USUAL_UNITS } from '@/core/units/shown'

const UnitsContext = createContext<Units>(USUAL_UNITS)

/** The units whoever looks thinks in, for everything below. */
export const UnitsProvider = ({ units, children }: { units: Units; children: ReactNode }) => (
  <UnitsContext value={units}>{children}</UnitsContext>
)

export const useUnits = (): Units => useContext(UnitsContext)

/** How figures are said to whoever looks. @param airPa - air of the place: inches below it count from there, Pa */
export function useSay(airPa?: number): Say {
  const units = useUnits()
  return useMemo(() => sayIn(units, airPa), [units, airPa])
}

/** Clock times such as 17:40 or 5:40 pm, in the shop's zone and the way whoever looks reads them. */
export function useClock(timeZone: string): (ms: number) => string {
  return clockIn(timeZone, useUnits().clock)
}
