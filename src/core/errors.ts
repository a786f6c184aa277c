import { W } from './language/core'
/** A quantity lies outside the range for which the formula or the entry means anything. */
export class OutOfRange extends Error {
  readonly quantity: string
  readonly value: number
  readonly low: number
  readonly high: number
  readonly unit: string

  /** All of `value`, `low` and `high` are in `unit`; `quantity` names what was out of range in plain words. */
  constructor(quantity: string, value: number, low: number, high: number, unit: string) {
    super(W.isItMustLieBetween(quantity, value, unit, low, high, unit))
    this.name = 'OutOfRange'
    this.quantity = quantity
    this.value = value
    this.low = low
    this.high = high
    this.unit = unit
  }
}

/** What somebody typed could not be read as a quantity; the message says what would be. */
export class Unreadable extends Error {
  constructor(message: string) {
    super(message)
    this.name = 'Unreadable'
  }
}

/**
 * Refuses numbers outside [low, high], NaN included.
 * @throws OutOfRange naming the quantity and its bounds, all in `unit`
 */
export function requireRange(quantity: string, value: number, low: number, high: number, unit: string): number {
  if (!(value >= low && value <= high)) throw new OutOfRange(quantity, value, low, high, unit)
  return value
}
