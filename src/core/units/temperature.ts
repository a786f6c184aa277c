import { Unreadable } from '../errors'
import { W } from '../language/units/temperature'
import { ZERO_C_K } from './constants'

/** Celsius from kelvin. */
export const celsius = (kelvin: number): number => kelvin - ZERO_C_K
/** Kelvin from Celsius. */
export const kelvin = (celsiusValue: number): number => celsiusValue + ZERO_C_K

/**
 * Reads a temperature such as `11`, `11 C` or `52 F`.
 * @param fallback - unit meant when none was typed
 * @returns degrees Celsius
 * @throws Unreadable when it is not one, or lies outside -60 to 90 C, where nobody works on cars
 */
export function parseCelsius(text: string, fallback: 'C' | 'F' = 'C'): number {
  const match = /^\s*([+-]?\d+(?:\.\d+)?)\s*°?\s*([cf])?\s*$/i.exec(text.replace('−', '-'))
  if (!match) throw new Unreadable(W.typeATemperatureSuchAs)
  const value = Number(match[1])
  const result = (match[2] ?? fallback).toLowerCase() === 'f' ? ((value - 32) * 5) / 9 : value
  if (result < -60 || result > 90) throw new Unreadable(W.isNotTheAirAround(text.trim()))
  return result
}
