import { OutOfRange } from '../errors'
import { W } from '../language/units/quantity'
import { L_S_PER_CFM, ML_PER_FLUID_OUNCE, MM_PER_INCH, ZERO_C_K } from './constants'
import { GRAMS_PER } from './mass'

/** Degrees Fahrenheit from absolute zero to its own zero. */
const ZERO_F_R = 459.67

/** `base` of a value is (value + shift) times factor. */
type Unit = { kind: QuantityKind; factor: number; shift?: number }

/** Kinds of quantity besides pressure, which may need the air of the place (`pressure.ts`). */
export type QuantityKind = 'temperature' | 'mass' | 'volume' | 'length' | 'pump speed'

const UNITS = {
  K: { kind: 'temperature', factor: 1 },
  C: { kind: 'temperature', factor: 1, shift: ZERO_C_K },
  F: { kind: 'temperature', factor: 5 / 9, shift: ZERO_F_R },
  g: { kind: 'mass', factor: GRAMS_PER.g },
  kg: { kind: 'mass', factor: GRAMS_PER.kg },
  oz: { kind: 'mass', factor: GRAMS_PER.oz },
  lb: { kind: 'mass', factor: GRAMS_PER.lb },
  mL: { kind: 'volume', factor: 1 },
  L: { kind: 'volume', factor: 1000 },
  floz: { kind: 'volume', factor: ML_PER_FLUID_OUNCE },
  mm: { kind: 'length', factor: 1 },
  in: { kind: 'length', factor: MM_PER_INCH },
  'L/s': { kind: 'pump speed', factor: 1 },
  cfm: { kind: 'pump speed', factor: L_S_PER_CFM },
} as const satisfies Record<string, Unit>
export type QuantityUnit = keyof typeof UNITS

/** Every unit of these kinds, in the order people look for them. */
export const QUANTITY_UNITS = Object.keys(UNITS) as QuantityUnit[]

/** True for a unit of these kinds. */
export const isQuantityUnit = (text: string): text is QuantityUnit => Object.hasOwn(UNITS, text)

/** What a unit measures. */
export const kindOf = (unit: QuantityUnit): QuantityKind => UNITS[unit].kind

/**
 * A value in another unit of the same kind.
 * @throws OutOfRange for a temperature below absolute zero, TypeError for two units of different kinds
 */
export function inUnit(value: number, from: QuantityUnit, to: QuantityUnit): number {
  const [a, b]: Unit[] = [UNITS[from], UNITS[to]]
  if (!a || !b || a.kind !== b.kind) throw new TypeError(W.isAA(from, a?.kind ?? '', to, b?.kind ?? ''))
  const base = (value + (a.shift ?? 0)) * a.factor
  if (a.kind === 'temperature' && base < 0)
    throw new OutOfRange('temperature', value, -(a.shift ?? 0), Number.POSITIVE_INFINITY, from)
  return from === to ? value : base / b.factor - (b.shift ?? 0)
}
