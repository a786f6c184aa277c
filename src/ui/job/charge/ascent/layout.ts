/** Height of the picture's plot and where it begins, px. */
export const HEIGHT = 238
export const TOP = 4

/** Grams with thousands marked and a true minus. */
export const grams = (value: number): string => Math.round(value).toLocaleString('en').replace('-', '−')
