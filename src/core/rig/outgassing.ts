/** Outgassing of a hose at one hour and its permeation, Pa m3/s per m. */
export const OUTGASSING = { metal: [0, 0], 'barrier-new': [2e-7, 2e-9], 'rubber-old': [2e-6, 3e-8] } as const
/** That gas dies with this power of the time under vacuum (model.md section 4), which counts from so long on, s. */
export const DYING_POWER = 0.7
export const OUTGASSING_FLOOR_S = 60
