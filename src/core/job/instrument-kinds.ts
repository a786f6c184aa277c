export const INSTRUMENT_KINDS = ['vacuum', 'low', 'high', 'scale', 'thermometer', 'barometer'] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

/** Where a vacuum gauge sits on a car: at its farthest point, or at the pump, where it reads low. */
export const SEATS = ['far', 'pump'] as const
export type Seat = (typeof SEATS)[number]
