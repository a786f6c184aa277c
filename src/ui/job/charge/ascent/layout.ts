/** Height of the picture's plot and where it begins, px. */
export const HEIGHT = 238
export const TOP = 4
