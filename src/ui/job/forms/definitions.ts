import type { FormName } from '@/core/call/types'
import { RENEWED } from '@/core/job/events'
import { PA_PER_PSI } from '@/core/units/constants'
import { readAmount, readGauge, readMass } from '../../form/entries'
import { containerEnd, containerStart } from './container-definitions'
import { Collector, type FormDefinition } from './form-types'
import { plan } from './plan-definition'
import { proof } from './proof-definition'

/** Error of a manifold gauge at rest, Pa: one psi either way (assumed). */
const GAUGE_ERROR_PA = PA_PER_PSI

const zero: FormDefinition = {
  initial: () => ({ low: '', high: '' }),
  parse: (values, state) => {
    const { barometerPa } = state.opened.place
    const c = new Collector()
    const lowPaG = c.take('low', readGauge(values.low ?? '', barometerPa), 0)
    const highPaG = c.take('high', readGauge(values.high ?? '', barometerPa), 0)
    return c.result(() => [
      {
        kind: 'zero-read',
        payload: { lowPaG, highPaG, errorPa: GAUGE_ERROR_PA, typed: `low ${values.low}, high ${values.high}` },
      },
    ])
  },
}

const recovered: FormDefinition = {
  initial: () => ({ grams: '', low: '', high: '' }),
  parse: (values, state) => {
    const c = new Collector()
    const grams = c.take('grams', readMass(values.grams ?? ''), 0)
    const again = zero.parse(values, state)
    if ('errors' in again) Object.assign(c.errors, again.errors)
    return c.result(() => [{ kind: 'recovered', payload: { grams } }, ...('deeds' in again ? again.deeds : [])])
  },
}

const fix: FormDefinition = {
  initial: (state) => ({
    openHours: String(state.opened.story.openHours),
    oilMl: '0',
    oilReason: '',
    drier: state.opened.story.drierReplaced ? '1' : '0',
  }),
  parse: (values) => {
    const c = new Collector()
    const openHours = c.take('openHours', readAmount(values.openHours ?? '', 'the hours it was open', 10_000), 0)
    const oilOwedMl = c.take('oilMl', readAmount(values.oilMl ?? '', 'the oil in mL', 500), 0)
    if (oilOwedMl > 0 && !values.oilReason?.trim())
      c.errors.oilReason = 'oil is added for a reason only: the part, or what was seen lost'
    const renewed = RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })).filter((r) => r.count > 0)
    return c.result(() => [
      { kind: 'fix-logged', payload: { renewed, openHours, oilOwedMl, oilReason: values.oilReason?.trim() ?? '' } },
      { kind: 'step-finished', payload: { step: 'fix' } },
    ])
  },
}

const sign: FormDefinition = {
  initial: (_state, _live, user) => ({ certificate: user.certificate }),
  parse: (values) =>
    values.certificate?.trim()
      ? { deeds: [] }
      : { errors: { certificate: 'the certificate number goes with the record' } },
}

export const FORMS: Record<FormName, FormDefinition> = {
  zero,
  recovered,
  fix,
  plan,
  'container-start': containerStart,
  'container-end': containerEnd,
  proof,
  sign,
}
