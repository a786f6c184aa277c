import type { FormName } from '@/core/call/types'
import { type Container, tareOf } from '@/core/charge/plan'
import { chargePlanned } from '@/core/charge/plan-for-job'
import { RENEWED } from '@/core/procedure/events'
import { openContainer } from '@/core/procedure/state'
import { PA_PER_PSI } from '@/core/units/constants'
import { readAmount, readCelsius, readGauge, readMass } from '../../form/entries'
import { Collector, type FormDefinition, type Values } from './form-types'

/** Error of a manifold gauge at rest, Pa: one psi either way (assumed). */
const GAUGE_ERROR_PA = PA_PER_PSI

const gaugeValue = (pa: number | undefined, barometerPa: number): string => (pa === undefined ? '' : `${((pa - barometerPa) / PA_PER_PSI).toFixed(1)} psig`)

const zero: FormDefinition = {
  initial: () => ({ low: '', high: '' }),
  parse: (values, state) => {
    const { barometerPa } = state.opened.place
    const c = new Collector()
    const lowPaG = c.take('low', readGauge(values.low ?? '', barometerPa), 0)
    const highPaG = c.take('high', readGauge(values.high ?? '', barometerPa), 0)
    return c.result(() => [{ kind: 'zero-read', payload: { lowPaG, highPaG, errorPa: GAUGE_ERROR_PA, typed: `low ${values.low}, high ${values.high}` } }])
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
  initial: (state) => ({ openHours: String(state.opened.story.openHours), oilMl: '0', oilReason: '', drier: state.opened.story.drierReplaced ? '1' : '0' }),
  parse: (values) => {
    const c = new Collector()
    const openHours = c.take('openHours', readAmount(values.openHours ?? '', 'the hours it was open', 10_000), 0)
    const oilOwedMl = c.take('oilMl', readAmount(values.oilMl ?? '', 'the oil in mL', 500), 0)
    if (oilOwedMl > 0 && !values.oilReason?.trim()) c.errors.oilReason = 'oil is added for a reason only: the part, or what was seen lost'
    const renewed = RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })).filter((r) => r.count > 0)
    return c.result(() => [
      { kind: 'fix-logged', payload: { renewed, openHours, oilOwedMl, oilReason: values.oilReason?.trim() ?? '' } },
      { kind: 'step-finished', payload: { step: 'fix' } },
    ])
  },
}

/** Containers as typed; a second one is optional and left out while its gross is empty. */
export function readContainers(values: Values, c: Collector): Container[] {
  return ([1, 2] as const).flatMap((n) => {
    const kind = values[`kind${n}`] === 'cylinder' ? 'cylinder' : 'can'
    if (n === 2 && !values.gross2?.trim()) return []
    const grossG = c.take(`gross${n}`, readMass(values[`gross${n}`] ?? ''), 0)
    const second = c.take(`second${n}`, readMass(values[`second${n}`] ?? ''), 0)
    const stockId = values[`stock${n}`] || undefined
    const id = (stockId && values[`name${n}`]) || `${kind}-${n}`
    const container: Container = { id, kind, grossG, ...(kind === 'can' ? { netG: second } : { tareG: second }), ...(stockId && { stockId }) }
    const tareG = tareOf(container)
    if (!c.errors[`gross${n}`] && !c.errors[`second${n}`]) {
      if (kind === 'can' && grossG <= second) c.errors[`gross${n}`] = 'gross must be more than net: was the net weight taken for the gross?'
      else if (grossG <= tareG) c.errors[`gross${n}`] = 'it weighs no more than empty: check gross and tare'
    }
    return [container]
  })
}

const plan: FormDefinition = {
  initial: () => ({ kind1: 'can', gross1: '', second1: '', kind2: 'can', gross2: '', second2: '' }),
  parse: (values, state) => {
    const c = new Collector()
    const containers = readContainers(values, c)
    if (Object.keys(c.errors).length > 0) return { errors: c.errors }
    return c.result(() => [{ kind: 'charge-planned', payload: chargePlanned(state, containers) }])
  },
}

const containerStart: FormDefinition = {
  initial: (state) => {
    const next = state.plan?.stops[state.containers.length]
    const gross = state.plan?.containers.find((x) => x.id === next?.id)?.grossG
    return { gross: gross === undefined ? '' : `${gross} g` }
  },
  parse: (values, state) => {
    const c = new Collector()
    const grossG = c.take('gross', readMass(values.gross ?? ''), 1)
    const next = state.plan?.stops[state.containers.length]
    if (next && grossG <= next.stopGrossG) c.errors.gross = `it must weigh more than ${Math.round(next.stopGrossG)} g, where it is to stop`
    return c.result(() => [{ kind: 'container-started', payload: { id: next?.id ?? '', grossG } }])
  },
}

const containerEnd: FormDefinition = {
  initial: (_state, live) => ({ gross: live.scaleG === undefined ? '' : `${live.scaleG} g` }),
  parse: (values, state, live) => {
    const c = new Collector()
    const open = openContainer(state)
    const grossG = c.take('gross', readMass(values.gross ?? ''), 1)
    if (open && grossG > open.startGrossG) c.errors.gross = `it stood at ${Math.round(open.startGrossG)} g before: a container does not gain`
    return c.result(() => [{ kind: 'container-ended', payload: { id: open?.id ?? '', grossG, ...(live?.said && { closing: live.said }) } }])
  },
}

const proof: FormDefinition = {
  initial: (state, live) => ({
    low: gaugeValue(live.lowPa, state.opened.place.barometerPa),
    high: gaugeValue(live.highPa, state.opened.place.barometerPa),
    vent: live.ventC === undefined ? '' : `${live.ventC} C`,
    ambient: `${state.opened.place.ambientC} C`,
    note: '',
  }),
  parse: (values, state) => {
    const { barometerPa } = state.opened.place
    const c = new Collector()
    const lowPaG = c.take('low', readGauge(values.low ?? '', barometerPa), 0)
    const highPaG = c.take('high', readGauge(values.high ?? '', barometerPa), 0)
    const ventC = c.take('vent', readCelsius(values.vent ?? ''), 0)
    const ambientC = c.take('ambient', readCelsius(values.ambient ?? ''), 0)
    return c.result(() => [{ kind: 'proof-read', payload: { lowPaG, highPaG, ventC, ambientC, note: values.note?.trim() ?? '' } }])
  },
}

const sign: FormDefinition = {
  initial: (_state, _live, user) => ({ certificate: user.certificate }),
  parse: (values) => (values.certificate?.trim() ? { deeds: [] } : { errors: { certificate: 'the certificate number goes with the record' } }),
}

export const FORMS: Record<FormName, FormDefinition> = { zero, recovered, fix, plan, 'container-start': containerStart, 'container-end': containerEnd, proof, sign }
