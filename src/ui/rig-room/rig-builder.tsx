'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { ToggleGroup } from 'radix-ui'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { assembleRig, PartMissing, type RigParts } from '@/core/equipment/assemble'
import type { Shelved } from '@/core/equipment/equipment'
import { duesOfRig } from '@/core/equipment/upkeep'
import type { Rig } from '@/core/job/written'
import { W } from '@/core/language/screen/rig-room'
import type { PullQuestion } from '@/core/pull/planner'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import type { PortSpeed } from '@/core/rig/port-speeds'
import { PA_PER_MICRON } from '@/core/units/constants'
import type { StoredRig } from '@/core/views'
import { newEventId } from '../api'
import { TextField } from '../form/bound'
import { MainButton } from '../form/main-button'
import { Refused } from '../form/refused'
import { Sign } from '../form/sign'
import { useSending } from '../form/use-sending'
import { dayIn } from '../format'
import { useSaid } from '../frame/said'
import { SidePanel } from '../frame/side-panel'
import type { ShopView } from '../frame/who'
import { type RigStudy, useRigStudy } from '../hooks/use-rig-study'
import { Strong, slot, Worded } from '../worded'
import { useZone } from '../zone'
import { DueList } from './due-list'
import { PullPicture } from './pull-picture'
import { RigDrawing } from './rig-drawing'
import { SpeedTable } from './speed-table'
import type { TrialCar } from './trial-car'

type Props = { shop: ShopView; rigs: StoredRig[]; shelf: Shelved[]; mayEdit: boolean; now: number }
type Draft = { id: string; name: string; parts: RigParts }

const Named = z.object({ name: z.string().trim().min(1, W.aNameToPickIt) })

/** The rig that is not there yet. */
const ANOTHER = 'another'

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
        <h1 className="text-call font-semibold leading-tight">{W.nothingToBuildWithYet}</h1>
        <p className="mt-2 text-lead">
          {W.aRigNeedsAPump} {mayEdit ? W.putThemOnTheShelf : W.theLeadPutsThemOn}
        </p>
      </main>
    )
  }
  const isNew = !rigs.some((r) => r.id === draft.id)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_344px] max-lg:grid-cols-1">
      <main className="px-5 pt-3 pb-5 max-sm:px-4">
        <h1 className="sr-only">{W.rigRoom}</h1>
        <ToggleGroup.Root
          type="single"
          aria-label={W.rigs}
          className="flex flex-wrap items-center gap-1.5"
          value={isNew ? ANOTHER : draft.id}
          onValueChange={(id) =>
            id && setDraft(id === ANOTHER ? blankDraft(shelf) : (drafts.find((d) => d.id === id) ?? draft))
          }
        >
          {drafts.map((d) => (
            <ToggleGroup.Item
              key={d.id}
              value={d.id}
              className={
                'min-h-11 rounded border-[1.5px] border-rule-2 px-3 text-body data-[state=on]:border-ink ' +
                'data-[state=on]:bg-ink data-[state=on]:font-medium data-[state=on]:text-ground'
              }
            >
              {d.name}
            </ToggleGroup.Item>
          ))}
          {mayEdit && (
            <ToggleGroup.Item
              value={ANOTHER}
              className={
                'min-h-11 rounded border-[1.5px] border-dashed border-rule-2 px-3 text-body ' +
                'data-[state=on]:border-ink data-[state=on]:font-medium'
              }
            >
              {W.anotherRig}
            </ToggleGroup.Item>
          )}
        </ToggleGroup.Root>
        <RigDrawing
          parts={draft.parts}
          shelf={shelf}
          costs={study.costs}
          change={(parts) => setDraft({ ...draft, parts: { ...draft.parts, ...parts } })}
        />
        {fault && (
          <p role="alert" className="mt-2 text-body font-medium text-leak">
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
      />
    </div>
  )
}

function tryAssemble(draft: Draft, shelf: readonly Shelved[]): { rig: Rig | null; fault: string | null } {
  try {
    return { rig: assembleRig(draft.name || W.thisRig, draft.parts, shelf), fault: null }
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
    targetPa: trial.targetMicron * PA_PER_MICRON,
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
}

/** What this rig is worth, in one sentence, what it is due for, and keeping it. */
function Side({ draft, rig, study, shelf, mayEdit, now, isNew }: SideProps) {
  const zone = useZone()
  const router = useRouter()
  const form = useForm({ resolver: zodResolver(Named), defaultValues: { name: draft.name } })
  const { post, busy, said } = useSending(form, '/api/rig-room')
  const done = useSaid()
  const keep = form.handleSubmit(async ({ name }) => {
    if (!(await post({ what: 'rig', rig: { ...draft, name } }))) return
    done(W.keptJobsOpenedFromNow)
    router.refresh()
  })
  const worst = study.costs?.filter((c) => c.savesS !== null).sort((a, b) => (b.savesS ?? 0) - (a.savesS ?? 0))[0]
  const at500 = study.speeds?.filter((s) => s.depth === 500).sort((a, b) => b.share - a.share)[0]
  return (
    <SidePanel label={W.thisRig2}>
      <p className="text-small text-ink-2">{W.whatItIsWorthAt}</p>
      <p className="mt-1 text-call font-semibold leading-[1.1]">
        {at500 ? W.ofItsPumpAt500(shareText(at500)) : W.workingItOut}
      </p>
      {worst && (worst.savesS ?? 0) >= 60 && (
        <p className="mt-3 text-lead leading-snug">
          <Worded
            words={W.theMostGoesToThe(slot('part'), Math.round((worst.savesS ?? 0) / 60), minutesText(study))}
            part={<Strong>{worst.name}</Strong>}
          />
        </p>
      )}
      {draft.parts.gaugeAt === 'pump' && (
        <p className="mt-3 text-body font-medium leading-snug text-caution">
          <Sign kind="caution" />
          {W.itsGaugeSitsAtThe}
        </p>
      )}
      <div className="mt-4 border-t border-rule pt-3">
        <p className="mb-1 text-small font-semibold">{W.due}</p>
        <DueList dues={rig ? duesOfRig(rig, shelf, now, dayIn(zone)) : []} />
      </div>
      {mayEdit && (
        <form className="mt-auto pt-4" onSubmit={keep} noValidate>
          <TextField control={form.control} name="name" label={W.nameOfThisRig} />
          <MainButton type="submit" disabled={!rig || busy}>
            {isNew ? W.keepThisRig : W.keepTheChange}
          </MainButton>
          <Refused className="mt-2 min-h-6 text-small">{said}</Refused>
        </form>
      )}
    </SidePanel>
  )
}

const shareText = (s: PortSpeed): string =>
  `${s.share < 0.01 ? (s.share * 100).toFixed(1) : Math.round(s.share * 100)} %`
const minutesText = (study: RigStudy): string =>
  study.plan?.p50S ? W.minutes(Math.round(study.plan.p50S / 60)) : W.minutes2
