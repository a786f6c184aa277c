import { sidesOf } from '@/core/job/sides'
import { W } from '@/core/language/screen/job-zero'
import { PA_PER_PSI } from '@/core/units/constants'
import { readGauge, readMass, withUnit } from '../../form/entries'
import { Collector, type FormDefinition } from '../forms/form-types'

/** Error of a manifold gauge at rest, Pa: one psi either way (assumed). */
const GAUGE_ERROR_PA = PA_PER_PSI

export const zero: FormDefinition = {
  initial: () => ({ low: '', high: '' }),
  parse: (values, state, { units }) => {
    const { barometerPa } = state.opened.place
    const c = new Collector()
    const lowPaG = c.take('low', readGauge(values.low ?? '', barometerPa, units), 0)
    // at rest both sides stand at the same: a rig of one hose reads the one it reaches
    const both = sidesOf(state.opened.rig).includes('high')
    const highPaG = both ? c.take('high', readGauge(values.high ?? '', barometerPa, units), 0) : lowPaG
    const shown = (text = '') => withUnit(text, units.pressure)
    const typed = both ? W.lowHigh(shown(values.low), shown(values.high)) : W.lowTheOnlySideRead(shown(values.low))
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
  parse: (values, state, { units }) => {
    const c = new Collector()
    const grams = c.take('grams', readMass(values.grams ?? '', units), 0)
    const again = zero.parse(values, state, { units })
    if ('errors' in again) Object.assign(c.errors, again.errors)
    return c.result(() => [{ kind: 'recovered', payload: { grams } }, ...('deeds' in again ? again.deeds : [])])
  },
}
