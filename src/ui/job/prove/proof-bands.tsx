import type { JobState, Proof } from '@/core/job/state'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/job-prove'
import { bandsFor, PROOF_SCALES, type ProofKey } from '@/core/prove/bands'
import { bothPressures, type Say } from '@/core/units/say'
import { useSay } from '../../units'

type Reading = Record<ProofKey, number | null | undefined>
type Row = (typeof PROOF_SCALES)[number] & { text: (v: number, say: Say) => string }

/** A figure of a proof in the reader's units. */
export const proofText = (key: ProofKey, v: number, say: Say): string =>
  key === 'ventC' ? say.celsius(v, 1) : bothPressures(v, say)

const ROWS: Row[] = PROOF_SCALES.map((scale) => ({ ...scale, text: (v, say) => proofText(scale.key, v, say) }))

/** What is to be expected, as bands with every reading on them; the maker's figures where they were entered. */
export function ProofBands({ state, now }: { state: JobState; now: Reading }) {
  const say = useSay()
  const { makerBands, proofs, opened } = state
  const last = proofs[proofs.length - 1]
  const bands = bandsFor(state, last)
  const ambient = Math.round(last?.ambientC ?? opened.place.ambientC)
  return (
    <section aria-label={W.bands} className="mt-3 max-w-[880px] border-t border-rule pt-2">
      <h3 className="text-body font-semibold">
        {W.at2(
          makerBands ? W.theMakersFiguresWhereThey : W.typical,
          say.celsius(ambient),
          makerBands ? '' : W.assumedTheMakersChartComes,
        )}
      </h3>
      <ul className="mt-1.5 space-y-1.5">
        {ROWS.map((row) => {
          const shown = last ? last[row.key] : now[row.key]
          return (
            <li
              key={row.key}
              className="grid grid-cols-[104px_1fr_262px] items-center gap-4 text-small max-sm:grid-cols-1 max-sm:gap-1"
            >
              <b className="font-semibold">{row.name}</b>
              <Bar row={row} band={bands[row.key]} readings={proofs} now={now[row.key]} />
              <span>
                {W.to2(
                  row.text(bands[row.key][0], say),
                  row.text(bands[row.key][1], say),
                  makerBands?.[row.key] ? W.theMakers : '',
                )}
                <b className="block font-semibold">{placeWords(shown, bands[row.key], (v) => row.text(v, say))}</b>
              </span>
            </li>
          )
        })}
      </ul>
      {proofs.length > 0 && <p className="mt-1 text-note text-ink-2">{W.atIdleAt1500}</p>}
    </section>
  )
}

function placeWords(
  value: number | null | undefined,
  [low, high]: [number, number],
  text: (v: number) => string,
): string {
  if (value === undefined || value === null) return W.notRead
  return `${text(value)}: ${value < low ? W.belowTheBand : value > high ? W.aboveTheBand : codeWords('within')}`
}

function Bar({
  row,
  band,
  readings,
  now,
}: {
  row: Row
  band: [number, number]
  readings: readonly Proof[]
  now: number | null | undefined
}) {
  const share = (v: number) => `${Math.min(100, Math.max(0, ((v - row.from) / (row.to - row.from)) * 100))}%`
  return (
    <span className="relative block h-8 bg-air" aria-hidden="true">
      <span
        className="absolute top-0 h-full border-x-2 border-ink bg-deep"
        style={{ left: share(band[0]), width: `calc(${share(band[1])} - ${share(band[0])})` }}
      />
      {readings.flatMap((r) =>
        r[row.key] === null
          ? []
          : [
              <svg
                key={r.at + r.engine}
                aria-hidden="true"
                width="18"
                height="16"
                viewBox="0 0 18 16"
                className="absolute top-[-4px] -translate-x-1/2"
                style={{ left: share(r[row.key] ?? 0) }}
              >
                <path
                  d="M2 1.5h14L9 14Z"
                  fill={r.engine === 'idle' ? 'var(--sheet)' : 'var(--ink)'}
                  stroke="var(--ink)"
                  strokeWidth="2"
                />
              </svg>,
            ],
      )}
      {typeof now === 'number' && (
        <span
          className="glide absolute top-[9px] size-3.5 -translate-x-1/2 rounded-full border-[3px] border-ink bg-sheet"
          style={{ left: share(now) }}
        />
      )}
    </span>
  )
}
