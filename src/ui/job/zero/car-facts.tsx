'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-zero'
import { OPENED_WORDS } from '@/core/words/renewed'
import { useSay } from '../../units'

/** What was taken down when it came in. */
export function CarFacts({ state }: { state: JobState }) {
  const { label, story, place, history, procedure, volumeL, rig } = state.opened
  const say = useSay(place.barometerPa)
  const facts = [
    [
      W.label,
      `${label.refrigerant}, ${label.typed}, ${label.oilKind}${label.oilMl === null ? '' : ` ${say.oil(label.oilMl)}`}`,
    ],
    [W.opened, W.hDrier(OPENED_WORDS[story.opened], story.openHours, story.drierReplaced ? W.replaced : W.kept)],
    [W.place, W.airKpa((place.barometerPa / 1000).toFixed(1), say.celsius(place.ambientC))],
    [W.procedure, W.holdMin(procedure.name, say.vacuum(procedure.targetPa), procedure.holdMinutes)],
    [W.rig, W.lInsideAssumed(rig.name, volumeL)],
    ...(history.lastChargeG !== null && history.daysSinceCharge !== null
      ? [[W.lastCharge, W.daysAgo(say.mass(history.lastChargeG), history.daysSinceCharge)]]
      : []),
  ] as [string, string][]
  return (
    <dl className="mt-6 grid max-w-[896px] grid-cols-2 gap-x-8 gap-y-4 border-t-2 border-ink pt-4 max-sm:grid-cols-1">
      {facts.map(([name, value]) => (
        <div key={name}>
          <dt className="text-small text-ink-2">{name}</dt>
          <dd className="text-row font-medium leading-snug">{value}</dd>
        </div>
      ))}
    </dl>
  )
}
