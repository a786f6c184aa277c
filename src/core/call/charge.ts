import { FADED_G_MIN, type Faded, fadedCause } from '../charge/faded'
import { firstChargeG } from '../charge/first-charge'
import { heelG, tareOf } from '../charge/plan'
import { stopNow, stopsNow, toleranceG } from '../charge/plan-for-job'
import { WAY_WORDS } from '../charge/ways'
import { type ChargedContainer, chargedG, type JobState, openContainer, wayOf } from '../procedure/state'
import { GRAMS_PER_OUNCE } from '../units/constants'
import { type Call, finish, type Live, record, set } from './types'

const grams = (value: number): string => Math.round(value).toLocaleString('en')
/** From this much on it is worth opening again, g (assumed: what a scale step and the hose blur). */
const MORE_FROM_G = 4
/** A flow is not called faded before a started engine or an opened valve has had this long, ms (assumed: the flow is measured over a minute). */
const FLOW_BUILDS_MS = 90_000

export function callCharge(state: JobState, live: Live): Call {
  if (!state.plan) {
    return {
      sentence: 'What stands on the scale?',
      why: ['Gross as weighed, net from the label. A partly used one needs its empty weight.', 'Zero the scale after the hose is on.'],
      form: 'plan',
      watch: ['Eye protection and gloves on.', 'Purchase and use of refrigerant are regulated: local codes and licensed practice decide.'],
      action: { label: 'Plan the charge', key: 'P', does: { do: 'send', form: 'plan' } },
      plain: [],
      after: 'It says where to stop for each container.',
    }
  }
  const open = openContainer(state)
  return open ? callContainer(state, live, open) : callNext(state)
}

/** The name of the valve the charge goes through, as the hands know it. */
const valveName = (state: JobState): string => (WAY_WORDS[wayOf(state)].valve === 'valve-high' ? 'high' : 'low')

function callNext(state: JobState): Call {
  const [next] = stopsNow(state)
  // a rest smaller than a scale can tell is no reason to put another container on
  if (!next || next.takenG - next.purgeG < MORE_FROM_G) return callFilled(state)
  const first = state.containers.length === 0
  if (first && state.plan?.line === 'single-hose' && state.rig['coupler-high'] !== 'off') return callRigOff(state)
  const purged = next.purgeG > 0
  const words = WAY_WORDS[wayOf(state)]
  return {
    sentence: `${next.id} on the scale.`,
    why: [
      first
        ? `Hose on it, its valve shut, ${words.pose}. ${purged ? 'Purge: a short hiss at the manifold end.' : ''}`
        : `The ${valveName(state)} valve is shut, the last container too: hose over to this one, ${words.pose}. ${purged ? `Purge with a short hiss, ${grams(next.purgeG)} g counted.` : 'The hose stayed shut: nothing to purge.'}`,
      'Scale zeroed with the hose on, or the same way as for the one before.',
      `It stops at ${grams(next.stopGrossG)} g, ${(next.stopGrossG / GRAMS_PER_OUNCE).toFixed(1)} oz${next.emptied ? ', at its heel' : ''}.`,
    ],
    form: 'container-start',
    watch: words.watch.slice(1),
    action: { label: `${next.id} is connected`, key: 'C', does: { do: 'send', form: 'container-start' } },
    plain: [],
    after: `Then open its valve and the ${valveName(state)} valve${state.rig.engine === 'off' ? ', engine off' : ', slowly'}.`,
  }
}

/** The school that takes the manifold off: both ports are closed and capped but one, and the container hangs on one hose. */
function callRigOff({ rig }: JobState): Call {
  const shut = (['valve-low', 'valve-high'] as const).filter((valve) => rig[valve] === 'open').map((valve) => set(valve, 'closed'))
  return {
    sentence: 'Manifold off. One hose on the low port.',
    why: [
      'Close both couplers, counter-clockwise, before they come off: the vacuum stays in the car.',
      'High cap on at once. Then the charging hose on the low port, pressed until it opens the core and no further.',
    ],
    watch: ['The high side is not seen from here on: read it again for the proof.'],
    action: {
      label: 'One hose is on',
      key: 'O',
      does: record(
        ...shut,
        set('coupler-low', 'on'),
        set('coupler-high', 'on'),
        set('coupler-low', 'off'),
        set('coupler-high', 'off'),
        set('coupler-low', 'on'),
        set('coupler-low', 'open'),
      ),
    },
    plain: [],
    after: 'Then the container on the scale.',
  }
}

