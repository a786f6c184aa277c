import { FADED_G_MIN, type Faded, fadedCause } from '../charge/faded'
import { firstChargeG } from '../charge/first-charge'
import { type ChargePressure, chargePressureOf, highCeilingPaG } from '../charge/limits'
import { heelG, tareOf } from '../charge/plan'
import { labelTargetG, stopNow } from '../charge/plan-for-job'
import { withinTablesC } from '../fluids/refrigerant'
import { type ChargedContainer, chargedG, type JobState, lostG, wayOf } from '../job/state'
import { LIQUID_STANDS_MIN, WAY_WORDS } from '../job/ways'
import { W } from '../language/call/charge-container'
import { MINUTE_MS } from '../units/constants'
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
        way === 'liquid-high' ? W.invertItOpenItAnd : both ? W.openTheContainerAndBoth : W.openTheContainerAndThe,
      why: [
        ...(gauge.length > 0 ? [gaugeWords(state)] : []),
        rig.engine === 'on'
          ? W.lowSideOnlySlowlyVapour
          : way === 'liquid-high'
            ? words.how
            : W.intoTheVacuumFirstEngine(say.mass(firstOf(state))),
      ],
      action: {
        label: both ? W.allAreOpen : W.bothAreOpen,
        key: 'O',
        does: record(...gauge, ...pose, set('container-valve', 'open'), ...valves),
      },
      after: W.thenWatchItDownTo(say.mass(stopG)),
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
      sentence: high ? W.theFlowStoppedHighValve : W.theFlowStoppedEngineOn,
      why: [W.thePressuresHaveMetCooling, W.theCompressorStartsOnceIts],
      action: { label: high ? W.highShutEngineOn : W.engineIsOn, key: 'E', does: record(...engineDeeds(state)) },
      plain: [{ label: W.lowValveIsShut, key: 'V', does: record(...shutDeeds(state)) }],
      after: W.lowSideOnlyDownTo(say.mass(stopG)),
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
    sentence: W.theLiquidStoppedEarly,
    why: [
      W.thePressuresHaveMetThe,
      W.areStillToComeThey(say.mass(leftG)),
      W.firstItStandsMinutesThe(LIQUID_STANDS_MIN),
    ],
    watch: [...WAY_WORDS['liquid-high'].watch],
    action: { label: W.highValveIsShut, key: 'V', does: record(...shutDeeds(state)) },
    plain: [],
    after: W.thenShutTheContainerAnd,
  }
}

/** A side that is where it must not be while a charge goes in: closed first, then why. */
function callPressure(state: JobState, kind: ChargePressure, live: Live, say: Say): Call {
  const { label, place } = state.opened
  const gauge = (pa: number | undefined) => (pa === undefined ? W.notRead : say.pressure(pa - place.barometerPa))
  const over = kind === 'high-over'
  const limit = say.pressure(highCeilingPaG(label.refrigerant, withinTablesC(place.ambientC), place.barometerPa))
  return {
    sure: over ? W.highSideOverItsLimit : W.lowSideInAVacuum,
    sentence: over ? W.closeItEngineOffAir : W.closeItTheLowSide,
    why: over
      ? [
          W.highSideAtNoMore(gauge(live.highPa), say.celsius(place.ambientC), limit),
          W.theCondenserGetsRidOf,
          W.aFanOrAHose,
        ]
      : [W.lowSideWithTheEngine(gauge(live.lowPa)), W.containerShutOrEmptyA],
    watch: over ? [W.nobodyOpensTheHighSide] : [],
    action: {
      label: W.valveIsShutEngineOff(valveName(state) === 'low' ? W.low : W.high),
      key: 'V',
      does: record(...shutDeeds(state), set('engine', 'off')),
    },
    plain: [{ label: W.anotherWay, key: 'W', does: { do: 'way', at: 'back' } }],
    after: W.letItSettleThenGo,
  }
}

/** An electronic vacuum gauge is shut off, or taken off, before pressure comes: it breaks its sensor. */
const gaugeOff = ({ opened, rig }: JobState) =>
  opened.rig.gauge === 'electronic' && rig['gauge-valve'] === 'open' ? [set('gauge-valve', 'closed')] : []
const gaugeWords = ({ opened }: JobState): string =>
  opened.rig.gaugeValve ? W.theVacuumGaugesOwnValve : W.theVacuumGaugeOffFirst

