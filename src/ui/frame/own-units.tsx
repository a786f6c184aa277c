'use client'

import { useRouter } from 'next/navigation'
import { W } from '@/core/language/screen/frame-own-units'
import { UNIT_CHOICES, UNIT_WORDS, type UnitKind, type Units } from '@/core/units/shown'
import { Choice } from '../form/field'
import { Refused } from '../form/refused'
import { useSend } from '../form/use-send'
import { useUnits } from '../units'
import { useSaid } from './said'

const NAMES: Record<UnitKind, string> = {
  vacuum: W.vacuum,
  pressure: W.pressure,
  temperature: W.temperature,
  mass: W.mass,
  oil: W.oil,
  length: W.lengths,
  clock: W.clock,
}

/** The units one person thinks in: large figures and bare entries are in them; what was typed keeps its own. */
export function OwnUnits() {
  const units = useUnits()
  const router = useRouter()
  const done = useSaid()
  const { send, busy, said } = useSend('/api/units')
  const choose = async (kind: UnitKind, unit: string) => {
    if (!(await send({ ...units, [kind]: unit } satisfies Record<keyof Units, string>))) return
    done(W.saved)
    router.refresh()
  }
  return (
    <section aria-label={W.units} className="space-y-3">
      <h2 className="text-head font-semibold">{W.theUnitsYouThinkIn}</h2>
      <p className="text-small text-ink-2">{W.whatYouReadWhatThe}</p>
      {(Object.keys(UNIT_CHOICES) as UnitKind[]).map((kind) => (
        <Choice
          key={kind}
          label={NAMES[kind]}
          value={units[kind]}
          disabled={busy}
          options={UNIT_CHOICES[kind].map((unit) => ({ value: unit, label: UNIT_WORDS[unit] ?? unit }))}
          onChange={(unit: string) => void choose(kind, unit)}
        />
      ))}
      <Refused>{said}</Refused>
    </section>
  )
}