/** What too much or too little does, and the way back. */
export function offTargetWords(offG: number, allowsG: number): string {
  const by = grams(Math.abs(offG))
  if (Math.abs(offG) <= allowsG) return `${by === '0' ? 'On the target' : `${by} g ${offG > 0 ? 'over' : 'under'} it`}, within the ±${grams(allowsG)} g allowed.`
  const beyond = grams(Math.abs(offG) - allowsG)
  return offG > 0
    ? `${by} g over, ${beyond} more than allowed: the high side rises, the vent warms, liquid can reach the compressor. Recovery is the only honest way back.`
    : `${by} g short, ${beyond} more than allowed: weak cooling, and oil that does not come back to the compressor.`
}

function callFilled(state: JobState): Call {
  const got = chargedG(state)
  const target = state.plan?.targetG ?? 0
  const allows = toleranceG(state)
  const off = got - target
  const why = [`Asked for: ${grams(target)} g. ${offTargetWords(off, allows)}`]
  if (off < -allows) {
    return {
      sentence: `${grams(-off)} g short. Another container.`,
      why,
      form: 'plan',
      watch: [],
      action: { label: 'Plan another', key: 'N', does: { do: 'send', form: 'plan' } },
      plain: [{ label: 'Leave it so, prove it', key: 'P', does: record(finish('charge')) }],
      after: 'What is in is counted; the plan asks only for the rest.',
    }
  }
  const hose = state.plan?.hose
  const giveBack = hose && !hose.drawnDown ? 'The hose was to stay full: what is in it is not in the car.' : 'Container shut, the line draws down into the low side while it runs.'
  const stands = wayOf(state) === 'liquid-high' && state.rig.engine === 'off'
  return {
    sentence: `${grams(got)} g is in. Prove it.`,
    why: [...why, giveBack],
    watch: stands ? WAY_WORDS['liquid-high'].watch.slice(0, 1) : [],
    action: { label: 'Go on to the proof', key: 'P', does: record(finish('charge')) },
    plain: [],
    after: 'Both sides and the vent, after five to ten minutes.',
  }
}

function callContainer(state: JobState, live: Live, container: ChargedContainer): Call {
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
      sentence: way === 'liquid-high' ? 'Invert it. Open it and the high valve.' : both ? 'Open the container and both valves.' : 'Open the container and the low valve.',
      why: [
        rig.engine === 'on'
          ? 'Low side only, slowly, vapour.'
          : way === 'liquid-high'
            ? words.how
            : `Into the vacuum first, engine off, until the flow stops: about ${grams(firstOf(state))} g by themselves.`,
      ],
      action: { label: both ? 'All are open' : 'Both are open', key: 'O', does: record(...pose, set('container-valve', 'open'), ...valves) },
      after: `Then watch it down to ${grams(stopG)} g.`,
    }
  }
  if (!opened) return callClose(state, id, left)
  const stalled = rig.engine === 'off' && live.flowGMin !== undefined && live.flowGMin < FADED_G_MIN && (live.scaleG ?? startGrossG) < startGrossG - 5
  if (stalled && left > 0.5 && way !== 'liquid-high') {
    const high = rig['valve-high'] === 'open'
    return {
      ...base,
      sentence: high ? 'The flow stopped. High valve shut, engine on.' : 'The flow stopped. Engine on.',
      why: ['The pressures have met. Cooling at maximum, recirculation, air over the condenser.', 'The compressor starts once its pressure switch is satisfied.'],
      action: { label: high ? 'High shut, engine on' : 'Engine is on', key: 'E', does: record(...(high ? [set('valve-high', 'closed')] : []), set('engine', 'on')) },
      plain: [{ label: 'Low valve is shut', key: 'V', does: record(set('valve-low', 'closed')) }],
      after: `Low side only, down to ${grams(stopG)} g.`,
    }
  }
  const turnedMs = Math.max(...['engine' as const, words.valve].map((p) => Date.parse(state.turnedAt[p] ?? startedAt)))
  const faded = live.nowMs - turnedMs > FLOW_BUILDS_MS && rig.engine === 'on' && live.flowGMin !== undefined && live.flowGMin < FADED_G_MIN && left > MORE_FROM_G
  if (faded) return callFaded(state, fadedOf(state, live, container), left)
  return callFlowing(state, live, stopG)
}

/** Grams are wanted and nothing flows: what is wrong is the call, not the stop that is far. */
function callFaded(state: JobState, { headline, sentence, next }: Faded, leftG: number): Call {
  return {
    sentence: headline,
    why: [sentence, next, `${grams(leftG)} g are still to come out of it.`],
    watch: [...WAY_WORDS[wayOf(state)].watch],
    action: { label: `${valveName(state) === 'low' ? 'Low' : 'High'} valve is shut`, key: 'V', does: record(...shutDeeds(state)) },
    plain: [{ label: 'Engine is off', key: 'E', does: record(set('engine', 'off')) }],
    after: 'Or leave it open and wait: the call follows the flow.',
  }
}

