import { chargedG, type JobState } from '../job/state'
import { stopsNow } from './plan-for-job'

/**
 * One container as a layer of the charge: from and to which grams in the car it fills, and its weights on the scale.
 */
export type Level = {
  id: string
  state: 'done' | 'now' | 'coming'
  fromG: number
  toG: number
  startGrossG: number
  stopGrossG: number
}

/**
 * The containers of a charge as layers, the first at the bottom.
 * @returns layers that join; the last one ends at the target where the containers suffice
 */
export function levelsOf(state: JobState): Level[] {
  const done = state.containers.flatMap((c, i): Level[] => {
    if (c.endGrossG === undefined) return []
    const upTo = (n: number) => chargedG({ ...state, containers: state.containers.slice(0, n) })
    return [
      {
        id: c.id,
        state: 'done',
        fromG: upTo(i),
        toG: upTo(i + 1),
        startGrossG: c.startGrossG,
        stopGrossG: c.endGrossG,
      },
    ]
  })
  const open = state.containers.some((c) => c.endGrossG === undefined)
  let fromG = done[done.length - 1]?.toG ?? 0
  const rest = stopsNow(state).map((s, i): Level => {
    const level: Level = {
      id: s.id,
      state: open && i === 0 ? 'now' : 'coming',
      fromG,
      toG: fromG + s.takenG - s.purgeG - s.inHoseG,
      startGrossG: s.startGrossG,
      stopGrossG: s.stopGrossG,
    }
    fromG = level.toG
    return level
  })
  return [...done, ...rest]
}
