'use client'

import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/record'

import { bottomOf, depthShare, inDepth } from '@/core/pull/strata'
import type { RecordPicture as Picture, PictureSpan } from '@/core/record/picture'
import { NeedleHatch, StrataFills } from '../chart/depth-strip'
import { proofText } from '../job/prove/proof-bands'
import { useSay } from '../units'

/** Width it is drawn at; it grows and shrinks with its place. */
const WIDE = 880
const DEEP = 200

/** A job's record as one picture: the descent with its holds, the charge, and the proof on its bands. */
export function RecordPicture({ picture, id }: { picture: Picture; id: string }) {
  return (
    <div className="mt-3">
      {picture.spans.length > 0 && <DescentPart picture={picture} id={id} />}
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)] gap-x-8 gap-y-3 max-sm:grid-cols-1">
        {picture.charge && <ChargePart charge={picture.charge} />}
        {picture.proof.length > 0 && <ProofPart proof={picture.proof} />}
      </div>
    </div>
  )
}

const spanName = (s: PictureSpan): string => {
  const time = s.minutes >= 90 ? `${(s.minutes / 60).toFixed(1)} h` : W.min(Math.round(s.minutes))
  return s.kind === 'pull' ? W.pull(s.n, time) : W.hold(s.n, time)
}

function DescentPart({ picture, id }: { picture: Picture; id: string }) {
  const { strata, spans, lines } = picture
  const say = useSay(strata.airPa)
  const y = (pa: number) => depthShare(pa, strata.airPa, bottomOf(strata)) * DEEP
  const last = spans.flatMap((s) => s.points).at(-1)
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDE} ${DEEP + 44}`}
        className="w-full"
        role="img"
        aria-label={spans.map((s) => [spanName(s), s.verdict, s.left].filter(Boolean).join(', ')).join('; ')}
      >
        <StrataFills strata={strata} y={y} width={WIDE} height={DEEP} />
        <clipPath id={`${id}-deep`}>
          <rect width={WIDE} height={DEEP} />
        </clipPath>
        <NeedleHatch y={lines.needle * DEEP} width={20} height={DEEP} />
        <line x1="0" x2={WIDE} y1={lines.target * DEEP} y2={lines.target * DEEP} stroke="var(--ink)" strokeWidth="2" />
        <line
          x1="0"
          x2={WIDE}
          y1={lines.boils * DEEP}
          y2={lines.boils * DEEP}
          stroke="var(--ink)"
          strokeWidth="3"
          strokeDasharray="0 7"
          strokeLinecap="round"
        />
        <line x1="0" x2={WIDE} y1="1" y2="1" stroke="var(--ink)" strokeWidth="2.5" />
        {spans.map((s) => (
          <g key={`${s.kind} ${s.n}`}>
            {s.from > 0 && (
              <line
                x1={s.from * WIDE}
                x2={s.from * WIDE}
                y1="0"
                y2={DEEP + 40}
                stroke="var(--ink)"
                strokeWidth="1.2"
                strokeDasharray={s.kind === 'hold' ? '' : '4 4'}
              />
            )}
            <polyline
              points={s.points.map(([x, d]) => `${(x * WIDE).toFixed(1)},${(d * DEEP).toFixed(1)}`).join(' ')}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={s.kind === 'pull' ? 3 : 4.2}
              strokeLinejoin="round"
              clipPath={`url(#${id}-deep)`}
            />
            <text x={s.from * WIDE + 4} y={DEEP + 18} fontSize="15" fill="var(--ink-2)">
              {spanName(s)}
            </text>
            {s.verdict && (
              <text x={s.from * WIDE + 4} y={DEEP + 37} fontSize="17" fontWeight="600" fill="var(--ink)">
                {codeWords(s.verdict)}
                {s.to - s.from > 0.3 && (
                  <tspan dx="10" fontSize="15" fontWeight="400" fill="var(--ink-2)">
                    {s.left}
                  </tspan>
                )}
              </text>
            )}
          </g>
        ))}
        <g fontSize="14.5" stroke="var(--sheet)" strokeWidth="3.5" paintOrder="stroke">
          <text x={WIDE - 8} y={lines.target * DEEP - 6} textAnchor="end" fill="var(--ink)">
            {W.target2(say.vacuum(strata.targetPa))}
          </text>
          <text x={WIDE - 8} y={lines.boils * DEEP - 8} textAnchor="end" fill="var(--ink)">
            {W.waterBoils2(say.vacuum(strata.waterBoilsPa))}
          </text>
        </g>
        {last && (
          <circle
            cx={last[0] * WIDE}
            cy={last[1] * DEEP}
            r="6"
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="3.5"
          />
        )}
        {picture.unread && (
          <text x={WIDE / 2} y={DEEP / 2} textAnchor="middle" fontSize="17" fill="var(--ink)">
            {W.noReadingsWereKeptOf}
          </text>
        )}
      </svg>
      <figcaption className="sr-only">
        {W.strataFromTheAirDown(
          inDepth(strata)
            .map(({ name, pa }) => `${codeWords(name)} ${say.vacuum(pa)}`)
            .join(', '),
        )}
      </figcaption>
    </figure>
  )
}

