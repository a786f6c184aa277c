import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
import { PLACES, placesOf } from '@/core/leak/places'
import { CircuitSketch } from './circuit-sketch'

/** Where this car leaked, marked on its circuit; nothing before anything was found. */
export function FoundSketch({ state }: { state: JobState }) {
  if (state.leaksFound.length === 0) return null
  const at = new Set(state.leaksFound.map((leak) => leak.at))
  const names = state.leaksFound.map((leak) => `${PLACES[leak.at].name}: ${leak.done}`)
  return (
    <figure aria-label={W.whereItLeaked} className="mt-3 break-inside-avoid">
      <CircuitSketch
        chances={new Map(placesOf(state).map((p) => [p, at.has(p) ? 1 : 0]))}
        cleared={new Set()}
        shown={at}
      />
      <figcaption className="text-body">{names.join('; ')}</figcaption>
    </figure>
  )
}
