import { stopsNow } from '@/core/charge/plan-for-job'
import { refusalOf } from '@/core/job/refusals'
import { openContainer } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import { readMass } from '../../form/entries'
import { Collector, type FormDefinition } from '../forms/form-types'

/**
 * A container that weighs otherwise than planned by more than this and three steps of the scale is asked about, g
 * (assumed).
 */
const DIFFERS_G = 6
/** Away from its stop by more than this it is asked about, g (assumed). */
const FAR_OFF_G = 30

export const containerStart: FormDefinition = {
  initial: (state) => {
    const [next] = stopsNow(state)
    return { gross: next === undefined ? '' : `${Math.round(next.startGrossG * 10) / 10} g`, differs: '' }
  },
  parse: (values, state, { units }) => {
    const c = new Collector()
    const [next] = stopsNow(state)
    const grossG = c.take('gross', readMass(values.gross ?? '', units), 1)
    if ('gross' in c.errors || !next) return { errors: { gross: W.planTheChargeFirst, ...c.errors } }
    const offG = grossG - next.startGrossG
    const differs = Math.abs(offG) > Math.max(DIFFERS_G, 3 * state.opened.rig.scaleStepG)
    const answer = (['hose-hung-on', 'another-container'] as const).find((why) => why === values.differs)
    if (differs && !answer) {
      const by = W.gThanPlanned(Math.abs(Math.round(offG)), offG > 0 ? W.more : W.less)
      return {
        errors: {
          gross: W.wasTheScaleZeroedBefore(by),
        },
      }
    }
    const payload = { id: next.id, grossG, ...(differs && answer && { differs: answer }) }
    const refusal = refusalOf(state, { kind: 'container-started', payload })
    return refusal ? { errors: { gross: refusal.reason } } : { deeds: [{ kind: 'container-started', payload }] }
  },
}

export const containerEnd: FormDefinition = {
  initial: (_state, live) => ({ gross: live.scaleG === undefined ? '' : `${live.scaleG} g` }),
  parse: (values, state, { units, live }) => {
    const c = new Collector()
    const open = openContainer(state)
    const grossG = c.take('gross', readMass(values.gross ?? '', units), 1)
    if ('gross' in c.errors) return { errors: c.errors }
    const payload = { id: open?.id ?? '', grossG, ...(live?.said && { closing: live.said }) }
    const refusal = refusalOf(state, { kind: 'container-ended', payload })
    if (refusal) return { errors: { gross: refusal.reason } }
    const shown = live?.scaleG
    const asks =
      shown !== undefined && Math.abs(shown - grossG) > FAR_OFF_G
        ? { gross: W.theScaleShowsGTyped(Math.round(shown)) }
        : undefined
    return { deeds: [{ kind: 'container-ended', payload }], ...(asks && { asks }) }
  },
}
