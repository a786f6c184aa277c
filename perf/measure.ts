/**
 * One figure with its limit; `reference` says what it is compared with and `ratio` how it compares, in the same run.
 */
export type Measure = {
  name: string
  value: number
  unit: string
  limit: number
  reference: string | null
  ratio: number | null
  holds: boolean
}

/** A measure that holds while it is at most its limit. */
export const atMost = (name: string, value: number, unit: string, limit: number): Measure => ({
  name,
  value,
  unit,
  limit,
  reference: null,
  ratio: null,
  holds: value <= limit,
})

/** A measure that holds while it is at least its limit. */
export const atLeast = (name: string, value: number, unit: string, limit: number): Measure => ({
  name,
  value,
  unit,
  limit,
  reference: null,
  ratio: null,
  holds: value >= limit,
})

/** The value below which a share of all lies, by nearest rank. */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] ?? Number.NaN
}

/** The measures as lines of a table. */
export function tableOf(measures: readonly Measure[]): string {
  const rows = measures.map((m) => [
    m.holds ? 'holds' : 'MISSED',
    m.name,
    `${Number(m.value.toPrecision(4))} ${m.unit}`,
    `limit ${m.limit}`,
    m.reference ? `${m.reference}: ratio ${m.ratio?.toPrecision(3)}` : '',
  ])
  const widths = [0, 1, 2, 3].map((i) => Math.max(...rows.map((r) => (r[i] as string).length)))
  return rows
    .map((r) =>
      r
        .map((cell, i) => (i < 4 ? cell.padEnd(widths[i] as number) : cell))
        .join('  ')
        .trimEnd(),
    )
    .join('\n')
}
