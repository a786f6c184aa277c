import { FADED_G_MIN, type Faded, fadedCause } from '../charge/faded'
import { firstChargeG } from '../charge/first-charge'
import { heelG, tareOf } from '../charge/plan'
import { stopNow } from '../charge/plan-for-job'
import { withinTablesC } from '../fluids/refrigerant'
import { type ChargedContainer, type JobState, wayOf } from '../job/state'
import { WAY_WORDS } from '../job/ways'
import { GRAMS_PER_OUNCE } from '../units/constants'
import { grams, MORE_FROM_G, valveName } from './charge-words'
import { readNext } from './read-next'
import { type Call, type Live, record, set } from './types'

/**
 * A flow is not called faded before a started engine or an opened valve has had this long, ms (assumed: the flow is
 * measured over a minute).
 */
const FLOW_BUILDS_MS = 90_000

/** The call while a container is on the scale: open it, let it flow, close in time, weigh it. */
export function callContainer(state: JobState, live: Live, container: ChargedContainer): Call {
  const { id, startGrossG, startedAt } = container
  const { rig } = state
  const way = wayOf(state)
  const words = WAY_WORDS[way]
  const stopG = stopNow(state, id)?.stopGrossG ?? startGrossG
  const opened = rig['container-valve'] === 'open' && rig[words.valve] === 'open'
  const left = (live.scaleG ?? startGrossG) - stopG
  const base = { watch: [...words.watch], plain: [] }
  const shutAgain = !opened && (state.turnedAt[words.valve] ?? '') > startedAt
  if (!opened && !shutAgain) {
    const both = way === 'first-high' && rig.engine === 'off'
    const pose = rig['container-pose'] === words.pose ? [] : [set('container-pose', words.pose)]
    const valves = [set(words.valve, 'open'), ...(both ? [set('valve-high', 'open')] : [])]
    return {
      ...base,
      sentence:
        way === 'liquid-high'
          ? 'Invert it. Open it and the high valve.'
          : both
            ? 'Open the container and both valves.'
            : 'Open the container and the low valve.',
      why: [
        rig.engine === 'on'
          ? 'Low side only, slowly, vapour.'
          : way === 'liquid-high'
            ? words.how
            : `Into the vacuum first, engine off, until the flow stops: about ${grams(firstOf(state))} g by themselves.`,
      ],
      action: {
        label: both ? 'All are open' : 'Both are open',
        key: 'O',
        does: record(...pose, set('container-valve', 'open'), ...valves),
      },
      after: `Then watch it down to ${grams(stopG)} g.`,
    }
  }
  if (!opened) return callClose(state, id, left)
  const stalled =
    rig.engine === 'off' &&
    live.flowGMin !== undefined &&
    live.flowGMin < FADED_G_MIN &&
    (live.scaleG ?? startGrossG) < startGrossG - 5
  if (stalled && left > 0.5 && way !== 'liquid-high') {
    const high = rig['valve-high'] === 'open'
    return {
      ...base,
      sentence: high ? 'The flow stopped. High valve shut, engine on.' : 'The flow stopped. Engine on.',
      why: [
        'The pressures have met. Cooling at maximum, recirculation, air over the condenser.',
        'The compressor starts once its pressure switch is satisfied.',
      ],
      action: { label: high ? 'High shut, engine on' : 'Engine is on', key: 'E', does: record(...engineDeeds(state)) },
      plain: [{ label: 'Low valve is shut', key: 'V', does: record(...shutDeeds(state)) }],
      after: `Low side only, down to ${grams(stopG)} g.`,
    }
  }
  const turnedMs = Math.max(...['engine' as const, words.valve].map((p) => Date.parse(state.turnedAt[p] ?? startedAt)))
  const faded =
    live.nowMs - turnedMs > FLOW_BUILDS_MS &&
    rig.engine === 'on' &&
    live.flowGMin !== undefined &&
    live.flowGMin < FADED_G_MIN &&
    left > MORE_FROM_G
  if (faded) return callFaded(state, fadedOf(state, live, container), left)
  return callFlowing(state, live, stopG)
}

/** Grams are wanted and nothing flows: what is wrong is the call, not the stop that is far. */
function callFaded(state: JobState, { headline, sentence, next }: Faded, leftG: number): Call {
  return {
    sentence: headline,
    why: [sentence, next, `${grams(leftG)} g are still to come out of it.`],
    watch: [...WAY_WORDS[wayOf(state)].watch],
    action: {
      label: `${valveName(state) === 'low' ? 'Low' : 'High'} valve is shut`,
      key: 'V',
      does: record(...shutDeeds(state)),
    },
    plain: [{ label: 'Engine is off', key: 'E', does: record(set('engine', 'off')) }],
    after: 'Or leave it open and wait: the call follows the flow.',
  }
}

/** What the vacuum takes by itself at this place, g, within the refrigerant's table. */
function firstOf({ opened }: JobState): number {
  return firstChargeG(opened.volumeL, opened.label.refrigerant, withinTablesC(opened.place.ambientC))
}

/** After the valve was shut: shut the container too and weigh it, or open once more when grams are still wanted. */
function callClose(state: JobState, id: string, leftG: number): Call {
  const valve = valveName(state)
  return {
    sentence: `Shut ${id} and weigh it.`,
    why: [
      `${valve === 'low' ? 'Low' : 'High'} valve first, then the container: the line stays clean.`,
      'What the scale shows now is what counts.',
    ],
    form: 'container-end',
    watch: [],
    action: { label: 'Container is shut', key: 'S', does: { do: 'send', form: 'container-end' } },
    plain:
      leftG > MORE_FROM_G
        ? [
            {
              label: `A quarter open, ${grams(leftG)} g more`,
              key: 'O',
              does: record(set(WAY_WORDS[wayOf(state)].valve, 'open')),
            },
          ]
        : [],
  }
}

