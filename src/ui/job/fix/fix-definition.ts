import { RENEWED } from '@/core/job/events'
import { readAmount } from '../../form/entries'
import { Collector, type FormDefinition } from '../forms/form-types'

export const fix: FormDefinition = {
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
