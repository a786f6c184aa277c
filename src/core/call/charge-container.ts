import { FADED_G_MIN, type Faded, fadedCause } from '../charge/faded'
import { firstChargeG } from '../charge/first-charge'
import { type ChargePressure, chargePressureOf, highCeilingPaG } from '../charge/limits'
import { heelG, tareOf } from '../charge/plan'
import { labelTargetG, stopNow } from '../charge/plan-for-job'
import { withinTablesC } from '../fluids/refrigerant'
import { type ChargedContainer, chargedG, type JobState, lostG, wayOf } from '../job/state'
import { LIQUID_STANDS_MIN, WAY_WORDS } from '../job/ways'
import type { Say } from '../units/say'
import { MORE_FROM_G, onTheScale, valveName } from './charge-words'
import { readNext } from './read-next'
import { type Call, type Live, record, sayOf, set } from './types'

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
  const say = sayOf(live)
  const base = { watch: [...words.watch], plain: [] }
  const shutAgain = !opened && (state.turnedAt[words.valve] ?? '') > startedAt
  if (!opened && !shutAgain && rig.line === 'air') return callPurge(state, container, say)
  if (!opened && !shutAgain) {
    const both = way === 'first-high' && rig.engine === 'off'
    const pose = rig['container-pose'] === words.pose ? [] : [set('container-pose', words.pose)]
    const gauge = gaugeOff(state)
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
        ...(gauge.length > 0 ? [gaugeWords(state)] : []),
        rig.engine === 'on'
          ? 'Low side only, slowly, vapour.'
          : way === 'liquid-high'
            ? words.how
            : `Into the vacuum first, engine off, until the flow stops: about ${say.mass(firstOf(state))} by themselves.`,
      ],
      action: {
        label: both ? 'All are open' : 'Both are open',
        key: 'O',
        does: record(...gauge, ...pose, set('container-valve', 'open'), ...valves),
      },
      after: `Then watch it down to ${say.mass(stopG)}.`,
    }
  }
  if (!opened) return callClose(state, id, left, say)
  const pressed = rig.engine === 'on' ? chargePressureOf(state, live) : null
  if (pressed) return callPressure(state, pressed, live, say)
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
      after: `Low side only, down to ${say.mass(stopG)}.`,
    }
  }
  if (stalled && left > MORE_FROM_G && way === 'liquid-high') return callLiquidStopped(state, left, say)
  const turnedMs = Math.max(...['engine' as const, words.valve].map((p) => Date.parse(state.turnedAt[p] ?? startedAt)))
  const faded =
    live.nowMs - turnedMs > FLOW_BUILDS_MS &&
    rig.engine === 'on' &&
    live.flowGMin !== undefined &&
    live.flowGMin < FADED_G_MIN &&
    left > MORE_FROM_G
  if (faded) return callFaded(state, fadedOf(state, live, container), left, say)
  return callFlowing(state, live, stopG)
}

/** Liquid that stops before its weight is in: the pressures have met, and the rest goes another way. */
function callLiquidStopped(state: JobState, leftG: number, say: Say): Call {
  return {
    sentence: 'The liquid stopped early.',
    why: [
      'The pressures have met: the container stands no warmer than the car.',
      `${say.mass(leftG)} are still to come: they go by the low side, as vapour, with the engine on.`,
      `First it stands ${LIQUID_STANDS_MIN} minutes: the compressor must not start against liquid.`,
    ],
    watch: [...WAY_WORDS['liquid-high'].watch],
    action: { label: 'High valve is shut', key: 'V', does: record(...shutDeeds(state)) },
    plain: [],
    after: 'Then shut the container and weigh it; plan the rest as vapour.',
  }
}

/** A side that is where it must not be while a charge goes in: closed first, then why. */
function callPressure(state: JobState, kind: ChargePressure, live: Live, say: Say): Call {
  const { label, place } = state.opened
  const gauge = (pa: number | undefined) => (pa === undefined ? 'not read' : say.pressure(pa - place.barometerPa))
  const over = kind === 'high-over'
  const limit = say.pressure(highCeilingPaG(label.refrigerant, withinTablesC(place.ambientC), place.barometerPa))
  return {
    sure: over ? 'high side over its limit' : 'low side in a vacuum',
    sentence: over ? 'Close it, engine off. Air over the condenser.' : 'Close it. The low side is in a vacuum.',
    why: over
      ? [
          `High side ${gauge(live.highPa)}, at ${say.celsius(place.ambientC)} no more than ${limit} (assumed; the maker’s chart leads).`,
          'The condenser gets rid of too little: fan off, no road wind, dirt between the fins; or too much is in, or air.',
          'A fan, or a hose of water over the condenser, tells at once.',
        ]
      : [
          `Low side ${gauge(live.lowPa)} with the engine on: what should come through does not.`,
          'Container shut or empty, a kinked hose, the coupler not on the core; or a restriction at the expansion device.',
        ],
    watch: over ? ['Nobody opens the high side now: the container would burst.'] : [],
    action: {
      label: `${valveName(state) === 'low' ? 'Low' : 'High'} valve is shut, engine off`,
      key: 'V',
      does: record(...shutDeeds(state), set('engine', 'off')),
    },
    plain: [{ label: 'Another way', key: 'W', does: { do: 'way', at: 'back' } }],
    after: 'Let it settle; then go on, or recover and mend.',
  }
}

