import { sidesOf } from '@/core/job/sides'
import { PA_PER_PSI } from '@/core/units/constants'
import { readGauge, readMass } from '../../form/entries'
import { Collector, type FormDefinition } from '../forms/form-types'

/** Error of a manifold gauge at rest, Pa: one psi either way (assumed). */
const GAUGE_ERROR_PA = PA_PER_PSI

export const zero: FormDefinition = {
  initial: () => ({ low: '', high: '' }),
  parse: (values, state) => {
    const { barometerPa } = state.opened.place
    const c = new Collector()
    const lowPaG = c.take('low', readGauge(values.low ?? '', barometerPa), 0)
    // at rest both sides stand at the same: a rig of one hose reads the one it reaches
    const both = sidesOf(state.opened.rig).includes('high')
    const highPaG = both ? c.take('high', readGauge(values.high ?? '', barometerPa), 0) : lowPaG
    const typed = both ? `low ${values.low}, high ${values.high}` : `low ${values.low}, the only side read`
    return c.result(() => [
      {
        kind: 'zero-read',
        payload: { lowPaG, highPaG, errorPa: GAUGE_ERROR_PA, typed },
      },
    ])
  },
}

export const recovered: FormDefinition = {
  initial: () => ({ grams: '', low: '', high: '' }),
  parse: (values, state) => {
    const c = new Collector()
    const grams = c.take('grams', readMass(values.grams ?? ''), 0)
    const again = zero.parse(values, state)
    if ('errors' in again) Object.assign(c.errors, again.errors)
    return c.result(() => [{ kind: 'recovered', payload: { grams } }, ...('deeds' in again ? again.deeds : [])])
  },
}
