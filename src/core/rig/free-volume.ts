/** Free volume of a car by the number of its evaporators, L (assumed, shown with the job). */
export const FREE_VOLUME_L = { 1: 2.5, 2: 5.1 } as const

/** A car of this much is taken to have two evaporators, L (assumed; the take-in form's two sizes). */
const TWO_EVAPORATORS_FROM_L = 4

/** How many evaporators a car of so much free volume, L, is taken to have. */
export const evaporatorsOf = (volumeL: number): 1 | 2 => (volumeL >= TWO_EVAPORATORS_FROM_L ? 2 : 1)
