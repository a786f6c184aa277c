import { firstChargeG } from '../charge/first-charge'
import { type ChargedContainer, chargedG, type JobState, openContainer } from '../procedure/state'
import { GRAMS_PER_OUNCE } from '../units/constants'
import { type Call, finish, type Live, record, set } from './types'

const grams = (value: number): string => Math.round(value).toLocaleString('en')
/** From this much on it is worth opening again, g (assumed: what a scale step and the hose blur). */
const MORE_FROM_G = 4
/** Below this the first charge has stopped flowing by itself, g/min (assumed). */
const FLOW_STOPPED_G_MIN = 4

const CHARGE_WATCH = [
  'High side stays shut while the engine runs: the container would burst.',
  'Container upright: liquid breaks a running compressor.',
  'Never heat it over 50 °C, no flame.',
]

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

function callNext(state: JobState): Call {
  const next = state.plan?.stops[state.containers.length]
  if (!next) {
    const got = chargedG(state)
    const off = got - (state.plan?.targetG ?? 0)
    return {
      sentence: `${grams(got)} g is in. Prove it.`,
      why: [
        Math.abs(off) <= state.opened.label.toleranceG
          ? `The label asks for ${grams(state.plan?.targetG ?? 0)} g and allows ±${state.opened.label.toleranceG}.`
          : `${grams(Math.abs(off))} g ${off > 0 ? 'over' : 'short of'} the label’s ${grams(state.plan?.targetG ?? 0)} g, which allows ±${state.opened.label.toleranceG}. ${off > 0 ? 'Recovery is the only honest way back.' : 'Another container is needed.'}`,
      ],
      watch: [],
      action: { label: 'Go on to the proof', key: 'P', does: record(finish('charge')) },
      plain: off < -state.opened.label.toleranceG ? [{ label: 'Plan another', key: 'N', does: { do: 'send', form: 'plan' } }] : [],
      after: 'Both sides and the vent, after five to ten minutes.',
    }
  }
  return {
    sentence: `${next.id} on the scale.`,
    why: ['Its hose on, valve still shut, upright. Purge with a short hiss at the manifold end.', `It stops at ${grams(next.stopGrossG)} g.`],
    form: 'container-start',
    watch: CHARGE_WATCH.slice(1),
    action: { label: `${next.id} is connected`, key: 'C', does: { do: 'send', form: 'container-start' } },
    plain: [],
    after: 'Then open its valve and the low valve, engine off.',
  }
}

function callContainer(state: JobState, live: Live, { id, startGrossG, startedAt }: ChargedContainer): Call {
  const { rig } = state
  const stop = state.plan?.stops.find((s) => s.id === id)
  const stopG = stop?.stopGrossG ?? startGrossG
  const opened = rig['container-valve'] === 'open' && rig['valve-low'] === 'open'
  const left = (live.scaleG ?? startGrossG) - stopG
  const base = { watch: CHARGE_WATCH, plain: [] }
  const shutAgain = !opened && (state.turnedAt['valve-low'] ?? '') > startedAt
  if (!opened && !shutAgain) {
    return {
      ...base,
      sentence: 'Open the container and the low valve.',
      why: [rig.engine === 'on' ? 'Low side only, slowly, vapour.' : `Into the vacuum first, engine off, until the flow stops: about ${grams(firstOf(state))} g by themselves.`],
      action: { label: 'Both are open', key: 'O', does: record(set('container-valve', 'open'), set('valve-low', 'open')) },
      after: `Then watch it down to ${grams(stopG)} g.`,
    }
  }
  if (!opened) return callClose(id, left)
  const stalled = rig.engine === 'off' && live.flowGMin !== undefined && live.flowGMin < FLOW_STOPPED_G_MIN && (live.scaleG ?? startGrossG) < startGrossG - 5
  if (stalled && left > 0.5) {
    return {
      ...base,
      sentence: 'The flow stopped. Engine on.',
      why: ['The pressures have met. Cooling at maximum, recirculation, air over the condenser.', 'The compressor starts once its pressure switch is satisfied.'],
      action: { label: 'Engine is on', key: 'E', does: record(set('engine', 'on')) },
      plain: [{ label: 'Low valve is shut', key: 'V', does: record(set('valve-low', 'closed')) }],
      after: `Low side only, down to ${grams(stopG)} g.`,
    }
  }
  return callFlowing(rig.engine === 'off', live, stopG)
}

/** What the vacuum takes by itself at this place, g, within the refrigerant's table. */
function firstOf({ opened }: JobState): number {
  return firstChargeG(opened.volumeL, opened.label.refrigerant, Math.max(-26, Math.min(60, opened.place.ambientC)))
}

/** After the low valve was shut: weigh, or open once more when grams are still wanted. */
function callClose(id: string, leftG: number): Call {
  return {
    sentence: `Shut ${id} and weigh it.`,
    why: ['Low valve first, then the container: the line stays clean.', 'What the scale shows now is what counts.'],
    form: 'container-end',
    watch: [],
    action: { label: 'Container is shut', key: 'S', does: { do: 'send', form: 'container-end' } },
    plain: leftG > MORE_FROM_G ? [{ label: `A quarter open, ${grams(leftG)} g more`, key: 'O', does: record(set('valve-low', 'open')) }] : [],
  }
}

/** A flow that fades with the engine on, and what to do about it. */
const FADED = [
  'The flow has faded: the container has cooled itself (warm it, 50 °C at most), the pressures are equal, or the compressor does not run.',
  'If it does not run: connector first, then the pressure switch, then the charge. A switch is bridged only as a last step of diagnosis, by the service manual, and recorded.',
]

function callFlowing(engineOff: boolean, live: Live, stopG: number): Call {
  const rate = live.flowGMin
  const left = (live.scaleG ?? Number.NaN) - stopG
  const { closing } = live
  const seconds = closing ? Math.max(0, Math.round(closing.inS)) : left > 0 && rate && rate > 1 ? Math.max(0, Math.round((left / rate) * 60)) : undefined
  const now = left <= 0 || (closing !== undefined && closing.inS <= 0)
  return {
    sentence: left <= 0 ? 'Close the low valve now. It was due at' : now ? 'Close the low valve now, for' : 'Hand on the low valve. Close it for',
    figure: {
      text: grams(stopG),
      caption: `g on the scale, ${(stopG / GRAMS_PER_OUNCE).toFixed(1)} oz${seconds === undefined || now ? '' : `, in ${Math.floor(seconds / 60)} min ${seconds % 60} s`}`,
    },
    why: [
      rate === undefined ? 'No flow measured yet: type what the scale shows.' : `${rate.toFixed(0)} g a minute leaves the container.`,
      ...(!engineOff && rate !== undefined && rate < FLOW_STOPPED_G_MIN && left > MORE_FROM_G ? FADED : []),
      ...(closing?.short
        ? [`Closed ${grams(closing.aimG - stopG)} g short at first: at this flow nobody knows this hand well enough. The rest through a valve a quarter open.`]
        : []),
      ...(closing && !closing.short ? ['Early enough for the hand, the valve and what still flows.'] : []),
      ...(live.scaleNotes ?? []).slice(-2).map((note) => `Noticed: ${note}.`),
    ],
    watch: CHARGE_WATCH,
    action: { label: 'Low valve is shut', key: 'V', does: record(set('valve-low', 'closed')) },
    plain: engineOff ? [{ label: 'Engine is on', key: 'E', does: record(set('engine', 'on')) }] : [],
    after: 'Then shut the container and weigh it.',
  }
}
