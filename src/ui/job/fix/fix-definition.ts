import { CORE_SIZES, OIL_UNREAD, OIL_WAYS, RENEWED } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
import { readAmount, readMass, readOil } from '../../form/entries'
import { Collector, type FormDefinition } from '../forms/form-types'

export const knownOil = ({ opened }: JobState): boolean => opened.label.oilKind !== OIL_UNREAD

export const fix: FormDefinition = {
  initial: (state) => ({
    openHours: String(state.opened.story.openHours),
    oilMl: W.n0Ml,
    oilReason: '',
    portLow: '',
    portHigh: '',
    oilWay: 'into-part',
    drained: '',
    oilCan: '',
    oilKind: knownOil(state) ? state.opened.label.oilKind : '',
    labelOilMl: state.opened.label.oilMl === null ? '' : W.ml(state.opened.label.oilMl),
    drier: state.opened.story.drierReplaced ? '1' : '0',
  }),
  parse: (values, state, { units }) => {
    const c = new Collector()
    const openHours = c.take('openHours', readAmount(values.openHours ?? '', W.theHoursItWasOpen, 10_000), 0)
    const oilOwedMl = c.take('oilMl', readOil(values.oilMl ?? '', 500, units), 0)
    if (oilOwedMl > 0 && !values.oilReason?.trim()) c.errors.oilReason = W.oilIsAddedForA
    const oilWay = OIL_WAYS.find((way) => way === values.oilWay)
    const drainedMl = values.drained?.trim() ? c.take('drained', readOil(values.drained, 500, units), 0) : undefined
    const oilCanG =
      oilWay === 'can' && oilOwedMl > 0 ? c.take('oilCan', readMass(values.oilCan ?? '', units), 0) : undefined
    const oil =
      oilOwedMl > 0
        ? {
            ...(oilWay && { oilWay }),
            ...(drainedMl !== undefined && { drainedMl }),
            ...(oilCanG !== undefined && { oilCanG }),
          }
        : {}
    const [low, high] = [values.portLow, values.portHigh].map((v) => CORE_SIZES.find((size) => size === v))
    const ports = low && high ? { ports: { low, high } } : {}
    const renewed = RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })).filter((r) => r.count > 0)
    const told = {
      ...(values.oilKind?.trim() &&
        values.oilKind.trim() !== state.opened.label.oilKind && { oilKind: values.oilKind.trim() }),
      ...(values.labelOilMl?.trim() && {
        oilMl: c.take('labelOilMl', readOil(values.labelOilMl, 1000, units), 0),
      }),
    }
    if (told.oilMl === state.opened.label.oilMl) delete told.oilMl
    return c.result(() => [
      ...(Object.keys(told).length > 0 ? [{ kind: 'car-told' as const, payload: told }] : []),
      {
        kind: 'fix-logged',
        payload: { renewed, openHours, oilOwedMl, oilReason: values.oilReason?.trim() ?? '', ...oil, ...ports },
      },
      { kind: 'step-finished', payload: { step: 'fix' } },
    ])
  },
}
