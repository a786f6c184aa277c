import { CUBIC_METRES_S_PER_CFM, METRES_PER_MM, PA_PER_MICRON } from '../units/constants'
import type { PayloadOf, ProcedureWritten, RigWritten } from './events'

/*
 * Events and files keep the fields they were written with: millimetres, micron and cubic feet a minute. Here they are
 * turned into what the core works in, metres, pascals and cubic metres a second, where they are read; and back where
 * they are written.
 */

/** A hose as the core knows it: m. */
export type HoseFigures = { boreM: number; lengthM: number; kind: NonNullable<RigWritten['hoseKind']> }

/** A rig as the core knows it: m, m3/s, Pa, g. */
export type Rig = Omit<RigWritten, 'boreMm' | 'pumpCfm' | 'ultimateMicron' | 'highHose' | 'pumpHose'> & {
  boreM: number
  pumpM3S: number
  ultimatePa: number
  highHose?: HoseFigures | undefined
  pumpHose?: HoseFigures | undefined
}

/** A procedure as the core knows it: Pa, minutes. */
export type Procedure = Omit<ProcedureWritten, 'targetMicron'> & { targetPa: number }

type WrittenHose = NonNullable<RigWritten['pumpHose']>

const hoseRead = ({ boreMm, ...hose }: WrittenHose): HoseFigures => ({ ...hose, boreM: boreMm * METRES_PER_MM })
const hoseWritten = ({ boreM, ...hose }: HoseFigures): WrittenHose => ({
  ...hose,
  boreMm: asWritten(boreM / METRES_PER_MM),
})

export function rigRead({ boreMm, pumpCfm, ultimateMicron, highHose, pumpHose, ...rig }: RigWritten): Rig {
  return {
    ...rig,
    boreM: boreMm * METRES_PER_MM,
    pumpM3S: pumpCfm * CUBIC_METRES_S_PER_CFM,
    ultimatePa: ultimateMicron * PA_PER_MICRON,
    ...(highHose && { highHose: hoseRead(highHose) }),
    ...(pumpHose && { pumpHose: hoseRead(pumpHose) }),
  }
}

export function rigWritten({ boreM, pumpM3S, ultimatePa, highHose, pumpHose, ...rig }: Rig): RigWritten {
  return {
    ...rig,
    boreMm: asWritten(boreM / METRES_PER_MM),
    pumpCfm: asWritten(pumpM3S / CUBIC_METRES_S_PER_CFM),
    ultimateMicron: asWritten(ultimatePa / PA_PER_MICRON),
    ...(highHose && { highHose: hoseWritten(highHose) }),
    ...(pumpHose && { pumpHose: hoseWritten(pumpHose) }),
  }
}

export const procedureRead = ({ targetMicron, ...procedure }: ProcedureWritten): Procedure => ({
  ...procedure,
  targetPa: targetMicron * PA_PER_MICRON,
})

export const procedureWritten = ({ targetPa, ...procedure }: Procedure): ProcedureWritten => ({
  ...procedure,
  targetMicron: asWritten(targetPa / PA_PER_MICRON),
})

/** The hose a charge goes through, m, and whether it is drawn down at the end. */
export type ChargeHose = { boreM: number; lengthM: number; drawnDown: boolean }
type ChargeHoseWritten = NonNullable<PayloadOf<'charge-planned'>['hose']>

export const chargeHoseRead = ({ boreMm, ...hose }: ChargeHoseWritten): ChargeHose => ({
  ...hose,
  boreM: boreMm * METRES_PER_MM,
})
export const chargeHoseWritten = ({ boreM, ...hose }: ChargeHose): ChargeHoseWritten => ({
  ...hose,
  boreMm: asWritten(boreM / METRES_PER_MM),
})

/**
 * Turned there and back a figure is the one that was typed: what the turning left behind the ninth digit is dropped.
 */
export const asWritten = (figure: number): number => Number(figure.toPrecision(9))