/** An electronic vacuum gauge is shut off, or taken off, before pressure comes: it breaks its sensor. */
const gaugeOff = ({ opened, rig }: JobState) =>
  opened.rig.gauge === 'electronic' && rig['gauge-valve'] === 'open' ? [set('gauge-valve', 'closed')] : []
const gaugeWords = ({ opened }: JobState): string =>
  opened.rig.gaugeValve
    ? 'The vacuum gauge’s own valve shut first: pressure breaks its sensor.'
    : 'The vacuum gauge off first, its port capped: pressure breaks its sensor.'

/** The line is purged before it is opened to the car: asked for at its moment. */
function callPurge(state: JobState, { id }: ChargedContainer, say: Say): Call {
  const can = state.plan?.containers.find((c) => c.id === id)?.kind === 'can'
  return {
    sentence: 'Purge the line.',
    why: [
      ...(can ? ['The tap’s needle backed out before it goes on the can; then pierce it, and back it out again.'] : []),
      `Container open, car shut: a short hiss at the manifold end, ${say.mass(lostG(state, id).purgeG)} counted. The line holds air.`,
    ],
    watch: [
      'Eye protection and gloves on. Small purges are commonly exempt; deliberate venting is not: local codes decide.',
    ],
    action: { label: 'It is purged', key: 'U', does: record(set('line', 'purged')) },
    plain: [],
    after: 'Then open it to the car.',
  }
}

/** Grams are wanted and nothing flows: what is wrong is the call, not the stop that is far. */
function callFaded(state: JobState, { headline, sentence, next }: Faded, leftG: number, say: Say): Call {
  return {
    sentence: headline,
    why: [sentence, next, `${say.mass(leftG)} are still to come out of it.`],
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
function callClose(state: JobState, id: string, leftG: number, say: Say): Call {
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
              label: `A quarter open, ${say.mass(leftG)} more`,
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
    switchPaG: state.switchPaG,
    volumeL: state.opened.volumeL,
    say: sayOf(live),
  })
}

function callFlowing(state: JobState, live: Live, stopG: number): Call {
  const byHand = live.scaleByHand === true
  const say = sayOf(live)
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
      text: say.massText(stopG),
      caption: `${onTheScale(stopG, say)}${seconds === undefined || now ? '' : `, in ${Math.floor(seconds / 60)} min ${seconds % 60} s`}`,
    },
    why: [
      ...(byHand ? handWords(state, live) : [measuredWords(rate, say)]),
      ...(closing?.short
        ? [
            `Closed ${say.mass(closing.aimG - stopG)} short at first: at this flow nobody knows this hand well ` +
              `enough. The rest through a valve a quarter open.`,
          ]
        : []),
      ...(closing && !closing.short ? ['Early enough for the hand, the valve and what still flows.'] : []),
      ...(live.cycling && state.rig.engine === 'on' ? [cyclingWords(state, live)] : []),
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

/** By so much of the label's weight a compressor should run on (assumed). */
const RUNS_ON_FROM = 0.6

/** A compressor that goes on and off while it is filled: usual at first, a sign later. */
function cyclingWords(state: JobState, live: Live): string {
  const inside = chargedG(state, live.scaleG)
  return inside < RUNS_ON_FROM * labelTargetG(state)
    ? 'The compressor goes on and off: its low-pressure switch is near. That is usual while little is in.'
    : 'The compressor still goes on and off with most of it in: its switch, a restriction, or the weight is wrong.'
}

const measuredWords = (rate: number | undefined, say: Say): string =>
  rate === undefined ? 'No flow measured yet: type what the scale shows.' : `${say.flow(rate)} leaves the container.`

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
  const say = sayOf(live)
  const rate = `${say.flow(flow.flowGMin)}, ±${say.mass(Math.max(1, Math.ceil(flow.plusMinusGMin ?? 0)))}, by your weights.`
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
