'use client'

import { createContext, type ReactNode, useContext } from 'react'
import { type Units, USUAL_UNITS } from '@/core/units/shown'

const UnitsContext = createContext<Units>(USUAL_UNITS)

/** The units whoever looks thinks in, for everything below. */
export const UnitsProvider = ({ units, children }: { units: Units; children: ReactNode }) => (
  <UnitsContext value={units}>{children}</UnitsContext>
)

export const useUnits = (): Units => useContext(UnitsContext)
