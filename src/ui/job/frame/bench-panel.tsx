'use client'

import { useMutation } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { W } from '@/core/language/screen/job-frame'
import { newEventId, send } from '../../api'
import { Choice } from '../../form/field'
import { Fold } from '../../form/fold'
import { Pick } from '../../form/pick'

const SPEEDS = ['1', '10', '60', '300', '600'] as const
const LEAKS = [
  { value: '0', label: W.noLeak },
  { value: '0.00001', label: W.smallLeak },
  { value: '0.0003', label: W.plainLeak },
] as const
const WATER = [
  { value: '0.05', label: W.dry },
  { value: '1', label: W.n1GWater },
  { value: '4', label: W.n4GWater },
] as const
const GAUGE = [
  { value: 'good', label: W.good },
  { value: 'silent', label: W.dropsOut },
  { value: 'knocked', label: W.knocked },
  { value: 'dead', label: W.batteryDead },
] as const

const SCALE = [
  { value: 'good', label: W.good },
  { value: 'bumped', label: W.bumped },
  { value: 'leaning', label: W.aHoseLeans },
  { value: 'ounces', label: W.inOunces },
] as const

type Told = { name: string; told: string }

/** The simulated bench of the demo place: its clock, its instruments, and what is hidden inside. */
export function BenchPanel({
  jobId,
  running,
  factor,
  open,
}: {
  jobId: string
  running: boolean
  factor: number
  open: boolean
}) {
  const [refused, setRefused] = useState<string | null>(null)
  const { mutateAsync } = useMutation({
    mutationFn: (body: object) => send(`/api/jobs/${jobId}/bench`, { id: newEventId(), ...body }),
    onSuccess: (answer) => setRefused(answer.ok ? null : answer.message),
  })
  const control = async (body: object) => void (await mutateAsync(body))
  return (
    <Fold
      className="mt-3 border-t border-rule pt-2"
      first={open}
      title={W.simulatedBenchClock(factor, running ? W.instrumentsRunning : W.instrumentsOff)}
    >
      <div className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-3">
        <button
          type="button"
          className="plain-button"
          onClick={() => void control({ action: running ? 'stop' : 'start' })}
        >
          {running ? W.stopTheBench : W.startTheBench}
        </button>
        <Choice
          label={W.clockTimesTheWall}
          value={String(factor)}
          options={SPEEDS.map((s) => ({ value: s as string, label: `×${s}` }))}
          onChange={(s) => void control({ action: 'speed', factor: Number(s) })}
        />
        <Faults label={W.itsGauge} action="gauge" states={GAUGE} control={control} />
        <Faults label={W.itsScale} action="scale" states={SCALE} control={control} />
        <PutBack control={control} />
        <Scenarios control={control} onRefused={setRefused} />
      </div>
      {refused && <p className="mt-2 text-small font-medium text-leak">{refused}</p>}
    </Fold>
  )
}

type Control = (body: object) => Promise<void>

/** What a hand does to an instrument of the bench. */
function Faults({
  label,
  action,
  states,
  control,
}: {
  label: string
  action: 'gauge' | 'scale'
  states: readonly { value: string; label: string }[]
  control: Control
}) {
  const [now, setNow] = useState<string>('good')
  return (
    <Choice
      label={label}
      value={now}
      options={states}
      onChange={(state) => {
        setNow(state)
        void control({ action, state })
      }}
    />
  )
}

function PutBack({ control }: { control: Control }) {
  const [leak, setLeak] = useState<string>('0')
  const [water, setWater] = useState<string>('0.05')
  return (
    <>
      <Choice
        label={W.leak}
        value={leak}
        options={LEAKS as readonly { value: string; label: string }[]}
        onChange={setLeak}
      />
      <Choice
        label={W.water}
        value={water}
        options={WATER as readonly { value: string; label: string }[]}
        onChange={setWater}
      />
      <button
        type="button"
        className="plain-button"
        onClick={() => void control({ action: 'reset', leakPaM3S: Number(leak), waterG: Number(water) })}
      >
        {W.putTheCarBackWith}
      </button>
    </>
  )
}

/** Cars whose faults nobody at the screen knows: from those that ship, or from a file. */
function Scenarios({ control, onRefused }: { control: Control; onRefused: (why: string) => void }) {
  const [known, setKnown] = useState<Told[]>([])
  const [name, setName] = useState('')
  useEffect(() => {
    void fetch('/api/bench/scenarios')
      .then((r) => r.json() as Promise<{ scenarios: Told[] }>)
      .then(({ scenarios }) => {
        setKnown(scenarios)
        setName((n) => n || (scenarios[0]?.name ?? ''))
      })
      .catch(() => onRefused(W.theScenariosCouldNotBe))
  }, [onRefused])
  const fromFile = async (file: File | undefined) => {
    if (!file) return
    try {
      await control({ action: 'scenario', scenario: JSON.parse(await file.text()) })
    } catch {
      onRefused(W.isNotJsonAScenario(file.name))
    }
  }
  return (
    <div className="flex basis-full flex-wrap items-end gap-x-6 gap-y-3 border-t border-rule pt-3">
      <div className="w-72 max-sm:w-full">
        <Pick
          label={W.aCarWithAStory}
          value={name}
          options={Object.fromEntries(known.map((s) => [s.name, s.name]))}
          onPick={setName}
        />
      </div>
      <p className="max-w-80 basis-60 text-small leading-snug text-ink-2">{known.find((s) => s.name === name)?.told}</p>
      <button
        type="button"
        className="plain-button"
        disabled={name === ''}
        onClick={() => void control({ action: 'named-scenario', name })}
      >
        {W.putThisCarOn}
      </button>
      <label className="plain-button flex cursor-pointer items-center">
        {W.fromAScenarioFile}
        <input
          type="file"
          accept="application/json,.json"
          className="sr-only"
          onChange={(e) => void fromFile(e.target.files?.[0])}
        />
      </label>
    </div>
  )
}
