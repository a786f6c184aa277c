import { OIL_UNREAD, RENEWED } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { readAmount } from '../../form/entries'
import { Collector, type FormDefinition } from '../forms/form-types'

export const knownOil = ({ opened }: JobState): boolean => opened.label.oilKind !== OIL_UNREAD

export const fix: FormDefinition = {
  initial: (state) => ({
    openHours: String(state.opened.story.openHours),
    oilMl: '0',
    oilReason: '',
    oilKind: knownOil(state) ? state.opened.label.oilKind : '',
    labelOilMl: state.opened.label.oilMl === null ? '' : String(state.opened.label.oilMl),
    drier: state.opened.story.drierReplaced ? '1' : '0',
  }),
  parse: (values, state) => {
    const c = new Collector()
    const openHours = c.take('openHours', readAmount(values.openHours ?? '', 'the hours it was open', 10_000), 0)
    const oilOwedMl = c.take('oilMl', readAmount(values.oilMl ?? '', 'the oil in mL', 500), 0)
    if (oilOwedMl > 0 && !values.oilReason?.trim())
      c.errors.oilReason = 'oil is added for a reason only: the part, or what was seen lost'
    const renewed = RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })).filter((r) => r.count > 0)
    const told = {
      ...(values.oilKind?.trim() &&
        values.oilKind.trim() !== state.opened.label.oilKind && { oilKind: values.oilKind.trim() }),
      ...(values.labelOilMl?.trim() && {
        oilMl: c.take('labelOilMl', readAmount(values.labelOilMl, 'the oil in mL', 1000), 0),
      }),
    }
    if (told.oilMl === state.opened.label.oilMl) delete told.oilMl
    return c.result(() => [
      ...(Object.keys(told).length > 0 ? [{ kind: 'car-told' as const, payload: told }] : []),
      { kind: 'fix-logged', payload: { renewed, openHours, oilOwedMl, oilReason: values.oilReason?.trim() ?? '' } },
      { kind: 'step-finished', payload: { step: 'fix' } },
    ])
  },
}