/** Why little flows, from what both sides, the weight and the engine say. */
function fadedOf(state: JobState, live: Live, { id, startGrossG }: ChargedContainer): Faded {
  const { label, place } = state.opened
  const planned = state.plan?.containers.find((c) => c.id === id)
  const held =
    (live.scaleG ?? startGrossG) -
    (planned
      ? tareOf({ ...planned, grossG: startGrossG }) + heelG(planned, label.refrigerant, withinTablesC(place.ambientC))
      : 0)
  return fadedCause({
    engineOn: state.rig.engine === 'on',
    lowPa: live.lowPa,
    highPa: live.highPa,
    aboveHeelG: held,
    refrigerant: label.refrigerant,
    ambientC: withinTablesC(place.ambientC),
    barometerPa: place.barometerPa,
  })
}

function callFlowing(state: JobState, live: Live, stopG: number): Call {
  const byHand = live.scaleByHand === true
  const rate = byHand ? (live.handFlow?.flowGMin ?? undefined) : live.flowGMin
  const left = (live.scaleG ?? Number.NaN) - stopG
  const { closing } = live
  const words = WAY_WORDS[wayOf(state)]
  const valve = valveName(state)
  const engineOff = state.rig.engine === 'off'
  const seconds = closing
    ? Math.max(0, Math.round(closing.inS))
    : byHand
      ? handSeconds(live)
      : left > 0 && rate && rate > 1
        ? Math.max(0, Math.round((left / rate) * 60))
        : undefined
  const now = left <= 0 || (closing !== undefined && closing.inS <= 0)
  return {
    sentence:
      left <= 0
        ? `Close the ${valve} valve now. It was due at`
        : now
          ? `Close the ${valve} valve now, for`
          : `Hand on the ${valve} valve. Close it for`,
    figure: {
      text: grams(stopG),
      caption: `g on the scale, ${(stopG / GRAMS_PER_OUNCE).toFixed(1)} oz${seconds === undefined || now ? '' : `, in ${Math.floor(seconds / 60)} min ${seconds % 60} s`}`,
    },
    why: [
      ...(byHand ? handWords(state, live) : [measuredWords(rate)]),
      ...(closing?.short
        ? [
            `Closed ${grams(closing.aimG - stopG)} g short at first: at this flow nobody knows this hand well enough. The rest through a valve a quarter open.`,
          ]
        : []),
      ...(closing && !closing.short ? ['Early enough for the hand, the valve and what still flows.'] : []),
      ...(live.scaleNotes ?? []).slice(-2).map((note) => `Noticed: ${note}.`),
    ],
    watch: [...words.watch],
    action: { label: `${valve === 'low' ? 'Low' : 'High'} valve is shut`, key: 'V', does: record(...shutDeeds(state)) },
    plain:
      engineOff && words.phase === 'vapour'
        ? [
            {
              label: state.rig['valve-high'] === 'open' ? 'High shut, engine on' : 'Engine is on',
              key: 'E',
              does: record(...engineDeeds(state)),
            },
          ]
        : [],
    after: 'Then shut the container and weigh it.',
  }
}

const measuredWords = (rate: number | undefined): string =>
  rate === undefined
    ? 'No flow measured yet: type what the scale shows.'
    : `${rate.toFixed(0)} g a minute leaves the container.`

/** Seconds to the word, from typed weights; undefined before the third. */
const handSeconds = ({ handFlow, nowMs }: Live): number | undefined =>
  handFlow?.closeMs === null || handFlow?.closeMs === undefined
    ? undefined
    : Math.max(0, Math.round((handFlow.closeMs - nowMs) / 1000))

/** What typed weights bear: what is in, then a flow, then a time to close by; and when the next one helps. */
function handWords(state: JobState, live: Live): string[] {
  const flow = live.handFlow
  if (!flow || flow.flowGMin === null)
    return ['The scale is read by eye: two weights tell the flow, three when to close. Type what it shows.']
  const rate = `${flow.flowGMin.toFixed(0)} g a minute, ±${Math.max(1, Math.ceil(flow.plusMinusGMin ?? 0))}, by your weights.`
  const close =
    flow.closeMs !== null && flow.plusMinusMs !== null
      ? `Close at ${live.clock(flow.closeMs)}, ±${Math.max(1, Math.ceil(flow.plusMinusMs / 60_000))} min.`
      : 'One more weight tells when to close.'
  const next = readNext(state, live)
  return [`${rate} ${close}`, ...(next ? [next.words] : [])]
}

/** Every valve the charge goes through, shut: of both, the high one too. */
const shutDeeds = (state: JobState) => {
  const { valve } = WAY_WORDS[wayOf(state)]
  return [
    set(valve, 'closed'),
    ...(valve === 'valve-low' && state.rig['valve-high'] === 'open' ? [set('valve-high', 'closed')] : []),
  ]
}
/** The engine on, the high valve shut before it. */
const engineDeeds = (state: JobState) => [
  ...(state.rig['valve-high'] === 'open' ? [set('valve-high', 'closed')] : []),
  set('engine', 'on'),
]
