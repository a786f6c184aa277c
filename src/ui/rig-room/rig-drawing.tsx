'use client'

import type { ReactNode } from 'react'
import { baselineOf, type RigParts, ultimateOf } from '@/core/equipment/assemble'
import type { EquipmentKind, Shelved } from '@/core/equipment/equipment'
import type { Gain } from '@/core/pull/planner'
import { Pick } from '../form/pick'
import { cfmText, micronText } from '../format'
import { useSay } from '../units'

type Props = {
  parts: RigParts
  shelf: readonly Shelved[]
  costs: Gain[] | undefined
  change: (parts: Partial<RigParts>) => void
}

const minutes = (s: number): string => (s < 60 ? `${Math.round(s)} s` : `${Math.round(s / 60)} min`)

/**
 * The rig from the car to the pump as one line of plain symbols; each part is chosen where it stands, and says what it
 * costs of a pull.
 */
export function RigDrawing({ parts, shelf, costs, change }: Props) {
  const item = <K extends EquipmentKind>(kind: K, id: string | null) =>
    shelf.find((s) => s.id === id && s.kind === kind) as Extract<Shelved, { kind: K }> | undefined
  const cost = (names: string[]) => costs?.find((c) => names.includes(c.name))?.savesS ?? null
  const low = item('hose', parts.lowHose)
  const high = item('hose', parts.highHose)
  const toPump = item('hose', parts.pumpHose)
  const pump = item('pump', parts.pump)
  const coreCost = cost(['valve cores', 'core tools'])
  return (
    <section aria-label="The rig" className="mt-3">
      <div className="grid grid-cols-[96px_88px_minmax(0,1.2fr)_7px_minmax(0,1fr)_190px] items-stretch gap-x-0 text-note max-md:grid-cols-1 max-md:gap-2">
        <div className="row-span-2 flex flex-col justify-center rounded border-[1.5px] border-ink bg-drying px-2">
          <b className="text-row font-semibold leading-tight">The car</b>
          {parts.gaugeAt === 'far' ? (
            <GaugeMark>gauge at its far end</GaugeMark>
          ) : (
            <span className="text-ink-2">no gauge on it</span>
          )}
        </div>
        <CoreCell out={parts.cores === 'out'} cost={coreCost} />
        <HoseCell
          label="Low side"
          hose={low}
          cost={cost(['hoses to the car'])}
          picker={
            <PickPart
              label="Low side hose"
              kind="hose"
              shelf={shelf}
              value={parts.lowHose}
              onPick={(id) => id && change({ lowHose: id })}
            />
          }
        />
        <div aria-hidden="true" className="row-span-2 my-9 border-l-[7px] border-ink max-md:hidden" />
        <div className="row-span-2 flex flex-col justify-center max-md:order-6">
          <HoseCell
            label="To the pump"
            hose={toPump}
            without="straight onto the pump’s tee"
            cost={cost(['hose to the pump'])}
            picker={
              <PickPart
                label="Hose to the pump"
                kind="hose"
                shelf={shelf}
                value={parts.pumpHose}
                none="none"
                onPick={(id) => change({ pumpHose: id })}
              />
            }
          />
        </div>
        <div className="row-span-2 flex flex-col justify-center gap-1 rounded max-md:order-7 border-[1.5px] border-ink bg-drying px-2 py-1">
          {pump && (
            <p className="leading-snug">
              <b className="block text-row font-semibold leading-tight">{cfmText(pump.spec.speedM3S)} CFM</b>
              reaches {micronText(ultimateOf(pump))} micron
              {micronText(ultimateOf(pump)) !== micronText(pump.spec.ultimatePa) &&
                `, plate ${micronText(pump.spec.ultimatePa)}`}
            </p>
          )}
          <PickPart
            label="Pump"
            kind="pump"
            shelf={shelf}
            value={parts.pump}
            onPick={(id) => id && change({ pump: id })}
          />
          {parts.gaugeAt === 'pump' && <GaugeMark>gauge here</GaugeMark>}
        </div>
        <CoreCell out={parts.cores === 'out'} absent={parts.highHose === null} cost={null} />
        <HoseCell
          label="High side"
          hose={high}
          without="not connected"
          cost={cost(['high side hose'])}
          picker={
            <PickPart
              label="High side hose"
              kind="hose"
              shelf={shelf}
              value={parts.highHose}
              none="low side only"
              onPick={(id) => change({ highHose: id })}
            />
          }
        />
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-2 text-note">
        <Pick
          label="Cores"
          value={parts.cores}
          options={CORES}
          onPick={(value) => change({ cores: value as RigParts['cores'] })}
        />
        <Pick
          label="Couplers"
          value={parts.couplers ?? 'turned'}
          options={COUPLERS}
          onPick={(value) => change({ couplers: value as RigParts['couplers'] })}
        />
        <Pick
          label="Container"
          value={parts.fourPort ? 'four' : 'three'}
          options={PORTS}
          onPick={(value) => change({ fourPort: value === 'four' ? true : undefined })}
        />
        <PickPart
          label="Vacuum gauge"
          kind="gauge"
          shelf={shelf}
          value={parts.gauge}
          onPick={(id) => id && change({ gauge: id })}
        />
        <Pick
          label="Its valve"
          value={parts.gaugeValve ? 'own' : 'none'}
          options={GAUGE_VALVES}
          onPick={(value) => change({ gaugeValve: value === 'own' ? true : undefined })}
        />
        <Pick
          label="It sits"
          value={parts.gaugeAt}
          options={GAUGE_SEATS}
          onPick={(value) => change({ gaugeAt: value as RigParts['gaugeAt'] })}
        />
        <PickPart
          label="Scale"
          kind="scale"
          shelf={shelf}
          value={parts.scale}
          onPick={(id) => id && change({ scale: id })}
        />
      </div>
    </section>
  )
}