/** What the vacuum takes by itself at this place, g, within the refrigerant's table. */
function firstOf({ opened }: JobState): number {
  return firstChargeG(opened.volumeL, opened.label.refrigerant, Math.max(-26, Math.min(60, opened.place.ambientC)))
}

/** After the valve was shut: shut the container too and weigh it, or open once more when grams are still wanted. */
function callClose(state: JobState, id: string, leftG: number): Call {
  const valve = valveName(state)
  return {
    sentence: `Shut ${id} and weigh it.`,
    why: [`${valve === 'low' ? 'Low' : 'High'} valve first, then the container: the line stays clean.`, 'What the scale shows now is what counts.'],
    form: 'container-end',
    watch: [],
    action: { label: 'Container is shut', key: 'S', does: { do: 'send', form: 'container-end' } },
    plain: leftG > MORE_FROM_G ? [{ label: `A quarter open, ${grams(leftG)} g more`, key: 'O', does: record(set(WAY_WORDS[wayOf(state)].valve, 'open')) }] : [],
  }
}

/** Why little flows, from what both sides, the weight and the engine say. */
function fadedOf(state: JobState, live: Live, { id, startGrossG }: ChargedContainer): Faded {
  const { label, place } = state.opened
  const planned = state.plan?.containers.find((c) => c.id === id)
  const held = (live.scaleG ?? startGrossG) - (planned ? tareOf({ ...planned, grossG: startGrossG }) + heelG(planned, label.refrigerant, tableC(place.ambientC)) : 0)
  return fadedCause({
    engineOn: state.rig.engine === 'on',
    lowPa: live.lowPa,
    highPa: live.highPa,
    aboveHeelG: held,
    refrigerant: label.refrigerant,
    ambientC: tableC(place.ambientC),
    barometerPa: place.barometerPa,
  })
}

const tableC = (ambientC: number): number => Math.max(-26, Math.min(60, ambientC))

function callFlowing(state: JobState, live: Live, stopG: number): Call {
  const rate = live.flowGMin
  const left = (live.scaleG ?? Number.NaN) - stopG
  const { closing } = live
  const words = WAY_WORDS[wayOf(state)]
  const valve = valveName(state)
  const engineOff = state.rig.engine === 'off'
  const seconds = closing ? Math.max(0, Math.round(closing.inS)) : left > 0 && rate && rate > 1 ? Math.max(0, Math.round((left / rate) * 60)) : undefined
  const now = left <= 0 || (closing !== undefined && closing.inS <= 0)
  return {
    sentence: left <= 0 ? `Close the ${valve} valve now. It was due at` : now ? `Close the ${valve} valve now, for` : `Hand on the ${valve} valve. Close it for`,
    figure: {
      text: grams(stopG),
      caption: `g on the scale, ${(stopG / GRAMS_PER_OUNCE).toFixed(1)} oz${seconds === undefined || now ? '' : `, in ${Math.floor(seconds / 60)} min ${seconds % 60} s`}`,
    },
    why: [
      rate === undefined ? 'No flow measured yet: type what the scale shows.' : `${rate.toFixed(0)} g a minute leaves the container.`,
      ...(closing?.short
        ? [`Closed ${grams(closing.aimG - stopG)} g short at first: at this flow nobody knows this hand well enough. The rest through a valve a quarter open.`]
        : []),
      ...(closing && !closing.short ? ['Early enough for the hand, the valve and what still flows.'] : []),
      ...(live.scaleNotes ?? []).slice(-2).map((note) => `Noticed: ${note}.`),
    ],
    watch: [...words.watch],
    action: { label: `${valve === 'low' ? 'Low' : 'High'} valve is shut`, key: 'V', does: record(...shutDeeds(state)) },
    plain:
      engineOff && words.phase === 'vapour'
        ? [{ label: state.rig['valve-high'] === 'open' ? 'High shut, engine on' : 'Engine is on', key: 'E', does: record(...engineDeeds(state)) }]
        : [],
    after: 'Then shut the container and weigh it.',
  }
}

const shutDeeds = (state: JobState) => {
  const { valve } = WAY_WORDS[wayOf(state)]
  return [set(valve, 'closed'), ...(valve === 'valve-low' && state.rig['valve-high'] === 'open' ? [set('valve-high', 'closed')] : [])]
}
const engineDeeds = (state: JobState) => [...(state.rig['valve-high'] === 'open' ? [set('valve-high', 'closed')] : []), set('engine', 'on')]
