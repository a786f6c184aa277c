/** Free volume of a car by the number of its evaporators, L (assumed, shown with the job). */
export const FREE_VOLUME_L = { 1: 2.5, 2: 5.1 } as const