/** The line is purged before it is opened to the car: asked for at its moment. */
function callPurge(state: JobState, { id }: ChargedContainer, say: Say): Call {
  const can = state.plan?.containers.find((c) => c.id === id)?.kind === 'can'
  return {
    sentence: W.purgeTheLine,
    why: [...(can ? [W.theTapsNeedleBackedOut] : []), W.containerOpenCarShutA(say.mass(lostG(state, id).purgeG))],
    watch: [W.eyeProtectionAndGlovesOn],
    action: { label: W.itIsPurged, key: 'U', does: record(set('line', 'purged')) },
    plain: [],
    after: W.thenOpenItToThe,
  }
}

/** Grams are wanted and nothing flows: what is wrong is the call, not the stop that is far. */
function callFaded(state: JobState, { headline, sentence, next }: Faded, leftG: number, say: Say): Call {
  return {
    sentence: headline,
    why: [sentence, next, W.areStillToComeOut(say.mass(leftG))],
    watch: [...WAY_WORDS[wayOf(state)].watch],
    action: {
      label: W.valveIsShut(valveName(state) === 'low' ? W.low : W.high),
      key: 'V',
      does: record(...shutDeeds(state)),
    },
    plain: [{ label: W.engineIsOff, key: 'E', does: record(set('engine', 'off')) }],
    after: W.orLeaveItOpenAnd,
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
    sentence: W.shutAndWeighIt(id),
    why: [W.valveFirstThenTheContainer(valve === 'low' ? W.low : W.high), W.whatTheScaleShowsNow],
    form: 'container-end',
    watch: [],
    action: { label: W.containerIsShut, key: 'S', does: { do: 'send', form: 'container-end' } },
    plain:
      leftG > MORE_FROM_G
        ? [
            {
              label: W.aQuarterOpenMore(say.mass(leftG)),
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
      left <= 0 ? W.closeTheValveNowIt(valve) : now ? W.closeTheValveNowFor(valve) : W.handOnTheValveClose(valve),
    figure: {
      text: say.massText(stopG),
      caption:
        onTheScale(stopG, say) + (seconds === undefined || now ? '' : W.inMinS(Math.floor(seconds / 60), seconds % 60)),
    },
    why: [
      ...(byHand ? handWords(state, live) : [measuredWords(rate, say)]),
      ...(closing?.short ? [W.closedShortAtFirstAt(say.mass(closing.aimG - stopG))] : []),
      ...(closing && !closing.short ? [W.earlyEnoughForTheHand] : []),
      ...(live.cycling && state.rig.engine === 'on' ? [cyclingWords(state, live)] : []),
      ...(live.scaleNotes ?? []).slice(-2).map((note) => W.noticed(note)),
    ],
    watch: [...words.watch],
    action: { label: W.valveIsShut(valve === 'low' ? W.low : W.high), key: 'V', does: record(...shutDeeds(state)) },
    plain:
      engineOff && words.phase === 'vapour'
        ? [
            {
              label: state.rig['valve-high'] === 'open' ? W.highShutEngineOn : W.engineIsOn,
              key: 'E',
              does: record(...engineDeeds(state)),
            },
          ]
        : [],
    after: W.thenShutTheContainerAndWeigh,
  }
}

/** By so much of the label's weight a compressor should run on (assumed). */
const RUNS_ON_FROM = 0.6

/** A compressor that goes on and off while it is filled: usual at first, a sign later. */
function cyclingWords(state: JobState, live: Live): string {
  const inside = chargedG(state, live.scaleG)
  return inside < RUNS_ON_FROM * labelTargetG(state) ? W.theCompressorGoesOnAnd : W.theCompressorStillGoesOn
}

const measuredWords = (rate: number | undefined, say: Say): string =>
  rate === undefined ? W.noFlowMeasuredYetType : W.leavesTheContainer(say.flow(rate))

/** Seconds to the word, from typed weights; undefined before the third. */
const handSeconds = ({ handFlow, nowMs }: Live): number | undefined =>
  handFlow?.closeMs === null || handFlow?.closeMs === undefined
    ? undefined
    : Math.max(0, Math.round((handFlow.closeMs - nowMs) / 1000))

/** What typed weights bear: what is in, then a flow, then a time to close by; and when the next one helps. */
function handWords(state: JobState, live: Live): string[] {
  const flow = live.handFlow
  if (!flow || flow.flowGMin === null) return [W.theScaleIsReadBy]
  const say = sayOf(live)
  const rate = W.byYourWeights(say.flow(flow.flowGMin), say.mass(Math.max(1, Math.ceil(flow.plusMinusGMin ?? 0))))
  const close =
    flow.closeMs !== null && flow.plusMinusMs !== null
      ? W.closeAtMin(live.clock(flow.closeMs), Math.max(1, Math.ceil(flow.plusMinusMs / MINUTE_MS)))
      : W.oneMoreWeightTellsWhen
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