function GaugeMark({ children }: { children: ReactNode }) {
  return (
    <span className="mt-1 flex items-center gap-1.5 leading-tight">
      <svg width="12" height="14" viewBox="0 0 12 14" aria-hidden="true">
        <path d="M0 1 L12 7 L0 13 Z" fill="var(--ink)" />
      </svg>
      {children}
    </span>
  )
}

/** A hose is drawn as wide as its bore is, px for a metre. */
const PX_PER_M = 1100

/** A core in place narrows the line; taken out, the line goes through. */
function CoreCell({ out, absent = false, cost }: { out: boolean; absent?: boolean; cost: number | null }) {
  if (absent) return <div className="max-md:hidden" />
  return (
    <div className={`flex flex-col justify-center px-0.5 ${cost === null ? 'max-md:order-4' : 'max-md:order-2'}`}>
      <svg viewBox="0 0 84 24" preserveAspectRatio="none" className="h-6 w-full max-md:hidden" aria-hidden="true">
        {out ? (
          <path d="M0 12h84M26 3v5M58 3v5M26 16v5M58 16v5" stroke="var(--ink)" strokeWidth="6" />
        ) : (
          <path d="M0 12h84" stroke="var(--ink)" strokeWidth="3" />
        )}
        {!out && <path d="M0 12h20M64 12h20M20 4v16M64 4v16" stroke="var(--ink)" strokeWidth="7" />}
      </svg>
      <span className="text-center leading-tight max-md:text-left">
        core {out ? 'out' : 'in'}
        {cost !== null && cost >= 10 && <b className="block font-semibold">costs {minutes(cost)}</b>}
      </span>
    </div>
  )
}

type HoseProps = {
  label: string
  hose: Extract<Shelved, { kind: 'hose' }> | undefined
  without?: string
  cost: number | null
  picker: ReactNode
}

/** A hose as a line as thick as its bore; old rubber is drawn with a frayed edge. */
function HoseCell({ label, hose, without = '', cost, picker }: HoseProps) {
  const say = useSay()
  const baseline = hose ? baselineOf(hose) : null
  return (
    <div className={`flex min-w-0 flex-col justify-center py-1 ${ORDER[label] ?? ''}`}>
      <p className="flex min-h-5 items-baseline justify-between gap-2 px-1 leading-tight">
        <span>{hose ? `${say.length(hose.spec.boreM)}, ${hose.spec.lengthM} m` : without}</span>
        {hose && cost !== null && cost >= 10 && (
          <b className="font-semibold whitespace-nowrap">costs {minutes(cost)}</b>
        )}
      </p>
      <svg viewBox="0 0 200 20" preserveAspectRatio="none" className="h-5 w-full max-md:hidden" aria-hidden="true">
        {hose ? (
          <>
            <line
              x1="0"
              x2="200"
              y1="10"
              y2="10"
              stroke="var(--ink)"
              strokeWidth={Math.min(16, hose.spec.boreM * PX_PER_M)}
            />
            {hose.spec.hoseKind === 'rubber-old' && (
              <line x1="0" x2="200" y1="10" y2="10" stroke="var(--ground)" strokeWidth="1.6" strokeDasharray="7 5" />
            )}
          </>
        ) : (
          <line
            x1="0"
            x2="200"
            y1="10"
            y2="10"
            stroke="var(--rule-2)"
            strokeWidth={label === 'To the pump' ? 7 : 2}
            strokeDasharray={label === 'To the pump' ? '' : '5 5'}
          />
        )}
      </svg>
      <div className="px-1">
        {picker}
        {hose && (
          <p className="min-h-5 text-note leading-tight text-ink-2">
            {KIND_WORDS[hose.spec.hoseKind]}
            {baseline !== null && ', measured alone'}
          </p>
        )}
      </div>
    </div>
  )
}

/** On a phone the parts stand one below the other, the low side's before the high side's. */
const ORDER: Record<string, string> = { 'Low side': 'max-md:order-3', 'High side': 'max-md:order-5' }

export const KIND_WORDS = { metal: 'metal', 'barrier-new': 'new barrier hose', 'rubber-old': 'old rubber' } as const

type PickProps = {
  label: string
  kind: EquipmentKind
  shelf: readonly Shelved[]
  value: string | null
  none?: string
  onPick: (id: string | null) => void
}

const CORES = { in: 'stay in', out: 'out, through core tools' }
const COUPLERS = { turned: 'turned by hand', auto: 'open by themselves' }
const PORTS = { three: 'goes on later', four: 'on a fourth port from the start' }
const GAUGE_VALVES = { none: 'none, it comes off', own: 'a valve of its own' }
const GAUGE_SEATS = { far: 'at the farthest point', pump: 'at the pump' }

/** Picks a part from the shelf where it stands. */
function PickPart({ label, kind, shelf, value, none, onPick }: PickProps) {
  const parts = shelf
    .filter((s) => s.kind === kind && (!s.retired || s.id === value))
    .map((s) => [s.id, s.retired ? `${s.name}, retired` : s.name])
  const options = Object.fromEntries([...(none ? [['', none]] : []), ...parts])
  return <Pick label={label} value={value ?? ''} options={options} onPick={(id) => onPick(id || null)} />
}
