'use client'

import { useState } from 'react'
import { newEventId, send } from '../api'
import { Choice } from '../form/field'

const SPEEDS = ['1', '10', '60', '300'] as const
const LEAKS = [
  { value: '0', label: 'no leak' },
  { value: '0.00001', label: 'small leak' },
  { value: '0.0003', label: 'plain leak' },
] as const
const WATER = [
  { value: '0.05', label: 'dry' },
  { value: '1', label: '1 g water' },
  { value: '4', label: '4 g water' },
] as const

/** The simulated bench of the demo place: its clock, its instruments, and what is hidden inside. */
export function BenchPanel({ jobId, running, factor }: { jobId: string; running: boolean; factor: number }) {
  const [leak, setLeak] = useState<string>('0')
  const [water, setWater] = useState<string>('0.05')
  const [refused, setRefused] = useState<string | null>(null)
  const control = async (body: object) => {
    const answer = await send(`/api/jobs/${jobId}/bench`, { id: newEventId(), ...body })
    setRefused(answer.ok ? null : answer.message)
  }
  return (
    <details className="mt-3 border-t border-rule pt-2">
      <summary className="min-h-9 cursor-pointer text-[16px]">
        <b className="font-semibold">Simulated bench</b>, clock ×{factor}, {running ? 'instruments running' : 'instruments off'}
      </summary>
      <div className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-3">
        <button type="button" className="plain-button" onClick={() => void control({ action: running ? 'stop' : 'start' })}>
          {running ? 'Stop the bench' : 'Start the bench'}
        </button>
        <Choice
          label="Clock, times the wall"
          value={String(factor)}
          options={SPEEDS.map((s) => ({ value: s as string, label: `×${s}` }))}
          onChange={(s) => void control({ action: 'speed', factor: Number(s) })}
        />
        <Choice label="Leak" value={leak} options={LEAKS as readonly { value: string; label: string }[]} onChange={setLeak} />
        <Choice label="Water" value={water} options={WATER as readonly { value: string; label: string }[]} onChange={setWater} />
        <button type="button" className="plain-button" onClick={() => void control({ action: 'reset', leakPaM3S: Number(leak), waterG: Number(water) })}>
          Put the car back, with these inside
        </button>
      </div>
      {refused && <p className="mt-2 text-[16px] font-medium text-leak">{refused}</p>}
    </details>
  )
}
