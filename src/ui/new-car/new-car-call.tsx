'use client'

import { useController, useWatch } from 'react-hook-form'
import { pumpElsewhere } from '@/core/call/cautions'
import { W } from '@/core/language/screen/new-car'
import { rigBusyWords } from '@/core/words/shop-plan-words'
import { TextField } from '../form/bound'
import { MainButton } from '../form/main-button'
import { Pick } from '../form/pick'
import { Refused } from '../form/refused'
import { Sign } from '../form/sign'
import { Tick } from '../form/tick'
import { cfmText } from '../format'
import { PanelFoot, SidePanel } from '../frame/side-panel'
import { DueList } from '../rig-room/due-list'
import { useClock, useSay } from '../units'
import type { NewCarControl, ProcedureChoice, RigChoice } from './values'

type Props = {
  control: NewCarControl
  demo: boolean
  procedures: readonly ProcedureChoice[]
  procedure: ProcedureChoice | undefined
  onProcedure: (name: string) => void
  rigs: readonly RigChoice[]
  rig: RigChoice | undefined
  onRig: (name: string) => void
  places: readonly { name: string }[]
  placeName: string
  onPlace: (name: string) => void
  question: string | undefined
  /** a car the shop knows */
  known: boolean
  busy: boolean
  said: string
  timeZone: string
}

const byName = (things: readonly { name: string }[]) => Object.fromEntries(things.map(({ name }) => [name, name]))

/** What is asked of whoever takes a car in: by which procedure, with which rig, and the one button. */
export function NewCarCall(props: Props) {
  const {
    control,
    demo,
    procedures,
    procedure,
    onProcedure,
    rigs,
    rig,
    onRig,
    places,
    placeName,
    onPlace,
    question,
    known,
    busy,
    said,
    timeZone,
  } = props
  const say = useSay()
  const simulated = useWatch({ control, name: 'simulated' })
  const elsewhere = rig?.pullsOn && pumpElsewhere(rig.pullsOn)
  return (
    <SidePanel label={W.theCall}>
      <p className="text-small text-ink-2">{W.theCall}</p>
      <h1 className="mt-1 text-call font-semibold leading-[1.1]">
        {question ? W.lookAtTheLabelsLine : known ? W.itWasHereBeforeIs : W.takeItInByIts}
      </h1>
      <p className="mt-3 text-lead leading-snug">{question ?? W.theRightLineOfThe}</p>
      <div className="mt-4 space-y-4 border-t border-rule pt-4">
        {places.length > 1 && <Pick label={W.place} value={placeName} options={byName(places)} onPick={onPlace} />}
        <Pick label={W.procedure} value={procedure?.name ?? ''} options={byName(procedures)} onPick={onProcedure} />
        {procedure && (
          <p className="text-small leading-snug">
            {W.aboutMinHoldMin(say.vacuum(procedure.targetPa), procedure.pullMinutes, procedure.holdMinutes)}{' '}
            <b className="font-semibold">{W.proves}</b> {procedure.proves}
          </p>
        )}
        <Pick label={W.rig} value={rig?.name ?? ''} options={byName(rigs)} onPick={onRig} />
        {rig && <RigFacts rig={rig} timeZone={timeZone} />}
        <TextField
          control={control}
          name="promised"
          type="datetime-local"
          label={W.promisedFor}
          hint={W.leftEmptyNoPromiseThe}
        />
        {demo && <OnTheBench control={control} />}
        {!simulated && (
          <TextField
            control={control}
            name="cameAt"
            type="datetime-local"
            label={W.cameInEarlierAt}
            hint={W.leftEmptyNowForA}
          />
        )}
      </div>
      <PanelFoot>
        {elsewhere && (
          <p className="mb-2 text-small font-medium">
            {elsewhere.sentence} {elsewhere.remedy}
          </p>
        )}
        <Refused className="mb-2 text-small">{said}</Refused>
        <MainButton type="submit" disabled={busy}>
          {W.takeItIn}
        </MainButton>
        <p className="mt-3 text-small text-ink-2">{W.thenReadBothGaugesAt}</p>
      </PanelFoot>
    </SidePanel>
  )
}

function RigFacts({ rig, timeZone }: { rig: RigChoice; timeZone: string }) {
  const say = useSay()
  const clock = useClock(timeZone)
  return (
    <>
      <p className="text-small leading-snug text-ink-2">
        {W.cfmHosesOfAnd(
          cfmText(rig.pumpM3S),
          rig.hoses,
          say.length(rig.boreM),
          rig.lengthM,
          rig.gauge,
          rig.scaleStepG,
        )}
      </p>
      {rig.busy && (
        <p className="text-small font-medium">
          {rig.busy.now && <Sign kind="caution" />}
          {W.it2(rigBusyWords(rig.busy, clock))}
        </p>
      )}
      {rig.missing && (
        <p className="text-small font-medium text-leak">
          <Sign kind="fault" />
          {W.putItTogetherAnew(rig.missing)}
        </p>
      )}
      {rig.dues.length > 0 && <DueList dues={rig.dues} />}
    </>
  )
}

function OnTheBench({ control }: { control: NewCarControl }) {
  const { field } = useController({ control, name: 'simulated' })
  return <Tick label={W.onTheSimulatedBenchClock} checked={field.value} onChange={field.onChange} />
}
