'use client'

import type { Call, Live } from '@/core/call/types'
import { gaugeSeat } from '@/core/job/gauge-seat'
import { PART_NAMES, PARTS, type Part, type RigState } from '@/core/job/parts'
import { type JobState, openContainer } from '@/core/job/state'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/job-frame'
import { vacuumSeenIn } from '@/core/readings/vacuum-seen'
import { sayIn } from '@/core/units/say'
import { Fold } from '../../form/fold'
import { cfmText } from '../../format'
import { useUnits } from '../../units'
import type { Deeds } from '../use-deeds'

const GAUGE_WORDS = { needle: W.needle, far: W.farGauge, pump: W.gaugeAtThePump } as const

type Props = { state: JobState; live: Live; call: Call; deeds: Deeds }

/** The line from the far gauge through the car to pump or container; what the hands just turned is tapped here. */
export function ConnectionDrawing({ state, live, call, deeds }: Props) {
  const units = useUnits()
  const { rig } = state
  const due = new Set(
    call.action.does.do === 'record'
      ? call.action.does.deeds.flatMap((d) => (d.kind === 'part-set' ? [d.payload.part] : []))
      : [],
  )
  const turn = (part: Part) => deeds.record([{ kind: 'part-set', payload: { part, state: following(part, rig) } }])
  const tap = { rig, due, turn, locked: deeds.busy || state.signed !== undefined }
  const container = openContainer(state)
  return (
    <section aria-label={W.connection} className="mt-3 border-t border-rule pt-3">
      <div className="flex items-stretch max-sm:hidden">
        <Box>
          <b className="text-row font-semibold">
            {live.vacuumPa === undefined || state.step === 'charge' || state.step === 'prove'
              ? '–'
              : vacuumSeenIn(state.opened, live.vacuumUnit, units.vacuum)(live.vacuumPa).text}
          </b>
          <span>{GAUGE_WORDS[gaugeSeat(state.opened.rig)]}</span>
        </Box>
        <span aria-hidden="true" className="w-5 self-center border-t-[7px] border-ink" />
        <Box tinted>
          <b className="max-w-44 truncate text-row font-semibold leading-tight">{state.opened.car.name}</b>
          <span className="flex items-center justify-between gap-2 whitespace-nowrap">
            {state.opened.volumeL} L <TapText part="engine" {...tap} />
          </span>
        </Box>
        <div className="flex flex-1 flex-col justify-around">
          {(['low', 'high'] as const).map((side) => (
            <div key={side} className="flex items-center">
              <span className="w-10 pl-1.5 text-note font-medium">{side}</span>
              <TapValve part={`coupler-${side}`} {...tap} />
              <span className="min-w-3 flex-1 border-t-[7px] border-ink" aria-hidden="true" />
              <TapValve part={`valve-${side}`} {...tap} />
              <span className="min-w-3 flex-1 border-t-[7px] border-ink" aria-hidden="true" />
            </div>
          ))}
        </div>
        <div className="my-[19px] border-l-[7px] border-ink" aria-hidden="true" />
        <div className="flex w-[104px] flex-col justify-center">
          <span
            aria-hidden="true"
            className={`border-ink ${rig['centre-hose'] === 'off' ? 'w-6' : 'w-full'} mt-[18px] border-t-[7px]`}
          />
          <Tap part="centre-hose" {...tap}>
            {W.centreHose}
            <b className="font-semibold">{stateWord('centre-hose', rig)}</b>
          </Tap>
        </div>
        {rig['centre-hose'] === 'container' ? (
          <Box tinted>
            <span className="flex items-baseline justify-between gap-2">
              <b className="text-row font-semibold leading-tight">{container?.id ?? W.container}</b>
              <span>{live.scaleG === undefined ? '' : sayIn(units).mass(live.scaleG)}</span>
            </span>
            <span className="flex gap-1">
              <Tap part="container-valve" {...tap}>
                {W.valve}
                <b className="font-semibold">{codeWords(rig['container-valve'])}</b>
              </Tap>
              <Tap part="container-pose" {...tap}>
                <b className="font-semibold">{codeWords(rig['container-pose'])}</b>
              </Tap>
            </span>
          </Box>
        ) : (
          <Box tinted>
            <span className="grid grid-cols-[104px_112px] items-center">
              <b className="text-row font-semibold leading-tight">{W.pumpCfm(cfmText(state.opened.rig.pumpM3S))}</b>
              <TapText part="ballast" {...tap} />
              <TapText part="pump" {...tap} />
              <TapText part="exhaust-cap" {...tap} />
            </span>
          </Box>
        )}
      </div>
      <PhoneParts {...tap} />
    </section>
  )
}