function ChargePart({ charge }: { charge: NonNullable<Picture['charge']> }) {
  const say = useSay()
  const x = (g: number) => (g / charge.topG) * 400
  return (
    <figure>
      <svg
        viewBox="0 0 400 92"
        className="w-full"
        role="img"
        aria-label={W.chargedOf(
          say.mass(charge.totalG),
          say.mass(charge.targetG),
          charge.parts.map((p) => `${p.id} ${say.mass(p.toG - p.fromG)}`).join(', '),
        )}
      >
        <rect x="0" y="26" width="400" height="34" fill="var(--air)" />
        <rect x={x(charge.lowG)} y="20" width={x(charge.highG) - x(charge.lowG)} height="46" fill="var(--deep)" />
        {charge.parts.map((p, i) => (
          <g key={`${p.id} ${p.fromG}`}>
            <rect
              x={x(p.fromG)}
              y="32"
              width={Math.max(1, x(p.toG) - x(p.fromG))}
              height="22"
              fill="var(--ink)"
              fillOpacity={i % 2 === 0 ? 1 : 0.72}
            />
            <text x={x((p.fromG + p.toG) / 2)} y="48" textAnchor="middle" fontSize="14" fill="var(--sheet)">
              {x(p.toG) - x(p.fromG) > 60 ? p.id.slice(0, 14) : ''}
            </text>
          </g>
        ))}
        <line x1={x(charge.targetG)} x2={x(charge.targetG)} y1="14" y2="72" stroke="var(--accent)" strokeWidth="2.5" />
        <text x="0" y="14" fontSize="17" fontWeight="600" fill="var(--ink)">
          {W.in(say.mass(charge.totalG))}
        </text>
        <text x={Math.min(396, x(charge.highG))} y="86" textAnchor="end" fontSize="14" fill="var(--ink-2)">
          {W.plannedAllowedTo(say.mass(charge.targetG), say.massText(charge.lowG), say.mass(charge.highG))}
        </text>
      </svg>
    </figure>
  )
}

function ProofPart({ proof }: { proof: Picture['proof'] }) {
  const say = useSay()
  return (
    <figure>
      <ul className="space-y-1.5 text-small">
        {proof.map((row) => (
          <li key={row.key} className="grid grid-cols-[92px_1fr] items-center gap-3">
            <b className="font-semibold">{row.name}</b>
            <span>
              <span className="relative block h-5 bg-air" aria-hidden="true">
                <span
                  className="absolute top-0 h-full border-x-2 border-ink bg-deep"
                  style={{ left: `${100 * row.band[0]}%`, width: `${100 * (row.band[1] - row.band[0])}%` }}
                />
                {row.readings.map((r) => (
                  <span
                    key={r.engine}
                    className={
                      `absolute top-[2px] size-4 -translate-x-1/2 rounded-full border-2 border-ink ` +
                      `${r.engine === 'idle' ? 'bg-sheet' : 'bg-ink'}`
                    }
                    style={{ left: `${100 * r.share}%` }}
                  />
                ))}
              </span>
              <span className="block text-note text-ink-2">
                {row.readings
                  .map((r) => `${proofText(row.key, r.value, say)} ${r.engine === 'idle' ? W.atIdle : W.atSpeed}`)
                  .join('; ')}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </figure>
  )
}
