import { stopsNow, toleranceG } from '../charge/plan-for-job'
import { chargedG, type JobState, liquidStandsUntilMs, openContainer, wayOf } from '../job/state'
import { LIQUID_STANDS_MIN, WAY_WORDS } from '../job/ways'
import { W } from '../language/call/charge'
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
      sentence: W.whatStandsOnTheScale,
      why: [
        W.grossAsWeighedNetFrom,
        W.zeroTheScaleAfterThe,
        ...(state.search?.ended?.dye ? [W.theLeakWasNotFound] : []),
      ],
      form: 'plan',
      watch: [W.eyeProtectionAndGlovesOn, W.purchaseAndUseOfRefrigerant],
      action: { label: W.planTheCharge, key: 'P', does: { do: 'send', form: 'plan' } },
      plain: [],
      after: W.itSaysWhereToStop,
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
    sentence: W.onTheScale(next.id),
    why: [
      first
        ? W.hoseOnItItsValve(words.pose, purged ? W.purgeAShortHissAt : '')
        : W.theValveIsShutThe(
            valveName(state),
            words.pose,
            purged ? W.purgeWithAShortHiss(say.mass(next.purgeG)) : W.theHoseStayedShutNothing,
          ),
      W.scaleZeroedWithTheHose,
      W.itStopsAt(massBoth(next.stopGrossG, say), next.emptied ? W.atItsHeel : ''),
    ],
    form: 'container-start',
    watch: words.watch.slice(1),
    action: { label: W.isConnected(next.id), key: 'C', does: { do: 'send', form: 'container-start' } },
    plain:
      live.nod === 'gives' && !state.nodded
        ? [
            {
              label: W.nodToIt,
              sub: W.makesTheCharge(state.whose.name),
              key: 'N',
              does: record({ kind: 'charge-nodded', payload: {} }),
            },
          ]
        : [],
    after: W.thenOpenItsValveAnd(valveName(state), state.rig.engine === 'off' ? W.engineOff : W.slowly),
  }
}

/** A trainee's plan is looked at before anything flows. */
function callNod(state: JobState, live: Live): Call {
  const [next] = stopsNow(state)
  const say = sayOf(live)
  return {
    sentence: W.aTechnicianLooksAtThe,
    why: [
      W.byTheLabel(
        say.mass(state.plan?.targetG ?? 0),
        next ? W.firstItStopsAt(next.id, massBoth(next.stopGrossG, say)) : W.theCansAreCounted,
      ),
      W.theyNodOnTheirOwn,
    ],
    watch: [W.nothingIsConnectedBeforeThat],
    action: { label: W.waitingForTheNod, key: 'N', does: { do: 'wait' } },
    plain: [],
    after: W.thenTheFirstContainerGoes,
  }
}

/**
 * The way that takes the manifold off: both ports are closed and capped but one, and the container hangs on one
 * hose.
 */
function callRigOff({ rig }: JobState): Call {
  const shut = (['valve-low', 'valve-high'] as const)
    .filter((valve) => rig[valve] === 'open')
    .map((valve) => set(valve, 'closed'))
  return {
    sentence: W.manifoldOffOneHoseOn,
    why: [W.closeBothCouplersCounterClockwise, W.highCapOnAtOnce],
    watch: [W.theHighSideIsNot],
    action: {
      label: W.oneHoseIsOn,
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
    after: W.thenTheContainerOnThe,
  }
}

/** Less than this off is on the target, g: no scale of this work shows it. */
const NOTHING_OFF_G = 0.5

/** What too much or too little does, and the way back. */
export function offTargetWords(offG: number, allowsG: number, say: Say): string {
  const by = say.mass(Math.abs(offG))
  if (Math.abs(offG) <= allowsG)
    return W.withinTheAllowed(
      Math.abs(offG) < NOTHING_OFF_G ? W.onTheTarget : W.it(by, offG > 0 ? W.over : W.under),
      say.mass(allowsG),
    )
  const beyond = say.mass(Math.abs(offG) - allowsG)
  return offG > 0 ? W.overMoreThanAllowedThe(by, beyond) : W.shortMoreThanAllowedWeak(by, beyond)
}

function callFilled(state: JobState, live: Live): Call {
  const say = sayOf(live)
  const got = chargedG(state)
  const target = state.plan?.targetG ?? 0
  const allows = toleranceG(state)
  const off = got - target
  const why = [W.askedFor(say.mass(target), offTargetWords(off, allows, say))]
  if (off < -allows) {
    return {
      sentence: W.shortAnotherContainer(say.mass(-off)),
      why,
      form: 'plan',
      watch: [],
      action: { label: W.planAnother, key: 'N', does: { do: 'send', form: 'plan' } },
      plain: [{ label: W.leaveItSoProveIt, key: 'P', does: record(finish('charge')) }],
      after: W.whatIsInIsCounted,
    }
  }
  const hose = state.plan?.hose
  const giveBack = hose && !hose.drawnDown ? W.theHoseWasToStay : W.containerShutTheLineDraws
  const until = state.rig.engine === 'off' ? liquidStandsUntilMs(state) : null
  const stands = until !== null && live.nowMs < until
  return {
    sentence: stands ? W.isInItStandsEngine(say.mass(got)) : W.isInProveIt(say.mass(got)),
    ...(stands && {
      figure: { text: live.clock(until), caption: W.minutesAfterTheLiquidWent(LIQUID_STANDS_MIN) },
    }),
    why: [...why, giveBack],
    watch: stands ? WAY_WORDS['liquid-high'].watch.slice(0, 1) : [],
    action: { label: W.goOnToTheProof, key: 'P', does: record(finish('charge')) },
    plain:
      off > allows
        ? [
            {
              label: W.recoverItBeginAgain,
              key: 'B',
              does: record(...turnDeeds(state, 'zero', W.overTheTarget(say.mass(off)))),
            },
          ]
        : [],
    after: W.bothSidesAndTheVent,
  }
}
