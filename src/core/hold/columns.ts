import { EQUALISING } from './bends'

/** Columns of the sums: level, line, hoses, what equalises, bends, readings. */
export const LEVEL = 0
export const LINE = 1
export const HOSE = 2
/**
 * laws of the hoses' gas there are columns for: short and long under vacuum before, and what bends each; a baseline that
 * stays, dies away, or half and half
 */
export const HOSE_LAWS = 4
export const FIRST_EQUALISING = HOSE + HOSE_LAWS
export const FIRST_BEND = FIRST_EQUALISING + EQUALISING.length