/** The state of a part as the drawing says it. */
function stateWord(part: Part, rig: RigState): string {
  if (part === 'container-pose') return codeWords(rig['container-pose'])
  if (part === 'centre-hose')
    return rig['centre-hose'] === 'off' ? codeWords('off') : W.to(codeWords(rig['centre-hose']))
  return rig[part] === 'on' && part.startsWith('coupler') ? W.onClosed : codeWords(rig[part])
}

/** The state a tap gives a part: the next in its list. */
export function following(part: Part, rig: RigState): string {
  const states: readonly string[] = PARTS[part]
  return states[(states.indexOf(rig[part]) + 1) % states.length] as string
}

function Box({ children, tinted = false }: { children: React.ReactNode; tinted?: boolean }) {
  return (
    <div
      className={
        `flex min-w-[92px] flex-col justify-center rounded border-[1.5px] border-ink px-2.5 py-0.5 text-note ` +
        `leading-snug ${tinted ? 'bg-drying' : 'bg-sheet'}`
      }
    >
      {children}
    </div>
  )
}

type TapProps = { rig: RigState; due: Set<Part>; turn: (part: Part) => void; locked: boolean; part: Part }

function Tap({ part, rig, due, turn, locked, children }: TapProps & { children: React.ReactNode }) {
  const marked = due.has(part)
  return (
    <button
      type="button"
      disabled={locked}
      onClick={() => turn(part)}
      aria-label={W.tapFor(PART_NAMES[part], stateWord(part, rig), codeWords(following(part, rig)))}
      className={
        `min-h-11 rounded px-2 text-left text-note leading-tight ` +
        (marked
          ? 'border-[3px] border-accent bg-accent-soft font-semibold'
          : 'border border-transparent hover:border-rule-2')
      }
    >
      {children}
    </button>
  )
}

function TapText(props: TapProps) {
  return (
    <Tap {...props}>
      {PART_NAMES[props.part]} <b className="font-semibold">{stateWord(props.part, props.rig)}</b>
    </Tap>
  )
}

/** A valve in the line: open, the line runs through and the lever lies along it; closed, a gap and the lever across. */
function TapValve(props: TapProps) {
  const state = props.rig[props.part]
  return (
    <Tap {...props}>
      <span className="flex items-center gap-2">
        <svg width="46" height="34" viewBox="0 0 46 34" aria-hidden="true">
          {state === 'open' ? (
            <path d="M0 22h46M12 7h22M23 7v12" stroke="var(--ink)" strokeWidth="6" />
          ) : state === 'off' ? (
            <path d="M0 22h10M36 22h10" stroke="var(--ink)" strokeWidth="6" strokeDasharray="4 3" />
          ) : (
            <path d="M0 22h12M34 22h12M12 14v16M34 14v16M23 4v28" stroke="var(--ink)" strokeWidth="5" />
          )}
        </svg>
        <span>
          {PART_NAMES[props.part].replace(/^(low|high) /, '')}{' '}
          <b className="block font-semibold">{stateWord(props.part, props.rig)}</b>
        </span>
      </span>
    </Tap>
  )
}

/** On the phone the same parts as a folded list. */
function PhoneParts(tap: Omit<TapProps, 'part'>) {
  return (
    <Fold title={W.connection} className="sm:hidden">
      <div className="grid grid-cols-2 gap-1.5">
        {(Object.keys(PARTS) as Part[]).map((part) => (
          <TapText key={part} part={part} {...tap} />
        ))}
      </div>
    </Fold>
  )
}
