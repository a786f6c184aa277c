'use client'

import type { ReactNode } from 'react'
import { baselineOf, type RigParts, ultimateOf } from '@/core/equipment/assemble'
import type { EquipmentKind, Shelved } from '@/core/equipment/equipment'
import { W } from '@/core/language/screen/rig-room'
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

const minutes = (s: number): string => (s < 60 ? `${Math.round(s)} s` : W.min(Math.round(s / 60)))

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
  const coreCost = cost([W.valveCores, W.coreTools])
  return (
    <section aria-label={W.theRig} className="mt-3">
      <div
        className={
          'grid grid-cols-[96px_88px_minmax(0,1.2fr)_7px_minmax(0,1fr)_190px] items-stretch gap-x-0 text-note ' +
          'max-md:grid-cols-1 max-md:gap-2'
        }
      >
        <div className="row-span-2 flex flex-col justify-center rounded border-[1.5px] border-ink bg-drying px-2">
          <b className="text-row font-semibold leading-tight">{W.theCar}</b>
          {parts.gaugeAt === 'far' ? (
            <GaugeMark>{W.gaugeAtItsFarEnd}</GaugeMark>
          ) : (
            <span className="text-ink-2">{W.noGaugeOnIt}</span>
          )}
        </div>
        <CoreCell out={parts.cores === 'out'} cost={coreCost} />
        <HoseCell
          at="low"
          hose={low}
          cost={cost([W.hosesToTheCar])}
          picker={
            <PickPart
              label={W.lowSideHose}
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
            at="pump"
            hose={toPump}
            without={W.straightOntoThePumpsTee}
            cost={cost([W.hoseToThePump])}
            picker={
              <PickPart
                label={W.hoseToThePump2}
                kind="hose"
                shelf={shelf}
                value={parts.pumpHose}
                none={W.none}
                onPick={(id) => change({ pumpHose: id })}
              />
            }
          />
        </div>
        <div
          className={
            'row-span-2 flex flex-col justify-center gap-1 rounded max-md:order-7 border-[1.5px] border-ink ' +
            'bg-drying px-2 py-1'
          }
        >
          {pump && (
            <p className="leading-snug">
              <b className="block text-row font-semibold leading-tight">{W.cfm4(cfmText(pump.spec.speedM3S))}</b>
              {W.reachesMicron(micronText(ultimateOf(pump)))}
              {micronText(ultimateOf(pump)) !== micronText(pump.spec.ultimatePa) &&
                W.plate2(micronText(pump.spec.ultimatePa))}
            </p>
          )}
          <PickPart
            label={W.pump}
            kind="pump"
            shelf={shelf}
            value={parts.pump}
            onPick={(id) => id && change({ pump: id })}
          />
          {parts.gaugeAt === 'pump' && <GaugeMark>{W.gaugeHere}</GaugeMark>}
        </div>
        <CoreCell out={parts.cores === 'out'} absent={parts.highHose === null} cost={null} />
        <HoseCell
          at="high"
          hose={high}
          without={W.notConnected}
          cost={cost([W.highSideHose])}
          picker={
            <PickPart
              label={W.highSideHose2}
              kind="hose"
              shelf={shelf}
              value={parts.highHose}
              none={W.lowSideOnly}
              onPick={(id) => change({ highHose: id })}
            />
          }
        />
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-x-5 gap-y-2 text-note">
        <Pick
          label={W.cores}
          value={parts.cores}
          options={CORES}
          onPick={(value) => change({ cores: value as RigParts['cores'] })}
        />
        <Pick
          label={W.couplers}
          value={parts.couplers ?? 'turned'}
          options={COUPLERS}
          onPick={(value) => change({ couplers: value as RigParts['couplers'] })}
        />
        <Pick
          label={W.container}
          value={parts.fourPort ? 'four' : 'three'}
          options={PORTS}
          onPick={(value) => change({ fourPort: value === 'four' ? true : undefined })}
        />
        <PickPart
          label={W.vacuumGauge}
          kind="gauge"
          shelf={shelf}
          value={parts.gauge}
          onPick={(id) => id && change({ gauge: id })}
        />
        <Pick
          label={W.itsValve}
          value={parts.gaugeValve ? 'own' : 'none'}
          options={GAUGE_VALVES}
          onPick={(value) => change({ gaugeValve: value === 'own' ? true : undefined })}
        />
        <Pick
          label={W.itSits}
          value={parts.gaugeAt}
          options={GAUGE_SEATS}
          onPick={(value) => change({ gaugeAt: value as RigParts['gaugeAt'] })}
        />
        <PickPart
          label={W.scale}
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
        {W.core2(out ? W.out : W.in2)}
        {cost !== null && cost >= 10 && <b className="block font-semibold">{W.costs2(minutes(cost))}</b>}
      </span>
    </div>
  )
}

type HoseProps = {
  at: keyof typeof ORDER
  hose: Extract<Shelved, { kind: 'hose' }> | undefined
  without?: string
  cost: number | null
  picker: ReactNode
}

/** A hose as a line as thick as its bore; old rubber is drawn with a frayed edge. */
function HoseCell({ at, hose, without = '', cost, picker }: HoseProps) {
  const say = useSay()
  const baseline = hose ? baselineOf(hose) : null
  return (
    <div className={`flex min-w-0 flex-col justify-center py-1 ${ORDER[at]}`}>
      <p className="flex min-h-5 items-baseline justify-between gap-2 px-1 leading-tight">
        <span>{hose ? `${say.length(hose.spec.boreM)}, ${hose.spec.lengthM} m` : without}</span>
        {hose && cost !== null && cost >= 10 && (
          <b className="font-semibold whitespace-nowrap">{W.costs3(minutes(cost))}</b>
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
            strokeWidth={at === 'pump' ? 7 : 2}
            strokeDasharray={at === 'pump' ? '' : '5 5'}
          />
        )}
      </svg>
      <div className="px-1">
        {picker}
        {hose && (
          <p className="min-h-5 text-note leading-tight text-ink-2">
            {KIND_WORDS[hose.spec.hoseKind]}
            {baseline !== null && W.measuredAlone}
          </p>
        )}
      </div>
    </div>
  )
}

/** On a phone the parts stand one below the other, the low side's before the high side's. */
const ORDER = { low: 'max-md:order-3', high: 'max-md:order-5', pump: '' }

export const KIND_WORDS = { metal: W.metal, 'barrier-new': W.newBarrierHose, 'rubber-old': W.oldRubber } as const

type PickProps = {
  label: string
  kind: EquipmentKind
  shelf: readonly Shelved[]
  value: string | null
  none?: string
  onPick: (id: string | null) => void
}

const CORES = { in: W.stayIn, out: W.outThroughCoreTools }
const COUPLERS = { turned: W.turnedByHand, auto: W.openByThemselves }
const PORTS = { three: W.goesOnLater, four: W.onAFourthPortFrom }
const GAUGE_VALVES = { none: W.noneItComesOff, own: W.aValveOfItsOwn }
const GAUGE_SEATS = { far: W.atTheFarthestPoint, pump: W.atThePump }

/** Picks a part from the shelf where it stands. */
function PickPart({ label, kind, shelf, value, none, onPick }: PickProps) {
  const parts = shelf
    .filter((s) => s.kind === kind && (!s.retired || s.id === value))
    .map((s) => [s.id, s.retired ? W.retired(s.name) : s.name])
  const options = Object.fromEntries([...(none ? [['', none]] : []), ...parts])
  return <Pick label={label} value={value ?? ''} options={options} onPick={(id) => onPick(id || null)} />
}
