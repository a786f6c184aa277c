/** The air of a place over time: `at` in the unit of the rows' times, Pa; whether it was read at two times at least. */
export type AirOverTime = { at: (time: number) => number; read: boolean }

/**
 * Air between barometer readings, straight from one to the next; before the first and after the last as it was there.
 * @param rows - in order of time; Pa
 * @param fallbackPa - the one figure where nothing was read
 */
export function airOverTime<F extends number | undefined>(
  rows: readonly { at: number; pa: number }[],
  fallbackPa: F,
): { at: (time: number) => number | F; read: boolean } {
  if (rows.length === 0) return { at: () => fallbackPa, read: false }
  const at = (time: number): number => {
    const after = rows.findIndex((r) => r.at >= time)
    if (after <= 0) return (rows[after < 0 ? rows.length - 1 : 0] as { pa: number }).pa
    const [a, b] = [rows[after - 1] as { at: number; pa: number }, rows[after] as { at: number; pa: number }]
    return a.pa + ((time - a.at) / (b.at - a.at || 1)) * (b.pa - a.pa)
  }
  return { at, read: rows.length > 1 }
}
