import type { Container } from '@/core/charge/plan'
import { type ChargeChoices, chargePlanned, labelTargetG, toleranceG, usualChoices } from '@/core/charge/plan-for-job'
import { refusalOf } from '@/core/job/refusals'
import type { JobState } from '@/core/job/state'
import { WAYS, type Way } from '@/core/job/ways'
import { W } from '@/core/language/screen/job-charge'
import { METRES_PER_MM } from '@/core/units/constants'
import type { Units } from '@/core/units/shown'
import { readAmount, readMass } from '../../form/entries'
import { mmText } from '../../format'
import { Collector, type FormDefinition, type Values } from '../forms/form-types'

/** Containers one plan takes. */
export const MOST_CONTAINERS = 6
/** A charging hose is no wider and no longer, mm and m. */
const [WIDEST_MM, LONGEST_M] = [30, 10]

/** How many containers the form shows: one more than is typed in when somebody asked for it. */
export const shownContainers = (values: Values): number =>
  Math.min(MOST_CONTAINERS, Math.max(1, Number(values.shown ?? 1)))

/** A name no container of this job has: the shelf's, or its kind and place in the order. */
function nameFor(state: JobState, kind: string, stockName: string | undefined, n: number): string {
  const wanted = stockName || `${kind}-${state.containers.length + n}`
  const before = state.containers.filter((c) => c.id === wanted || c.id.startsWith(`${wanted}, again`)).length
  return before === 0 ? wanted : W.again(wanted, before > 1 ? ` ${before}` : '')
}

/** Containers as typed; every one after the first is left out while its gross is empty. */
export function readContainers(values: Values, state: JobState, c: Collector, units: Units): Container[] {
  return Array.from({ length: shownContainers(values) }, (_, i) => i + 1).flatMap((n) => {
    if (n > 1 && !values[`gross${n}`]?.trim()) return []
    const kind = values[`kind${n}`] === 'cylinder' ? 'cylinder' : 'can'
    const grossG = c.take(W.gross(n), readMass(values[`gross${n}`] ?? '', units), 0)
    const second = c.take(W.second(n), readMass(values[`second${n}`] ?? '', units), 0)
    const stockId = values[`stock${n}`] || undefined
    const refrigerant = values[`holds${n}`] || state.opened.label.refrigerant
    const id = nameFor(state, kind, stockId && values[`name${n}`], n)
    if (!c.errors[`gross${n}`] && !c.errors[`second${n}`]) {
      if (kind === 'can' && grossG <= second) c.errors[`gross${n}`] = W.grossMustBeMoreThan
      else if (kind === 'cylinder' && grossG <= second) c.errors[`gross${n}`] = W.itWeighsNoMoreThan
    }
    if (refrigerant !== state.opened.label.refrigerant) {
      c.errors[`holds${n}`] = W.theCarsLabelAsksFor(state.opened.label.refrigerant)
    }
    return [
      {
        id,
        kind,
        grossG,
        refrigerant,
        ...(kind === 'can' ? { netG: second } : { tareG: second }),
        ...(stockId && { stockId }),
      },
    ]
  })
}

/** What was chosen besides the containers; a target outside the label's line needs its reason. */
export function readChoices(values: Values, state: JobState, c: Collector, units: Units): ChargeChoices {
  const usual = usualChoices(state)
  const targetG = targetOf(values, state, c, units)
  const reason = values.reason?.trim() || undefined
  if (!c.errors.target && !reason && Math.abs(targetG - labelTargetG(state)) > toleranceG(state)) {
    c.errors.target = W.theLabelSaysAnotherWeight(state.opened.label.typed)
  }
  const boreMm = c.take(
    'bore',
    readAmount(values.bore ?? '', W.theBoreInMm, WIDEST_MM),
    usual.hose.boreM / METRES_PER_MM,
  )
  const lengthM = c.take('length', readAmount(values.length ?? '', W.theLengthInM, LONGEST_M), usual.hose.lengthM)
  if (!c.errors.bore && boreMm < 1) c.errors.bore = W.noHoseIsNarrowerThan
  return {
    targetG,
    way: WAYS.includes(values.way as Way) ? (values.way as Way) : usual.way,
    hose: { boreM: boreMm * METRES_PER_MM, lengthM, drawnDown: values.end !== 'full' },
    purgeEachG: c.take('purge', readMass(values.purge ?? '', units), usual.purgeEachG),
    purgeOnChange: values.change !== 'shut',
    line: values.line === 'single-hose' && readsLow(values) ? 'single-hose' : 'rig-stays',
    ...(reason && { reason }),
  }
}

/** A target nobody touched is the label's to the gram, however it is rounded in its field. */
function targetOf(values: Values, state: JobState, c: Collector, units: Units): number {
  const { targetG } = usualChoices(state)
  return values.target === asTyped(targetG) ? targetG : c.take('target', readMass(values.target ?? '', units), 0)
}

/** One hose on the low port charges by the low side only. */
const readsLow = (values: Values): boolean => (values.way ?? 'vapour-low') === 'vapour-low'

const asTyped = (grams: number): string => `${Math.round(grams * 10) / 10} g`

export const plan: FormDefinition = {
  initial: (state) => {
    const usual = usualChoices(state)
    return {
      shown: '1',
      target: asTyped(usual.targetG),
      reason: usual.reason ?? '',
      way: usual.way,
      bore: mmText(usual.hose.boreM),
      length: String(usual.hose.lengthM),
      end: usual.hose.drawnDown ? 'drawn' : 'full',
      change: usual.purgeOnChange ? 'purged' : 'shut',
      purge: asTyped(usual.purgeEachG),
      line: usual.line,
    }
  },
  parse: (values, state, { units }) => {
    const c = new Collector()
    const containers = readContainers(values, state, c, units)
    const choices = readChoices(values, state, c, units)
    if (Object.keys(c.errors).length > 0) return { errors: c.errors }
    const payload = chargePlanned(state, containers, choices)
    if (payload.stops.length === 0) return { errors: { gross1: W.nothingIsWantedAnyMore } }
    const refusal = refusalOf(state, { kind: 'charge-planned', payload })
    if (refusal) return { errors: { gross1: refusal.reason } }
    return { deeds: [{ kind: 'charge-planned', payload }] }
  },
}
