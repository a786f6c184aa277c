'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { assembleRig, PartMissing, type RigParts } from '@/core/equipment/assemble'
import type { Shelved } from '@/core/equipment/equipment'
import { duesOfRig } from '@/core/equipment/upkeep'
import type { Rig } from '@/core/job/events'
import type { PullQuestion } from '@/core/pull/planner'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import type { PortSpeed } from '@/core/rig/port-speeds'
import type { StoredRig } from '@/core/views'
import { newEventId, send } from '../api'
import { Field } from '../form/field'
import { Sign } from '../form/sign'
import { dayIn } from '../format'
import type { ShopView } from '../frame/who'
import { type RigStudy, useRigStudy } from '../hooks/use-rig-study'
import { useZone } from '../zone'
import { DueList } from './due-list'
import { PullPicture } from './pull-picture'
import { RigDrawing } from './rig-drawing'
import { SpeedTable } from './speed-table'
import type { TrialCar } from './trial-car'

type Props = { shop: ShopView; rigs: StoredRig[]; shelf: Shelved[]; mayEdit: boolean; now: number }
type Draft = { id: string; name: string; parts: RigParts }

const DRAWS = 60
const HORIZON_S = 7200

/** The first rig the shelf allows, for a new one. */
function blankDraft(shelf: readonly Shelved[]): Draft | null {
  const first = (kind: Shelved['kind']) => shelf.find((s) => s.kind === kind && !s.retired)?.id
  const [pump, lowHose, gauge, scale] = [first('pump'), first('hose'), first('gauge'), first('scale')]
  if (!pump || !lowHose || !gauge || !scale) return null
  return {
    id: newEventId(),
    name: '',
    parts: { pump, lowHose, highHose: null, pumpHose: null, gauge, gaugeAt: 'far', scale, cores: 'in' },
  }
}

const draftOf = ({ id, name, parts }: StoredRig): Draft | null => (parts ? { id, name, parts } : null)

export function RigBuilder({ shop, rigs, shelf, mayEdit, now }: Props) {
  const drafts = rigs.flatMap((r) => draftOf(r) ?? [])
  const [draft, setDraft] = useState<Draft | null>(() => drafts[0] ?? blankDraft(shelf))
  const [trial, setTrial] = useState<TrialCar>({ evaporators: 1, opened: 'component', targetMicron: 500 })
  const { rig, fault } = draft ? tryAssemble(draft, shelf) : { rig: null, fault: null }
  const study = useRigStudy(rig, rig && questionOf(rig, trial, shop))
  if (!draft) {
    return (
      <main className="px-5 py-6">
        <h1 className="text-[34px] font-semibold leading-tight">Nothing to build with yet.</h1>
        <p className="mt-2 text-[18px]">
          A rig needs a pump, a hose, a gauge and a scale.{' '}
          {mayEdit ? 'Put them on the shelf below first.' : 'The lead puts them on the shelf.'}
        </p>
      </main>
    )
  }
  const isNew = !rigs.some((r) => r.id === draft.id)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_344px] max-lg:grid-cols-1">
      <main className="px-5 pt-3 pb-5 max-sm:px-4">
        <h1 className="sr-only">Rig room</h1>
        <nav aria-label="Rigs" className="flex flex-wrap items-center gap-1.5">
          {drafts.map((d) => (
            <button
              key={d.id}
              type="button"
              aria-pressed={d.id === draft.id}
              onClick={() => setDraft(d)}
              className={`min-h-11 rounded border-[1.5px] px-3 text-[17px] ${d.id === draft.id ? 'border-ink bg-ink font-medium text-ground' : 'border-rule-2'}`}
            >
              {d.name}
            </button>
          ))}
          {mayEdit && (
            <button
              type="button"
              aria-pressed={isNew}
              className={`min-h-11 rounded border-[1.5px] border-dashed px-3 text-[17px] ${isNew ? 'border-ink font-medium' : 'border-rule-2'}`}
              onClick={() => setDraft(blankDraft(shelf))}
            >
              another rig
            </button>
          )}
        </nav>
        <RigDrawing
          parts={draft.parts}
          shelf={shelf}
          costs={study.costs}
          change={(parts) => setDraft({ ...draft, parts: { ...draft.parts, ...parts } })}
        />
        {fault && (
          <p role="alert" className="mt-2 text-[17px] font-medium text-leak">
            <Sign kind="fault" />
            {fault}
          </p>
        )}
        {rig && (
          <div className="mt-4 grid grid-cols-[250px_minmax(0,1fr)] gap-6 border-t border-rule pt-3 max-md:grid-cols-1">
            <SpeedTable speeds={study.speeds} rig={rig} />
            <PullPicture rig={rig} trial={trial} setTrial={setTrial} study={study} shop={shop} />
          </div>
        )}
      </main>
      <Side
        key={draft.id}
        draft={draft}
        rig={rig}
        study={study}
        shelf={shelf}
        mayEdit={mayEdit}
        now={now}
        isNew={isNew}
        rename={(name) => setDraft({ ...draft, name })}
      />
    </div>
  )
}

