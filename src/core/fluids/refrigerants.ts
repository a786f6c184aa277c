/** Refrigerants a charge can be planned for. */
export const REFRIGERANTS = ['R-134a', 'R-1234yf'] as const
export type Refrigerant = (typeof REFRIGERANTS)[number]
