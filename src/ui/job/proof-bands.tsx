import type { JobState } from '@/core/procedure/state'
import { typicalBands } from '@/core/prove/bands'
import { gaugeText } from '../format'

type Row = { name: string; band: [number, number]; most: number; value: number | undefined; text: (v: number) => string }

/** Typical bands for this ambient with the readings on them; the maker's chart leads where there is one. */
export function ProofBands({ state, low, high, vent }: { state: JobState; low?: number | undefined; high?: number | undefined; vent?: number | undefined }) {
  const { label, place } = state.opened
  const bands = typicalBands(label.refrigerant, state.proof?.ambientC ?? place.ambientC, place.barometerPa)
  const celsius = (v: number) => `${v.toFixed(1)} °C`
  const rows: Row[] = [
    { name: 'Low side', band: bands.lowPaG, most: 600_000, value: low, text: gaugeText },
    { name: 'High side', band: bands.highPaG, most: 2_600_000, value: high, text: gaugeText },
    { name: 'Middle vent', band: bands.ventC, most: 30, value: vent, text: celsius },
  ]
  return (
    <section aria-label="Typical bands" className="mt-4 max-w-[820px] border-t border-rule pt-3">
      <h3 className="text-[17px] font-semibold">Typical at {Math.round(state.proof?.ambientC ?? place.ambientC)} °C, assumed; the maker’s chart comes first</h3>
      <ul className="mt-2 space-y-2.5">
        {rows.map((row) => (
          <li key={row.name} className="grid grid-cols-[110px_1fr_250px] items-center gap-4 text-[16px] max-sm:grid-cols-1 max-sm:gap-1">
            <b className="font-semibold">{row.name}</b>
            <Bar row={row} />
            <span>
              {row.text(row.band[0])} to {row.text(row.band[1])}
              <b className="block font-semibold">{verdict(row)}</b>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function verdict({ value, band }: Row): string {
  if (value === undefined) return 'not read'
  if (value < band[0]) return 'below the band'
  return value > band[1] ? 'above the band' : 'within'
}

function Bar({ row }: { row: Row }) {
  const share = (v: number) => `${Math.min(100, Math.max(0, (v / row.most) * 100))}%`
  return (
    <span className="relative block h-8 bg-air" aria-hidden="true">
      <span className="absolute top-0 h-full border-x-2 border-ink bg-deep" style={{ left: share(row.band[0]), width: `calc(${share(row.band[1])} - ${share(row.band[0])})` }} />
      {row.value !== undefined && (
        <span className="absolute top-[-3px] size-0 -translate-x-1/2 border-x-[8px] border-t-[14px] border-x-transparent border-t-ink" style={{ left: share(row.value) }} />
      )}
    </span>
  )
}
