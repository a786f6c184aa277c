'use client'

import type { LeakPlace } from '@/core/job/leak'
import { W } from '@/core/language/screen/job-fix'
import type { Chances } from '@/core/leak/chances'
import { PLACES } from '@/core/leak/places'

/**
 * Where each place stands on the sketch, of 760 by 330: the way of the refrigerant, high side above, low side below.
 */
const AT: Record<LeakPlace, readonly [x: number, y: number]> = {
  'compressor-seal': [40, 165],
  'compressor-body': [112, 165],
  'joint-discharge': [112, 100],
  'hose-high': [160, 55],
  'port-high': [232, 55],
  'joint-condenser-in': [296, 55],
  condenser: [384, 55],
  'joint-condenser-out': [472, 55],
  switch: [530, 55],
  drier: [592, 55],
  'joint-drier': [650, 55],
  'joint-device': [700, 110],
  device: [700, 165],
  evaporator: [600, 235],
  'joint-evaporator': [512, 235],
  'joint-rear': [560, 300],
  'evaporator-rear': [640, 300],
  'port-low': [390, 235],
  'hose-low': [270, 235],
  'joint-suction': [112, 228],
  rig: [311, 145],
}

type Props = {
  chances: Chances
  /** what was checked and showed nothing there, and where something showed */
  cleared: ReadonlySet<LeakPlace>
  shown: ReadonlySet<LeakPlace>
  selected?: LeakPlace | null
  /** missing where the sketch only shows */
  onSelect?: (place: LeakPlace) => void
}

const LEAST_R = 6
const MOST_R = 24

/** This car's circuit as it is searched: every place with its chance, larger the likelier. */
export function CircuitSketch({ chances, cleared, shown, selected = null, onSelect }: Props) {
  const rear = chances.has('evaporator-rear')
  const height = rear ? 330 : 290
  const top = Math.max(...chances.values())
  return (
    <div className="overflow-x-auto">
      <div
        className={`relative ${onSelect ? 'min-w-[680px] max-w-[880px]' : 'max-w-[600px]'}`}
        style={{ aspectRatio: `760 / ${height}` }}
      >
        <svg viewBox={`0 0 760 ${height}`} aria-hidden className="absolute inset-0 size-full">
          <Lines rear={rear} />
          {[...chances].map(([place, chance]) => {
            const [x, y] = AT[place]
            const r = LEAST_R + (MOST_R - LEAST_R) * Math.sqrt(chance / Math.max(top, 0.05))
            return (
              <g key={place}>
                <circle
                  cx={x}
                  cy={y}
                  r={r}
                  fill={shown.has(place) ? 'var(--damp)' : 'var(--ground)'}
                  stroke="var(--ink)"
                  strokeWidth={selected === place ? 4 : 2}
                  strokeDasharray={cleared.has(place) ? '3 3' : undefined}
                />
                {onSelect && chance >= 0.03 && (
                  <text
                    x={x}
                    y={y + 5}
                    textAnchor="middle"
                    fontSize={15}
                    fontWeight={600}
                    fill={shown.has(place) ? 'var(--ground)' : 'var(--ink)'}
                  >
                    {Math.round(chance * 100)}
                  </text>
                )}
              </g>
            )
          })}
        </svg>
        {(onSelect ? [...chances] : []).map(([place, chance]) => {
          const [x, y] = AT[place]
          return (
            <button
              key={place}
              type="button"
              aria-label={W.of100(PLACES[place].name, Math.round(chance * 100))}
              aria-pressed={selected === place}
              title={PLACES[place].name}
              onClick={() => onSelect?.(place)}
              className="absolute size-11 -translate-x-1/2 -translate-y-1/2 rounded-full"
              style={{ left: `${(100 * x) / 760}%`, top: `${(100 * y) / height}%` }}
            />
          )
        })}
      </div>
    </div>
  )
}

/** The circuit itself, and the names people look for first. */
function Lines({ rear }: { rear: boolean }) {
  const line = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 5 }
  const thin = { ...line, strokeWidth: 2, strokeDasharray: '6 5' }
  const box = { fill: 'var(--air)', stroke: 'var(--ink)', strokeWidth: 2 }
  return (
    <>
      <path d="M112 165 V55 H700 V235 H112 V165" {...line} />
      {rear && <path d="M700 235 V300 H470 V235" {...line} />}
      <path d="M232 55 L311 145 L390 235" {...thin} />
      <rect x={66} y={130} width={92} height={70} rx={4} {...box} />
      <rect x={326} y={24} width={116} height={62} rx={4} {...box} />
      <rect x={572} y={26} width={40} height={58} rx={16} {...box} />
      <path d="M684 145 L716 185 M716 145 L684 185" {...line} strokeWidth={3} />
      <rect x={552} y={210} width={96} height={50} rx={4} {...box} />
      {rear && <rect x={596} y={278} width={88} height={44} rx={4} {...box} />}
      <path d="M40 165 H66" {...line} />
      {NAMES.filter(([, , , only]) => !only || rear).map(([x, y, name]) => (
        <text key={name} x={x} y={y} textAnchor="middle" fontSize={14} fill="var(--ink-2)">
          {name}
        </text>
      ))}
    </>
  )
}

const NAMES: readonly (readonly [x: number, y: number, name: string, rear?: true])[] = [
  [36, 216, W.shaftSeal],
  [204, 170, 'compressor'],
  [232, 20, W.highPort],
  [384, 104, 'condenser'],
  [530, 20, 'switch'],
  [592, 104, 'drier'],
  [650, 170, 'expansion'],
  [600, 200, 'evaporator'],
  [640, 272, W.rearEvaporator, true],
  [390, 276, W.lowPort],
  [252, 150, W.ourHoses],
  [270, 276, W.lowHose],
  [160, 20, W.highHose],
]
