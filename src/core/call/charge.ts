import { stopsNow, toleranceG } from '../charge/plan-for-job'
import { chargedG, type JobState, liquidStandsUntilMs, openContainer, wayOf } from '../job/state'
import { LIQUID_STANDS_MIN, WAY_WORDS } from '../job/ways'
import type { Say } from '../units/say'
import { callContainer } from './charge-container'
import { callCounted } from './charge-counted'
import { MORE_FROM_G, massBoth, valveName } from './charge-words'
import { turnDeeds } from './turns'
import { type Call, finish, type Live, record, sayOf, set } from './types'

export function callCharge(state: JobState, live: Live): Call {
  if (state.counted && live.nod === 'asks' && !state.nodded && state.counted.emptied.length === 0)
    return callNod(state, live)
  if (state.counted) return callCounted(state, state.counted, sayOf(live))
  if (!state.plan) {
    return {
      sentence: 'What stands on the scale?',
      why: [
        'Gross as weighed, net from the label. A partly used one needs its empty weight.',
        'Zero the scale after the hose is on.',
        ...(state.search?.ended?.dye
          ? ['The leak was not found: dye goes in with this charge, fit for this oil, ahead of the refrigerant.']
          : []),
      ],
      form: 'plan',
      watch: [
        'Eye protection and gloves on.',
        'Purchase and use of refrigerant are regulated: local codes and licensed practice decide.',
      ],
      action: { label: 'Plan the charge', key: 'P', does: { do: 'send', form: 'plan' } },
      plain: [],
      after: 'It says where to stop for each container.',
    }
  }
  const open = openContainer(state)
  if (!open && live.nod === 'asks' && !state.nodded) return callNod(state, live)
  return open ? callContainer(state, live, open) : callNext(state, live)
}

function callNext(state: JobState, live: Live): Call {
  const say = sayOf(live)
  const [next] = stopsNow(state)
  // a rest smaller than a scale can tell is no reason to put another container on
  if (!next || next.takenG - next.purgeG < MORE_FROM_G) return callFilled(state, live)
  const first = state.containers.length === 0
  if (first && state.plan?.line === 'single-hose' && state.rig['coupler-high'] !== 'off') return callRigOff(state)
  const purged = next.purgeG > 0
  const words = WAY_WORDS[wayOf(state)]
  return {
    sentence: `${next.id} on the scale.`,
    why: [
      first
        ? `Hose on it, its valve shut, ${words.pose}. ${purged ? 'Purge: a short hiss at the manifold end.' : ''}`
        : `The ${valveName(state)} valve is shut, the last container too: hose over to this one, ${words.pose}. ` +
          `${purged ? `Purge with a short hiss, ${say.mass(next.purgeG)} counted.` : 'The hose stayed shut: nothing to purge.'}`,
      'Scale zeroed with the hose on, or the same way as for the one before.',
      `It stops at ${massBoth(next.stopGrossG, say)}${next.emptied ? ', at its heel' : ''}.`,
    ],
    form: 'container-start',
    watch: words.watch.slice(1),
    action: { label: `${next.id} is connected`, key: 'C', does: { do: 'send', form: 'container-start' } },
    plain:
      live.nod === 'gives' && !state.nodded
        ? [
            {
              label: 'Nod to it',
              sub: `${state.whose.name} makes the charge`,
              key: 'N',
              does: record({ kind: 'charge-nodded', payload: {} }),
            },
          ]
        : [],
    after: `Then open its valve and the ${valveName(state)} valve${state.rig.engine === 'off' ? ', engine off' : ', slowly'}.`,
  }
}

/** A trainee's plan is looked at before anything flows. */
function callNod(state: JobState, live: Live): Call {
  const [next] = stopsNow(state)
  const say = sayOf(live)
  return {
    sentence: 'A technician looks at the plan first.',
    why: [
      `${say.mass(state.plan?.targetG ?? 0)} by the label; ${next ? `${next.id} first, it stops at ${massBoth(next.stopGrossG, say)}.` : 'the cans are counted.'}`,
      'They nod on their own page of this car, or here below with their name and password.',
    ],
    watch: ['Nothing is connected before that.'],
    action: { label: 'Waiting for the nod', key: 'N', does: { do: 'wait' } },
    plain: [],
    after: 'Then the first container goes on the scale.',
  }
}

/**
 * The school that takes the manifold off: both ports are closed and capped but one, and the container hangs on one
 * hose.
 */
function callRigOff({ rig }: JobState): Call {
  const shut = (['valve-low', 'valve-high'] as const)
    .filter((valve) => rig[valve] === 'open')
    .map((valve) => set(valve, 'closed'))
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

/** Less than this off is on the target, g: no scale of this work shows it. */
const NOTHING_OFF_G = 0.5

/** What too much or too little does, and the way back. */
export function offTargetWords(offG: number, allowsG: number, say: Say): string {
  const by = say.mass(Math.abs(offG))
  if (Math.abs(offG) <= allowsG)
    return (
      `${Math.abs(offG) < NOTHING_OFF_G ? 'On the target' : `${by} ${offG > 0 ? 'over' : 'under'} it`}, ` +
      `within the ±${say.mass(allowsG)} allowed.`
    )
  const beyond = say.mass(Math.abs(offG) - allowsG)
  return offG > 0
    ? `${by} over, ${beyond} more than allowed: the high side rises, the vent warms, ` +
        `liquid can reach the compressor. Recovery is the only honest way back.`
    : `${by} short, ${beyond} more than allowed: weak cooling, and oil that does not come back to the compressor.`
}

function callFilled(state: JobState, live: Live): Call {
  const say = sayOf(live)
  const got = chargedG(state)
  const target = state.plan?.targetG ?? 0
  const allows = toleranceG(state)
  const off = got - target
  const why = [`Asked for: ${say.mass(target)}. ${offTargetWords(off, allows, say)}`]
  if (off < -allows) {
    return {
      sentence: `${say.mass(-off)} short. Another container.`,
      why,
      form: 'plan',
      watch: [],
      action: { label: 'Plan another', key: 'N', does: { do: 'send', form: 'plan' } },
      plain: [{ label: 'Leave it so, prove it', key: 'P', does: record(finish('charge')) }],
      after: 'What is in is counted; the plan asks only for the rest.',
    }
  }
  const hose = state.plan?.hose
  const giveBack =
    hose && !hose.drawnDown
      ? 'The hose was to stay full: what is in it is not in the car.'
      : 'Container shut, the line draws down into the low side while it runs.'
  const until = state.rig.engine === 'off' ? liquidStandsUntilMs(state) : null
  const stands = until !== null && live.nowMs < until
  return {
    sentence: stands ? `${say.mass(got)} is in. It stands; engine from` : `${say.mass(got)} is in. Prove it.`,
    ...(stands && {
      figure: { text: live.clock(until), caption: `${LIQUID_STANDS_MIN} minutes after the liquid went in` },
    }),
    why: [...why, giveBack],
    watch: stands ? WAY_WORDS['liquid-high'].watch.slice(0, 1) : [],
    action: { label: 'Go on to the proof', key: 'P', does: record(finish('charge')) },
    plain:
      off > allows
        ? [
            {
              label: 'Recover it, begin again',
              key: 'B',
              does: record(...turnDeeds(state, 'zero', `${say.mass(off)} over the target`)),
            },
          ]
        : [],
    after: 'Both sides and the vent, after five to ten minutes.',
  }
}