function tryAssemble(draft: Draft, shelf: readonly Shelved[]): { rig: Rig | null; fault: string | null } {
  try {
    return { rig: assembleRig(draft.name || 'this rig', draft.parts, shelf), fault: null }
  } catch (error) {
    if (error instanceof PartMissing) return { rig: null, fault: error.message }
    throw error
  }
}

function questionOf(rig: Rig, trial: TrialCar, shop: ShopView): PullQuestion {
  return {
    car: { volumeL: FREE_VOLUME_L[trial.evaporators], evaporators: trial.evaporators },
    rig,
    story: { opened: trial.opened, openHours: 2, drierReplaced: true },
    ambientC: shop.ambientC,
    barometerPa: shop.barometerPa,
    targetMicron: trial.targetMicron,
    draws: DRAWS,
    seed: 1,
    horizonS: HORIZON_S,
  }
}

type SideProps = {
  draft: Draft
  rig: Rig | null
  study: RigStudy
  shelf: Shelved[]
  mayEdit: boolean
  now: number
  isNew: boolean
  rename: (name: string) => void
}

/** What this rig is worth, in one sentence, what it is due for, and keeping it. */
function Side({ draft, rig, study, shelf, mayEdit, now, isNew, rename }: SideProps) {
  const zone = useZone()
  const router = useRouter()
  const [said, setSaid] = useState('')
  const [error, setError] = useState<string>()
  const keep = async () => {
    const answer = await send('/api/rig-room', { what: 'rig', rig: draft })
    setError(answer.ok ? undefined : (answer.faults.find((f) => f.path.endsWith('name'))?.reason ?? answer.message))
    setSaid(answer.ok ? 'Kept. Jobs opened from now on use it.' : '')
    if (answer.ok) router.refresh()
  }
  const worst = study.costs?.filter((c) => c.savesS !== null).sort((a, b) => (b.savesS ?? 0) - (a.savesS ?? 0))[0]
  const at500 = study.speeds?.filter((s) => s.depth === 500).sort((a, b) => b.share - a.share)[0]
  return (
    <aside
      aria-label="This rig"
      className="flex flex-col border-l border-rule bg-sheet p-5 max-lg:border-l-0 max-sm:p-4 lg:sticky lg:top-0 lg:h-[calc(100dvh-44px)] lg:self-start lg:overflow-y-auto"
    >
      <p className="text-[16px] text-ink-2">What it is worth at the car</p>
      <p className="mt-1 text-[34px] font-semibold leading-[1.1]">
        {at500 ? `${shareText(at500)} of its pump at 500 micron.` : 'Working it out …'}
      </p>
      {worst && (worst.savesS ?? 0) >= 60 && (
        <p className="mt-3 text-[18px] leading-snug">
          The most goes to the <b className="font-semibold">{worst.name}</b>: {Math.round((worst.savesS ?? 0) / 60)} of
          the {minutesText(study)} of this pull.
        </p>
      )}
      {draft.parts.gaugeAt === 'pump' && (
        <p className="mt-3 text-[17px] font-medium leading-snug text-caution">
          <Sign kind="caution" />
          Its gauge sits at the pump and reads below the car for as long as anything flows. Put it at the farthest
          point.
        </p>
      )}
      <div className="mt-4 border-t border-rule pt-3">
        <p className="mb-1 text-[16px] font-semibold">Due</p>
        <DueList dues={rig ? duesOfRig(rig, shelf, now, dayIn(zone)) : []} />
      </div>
      {mayEdit && (
        <div className="mt-auto pt-4">
          <Field label="Name of this rig" value={draft.name} onChange={rename} error={error} />
          <button
            type="button"
            disabled={!rig}
            onClick={() => void keep()}
            className="min-h-[64px] w-full rounded bg-accent px-5 text-left text-[25px] font-semibold text-accent-text disabled:opacity-50"
          >
            {isNew ? 'Keep this rig' : 'Keep the change'}
          </button>
          <p role="status" className="mt-2 min-h-6 text-[16px]">
            {said}
          </p>
        </div>
      )}
    </aside>
  )
}

const shareText = (s: PortSpeed): string =>
  `${s.share < 0.01 ? (s.share * 100).toFixed(1) : Math.round(s.share * 100)} %`
const minutesText = (study: RigStudy): string =>
  study.plan?.p50S ? `${Math.round(study.plan.p50S / 60)} minutes` : 'minutes'
