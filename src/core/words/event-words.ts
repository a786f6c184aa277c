import { LEAVE_WORDS } from '../call/after'
import { alarmWords } from '../call/alarm-words'
import { certificateWords } from '../job/certificate'
import { CLOSED_LINES } from '../job/doing'
import type { JobEvent, PayloadOf } from '../job/events'
import { PART_NAMES } from '../job/parts'
import { PHOTO_WORDS } from '../job/photos'
import { STEP_NAMES } from '../job/steps'
import { codeWords } from '../language/codes'
import { W } from '../language/said/event'
import { PLACES } from '../leak/places'
import { seenWords } from '../leak/seen-words'
import { SEAT_WORDS } from '../shop/instruments'
import { chanceWords } from '../units/chance'
import { lengthWords } from '../units/duration'
import { USUAL_SAY } from '../units/say'
import { OIL_WAY_WORDS } from './oil-ways'
import { RENEWED_WORDS } from './renewed'

/** One line of the trail or the record for an event. */
export function eventWords(event: JobEvent): string {
  switch (event.kind) {
    case 'job-opened':
      return W.takenIn(
        event.payload.car.name,
        event.payload.label.refrigerant,
        event.payload.label.typed,
        event.payload.datedBack ? W.datedBackEnteredLater : '',
      )
    case 'clock-set-back':
      return W.theServersClockWasSet(lengthWords(event.payload.backS))
    case 'label-set':
      return W.labelSetTo(event.payload.refrigerant, event.payload.typed)
    case 'zero-read':
      return W.atRest(event.payload.typed)
    case 'car-told':
      return W.toldOfTheCar(toldWords(event.payload))
    case 'rig-taken':
      return W.rig(event.payload.rig.name)
    case 'recovered':
      return W.recoveredG(Math.round(event.payload.grams))
    case 'zero-explained':
      return event.payload.answer === 'needle-off-zero' ? W.needleOffItsZero : W.alreadyUnderVacuum
    case 'fix-logged': {
      const parts = event.payload.renewed.map((r) => `${RENEWED_WORDS[r.what].toLowerCase()} ×${r.count}`)
      return W.renewed(parts.join(', ') || W.nothing, oilWords(event.payload))
    }
    case 'part-set':
      return `${capital(PART_NAMES[event.payload.part])} ${codeWords(event.payload.state)}`
    case 'step-finished':
      return W.done(STEP_NAMES[event.payload.step])
    case 'isolated':
      return W.isolated
    case 'hold-ended':
      return W.holdJudgedLeakDamp(
        event.payload.verdict,
        chanceWords(event.payload.leak),
        chanceWords(event.payload.damp),
      )
    case 'hold-skipped':
      return W.holdSkipped(event.payload.why)
    case 'hold-shortened':
      return W.holdEndedEarly(event.payload.why)
    case 'hold-lengthened':
      return W.notDecidedByItsEnd(lengthWords(60 * event.payload.minutes))
    case 'charge-nodded':
      return W.noddedToThePlanOf
    case 'car-given':
      return event.payload.name === event.by ? W.hasTheCarNow(event.by) : W.givenTo(event.payload.name)
    case 'alarm-answered':
      return event.payload.answer === 'seen'
        ? W.alarmSeen(alarmWords(event.payload.alarm))
        : W.alarmPutOffMin(event.payload.minutes, alarmWords(event.payload.alarm))
    case 'nitrogen-swept':
      return W.sweptWithDryNitrogenTo(event.payload.passes, Math.round(event.payload.pressurePaG / 1000))
    case 'pump-oil':
      return OIL_STAGES[event.payload.stage]
    case 'hoses-shut':
      return W.hosesAloneShutIn
    case 'hoses-held':
      return W.hosesAloneHeldMin(Math.round(event.payload.minutes), event.payload.moved ? W.theyRose : W.theyStoodStill)
    case 'priors-set':
      return event.payload.use === 'even' ? W.judgedWithNothingPresumed : W.judgedWithTheJobsStory
    case 'hold-decided':
      return decidedWords(event.payload)
    case 'leak-accepted':
      return W.chargedKnowinglyWithALeak(
        USUAL_SAY.aYear(event.payload.gramsPerYear),
        event.payload.why,
        event.payload.customer,
      )
    case 'looked-at':
      return W.lookedForTheLeakAt(event.payload.place, event.payload.found)
    case 'search-begun':
      return event.payload.why === 'hold' ? W.searchForTheLeakBegun : W.searchBegunItCameIn
    case 'leak-checked':
      return seenWords(event.payload)
    case 'nitrogen-in':
      return W.dryNitrogenInKpa(Math.round(event.payload.pressurePaG / 1000))
    case 'nitrogen-out':
      return W.nitrogenLetOut
    case 'part-charge':
      return W.forTheSnifferGIn(Math.round(event.payload.inG), Math.round(event.payload.outG))
    case 'leak-found':
      return W.found(PLACES[event.payload.at].name, event.payload.done)
    case 'search-ended':
      return W.notFound(event.payload.why, event.payload.dye ? W.dyeGoesInWithThe : '')
    case 'turned-back':
      return W.backTo(STEP_NAMES[event.payload.to], event.payload.why)
    case 'parked':
      return W.leftStandingUnderVacuumCouplers(event.payload.couplers, event.payload.why)
    case 'taken-up':
      return W.takenUpAgain
    case 'closed':
      return `${capital(CLOSED_LINES[event.payload.as])}: ${event.payload.why}`
    case 'reopened':
      return W.openedAgain(event.payload.why)
    case 'charge-planned':
      return W.chargePlannedGFrom(
        Math.round(event.payload.targetG),
        event.payload.containers.map((c) => c.id).join(', '),
      )
    case 'cans-planned':
      return W.chargedByCountingWholeCans(event.payload.count, Math.round(event.payload.netG))
    case 'can-emptied':
      return W.aCanIsEmptyAbout(Math.round(event.payload.estimateG), Math.round(event.payload.plusMinusG))
    case 'container-started':
      return W.onAtG(event.payload.id, Math.round(event.payload.grossG))
    case 'container-warmed':
      return W.containerInWaterOfC(event.payload.celsius)
    case 'before-read':
      return W.beforeVentCAtC(event.payload.ventC.toFixed(1), event.payload.ambientC)
    case 'rest-read':
      return W.chargedAndAtRestKpa(Math.round(event.payload.paG / 1000), event.payload.ambientC)
    case 'maker-bands-set':
      return W.theMakersFiguresEntered
    case 'container-ended':
      return W.offAtG(event.payload.id, Math.round(event.payload.grossG))
    case 'proof-read':
      return W.proofLowKpaHighVent(
        event.payload.engine === 'idle' ? W.atIdle : event.payload.engine ? W.at1500Rpm : '',
        Math.round(event.payload.lowPaG / 1000),
        event.payload.highPaG === null ? W.notRead : W.kpa(Math.round(event.payload.highPaG / 1000)),
        event.payload.ventC.toFixed(1),
      )
    case 'leave-tapped':
      return event.payload.done
        ? LEAVE_WORDS[event.payload.item].done
        : W.takenBack(LEAVE_WORDS[event.payload.item].done)
    case 'noted':
      return event.payload.text
    case 'pictured':
      return W.photographOf(PHOTO_WORDS[event.payload.of], event.payload.caption ? `: ${event.payload.caption}` : '')
    case 'corrected':
      return W.corrected(event.payload.was, event.payload.is, event.payload.why)
    case 'caution-passed':
      return W.wentOnPastTheCaution(codeWords(event.payload.code))
    case 'set-aside':
      return W.setAsideItWasDone
    case 'deed-chosen':
      return event.payload.holds ? W.chosenWhatWasSetAside : W.chosenWhatWasSetAsideDoes
    case 'bench-set':
      return event.payload.action === 'speed' ? W.benchClock(event.payload.factor) : BENCH_WORDS[event.payload.action]
    case 'instrument-hung':
      return hungWords(event.payload)
    case 'instrument-off':
      return W.takenOff(event.payload.name)
    case 'signed':
      return W.signed(certificateWords(event.payload.certificate))
    default: {
      const unknown: never = event
      return unknown
    }
  }
}

/** What a hold was accepted by. */
export const ACCEPTED_BY = { judge: W.theJudge, rule: W.theProceduresRule, word: W.aPersonsWord } as const

const toldWords = (told: PayloadOf<'car-told'>): string =>
  [
    ...(told.lastChargeG === undefined ? [] : [W.gWereInIt(Math.round(told.lastChargeG))]),
    ...(told.daysSinceCharge === undefined ? [] : [W.chargedDaysAgo(told.daysSinceCharge)]),
    ...(told.oilKind === undefined ? [] : [W.oil(told.oilKind)]),
    ...(told.oilMl === undefined ? [] : [W.mlOfOil(told.oilMl)]),
    ...(told.switchPaG === undefined ? [] : [W.itsLowPressureSwitchAt(USUAL_SAY.pressure(told.switchPaG))]),
    ...(told.ageYears === undefined ? [] : [W.yearsOld(told.ageYears)]),
    ...(told.nitrogenLimitPaG === undefined ? [] : [W.nitrogenUpToByIts(USUAL_SAY.pressure(told.nitrogenLimitPaG))]),
    ...(told.volumeL === undefined ? [] : [W.lInside(told.volumeL)]),
  ].join(', ')

/** The oil a repair owes: how much, why, how it goes in, and what came out with it. */
function oilWords({ oilOwedMl, oilReason, oilWay, drainedMl, oilCanG }: PayloadOf<'fix-logged'>): string {
  if (oilOwedMl <= 0) return ''
  return [
    W.oilOwedMl(oilOwedMl, oilReason),
    ...(oilWay ? [OIL_WAY_WORDS[oilWay]] : []),
    ...(drainedMl === undefined ? [] : [W.mlDrained(drainedMl)]),
    ...(oilCanG ? [W.gOfRefrigerantWithIt(oilCanG)] : []),
  ].join(', ')
}

const OIL_STAGES = {
  begun: W.shutOffToChangeThe,
  done: W.freshOilInThePump,
  left: W.thePumpsOilWasLeft,
} as const

const NEXT_WORDS = { charge: 'charge', pull: W.pullAgain, fix: W.lookForTheLeak, hold: W.holdOnLonger } as const

function decidedWords({ next, minutes, accepted }: PayloadOf<'hold-decided'>): string {
  const hours = minutes === undefined ? '' : `, ${Math.round(minutes / 60)} h`
  return W.decided(NEXT_WORDS[next], hours, accepted === undefined ? '' : W.acceptedBy(ACCEPTED_BY[accepted]))
}

function hungWords({ name, kind, seat, instead }: PayloadOf<'instrument-hung'>): string {
  const where = kind === 'vacuum' ? `, ${SEAT_WORDS[seat]}` : ''
  return W.hungOn(name, where, instead === undefined ? '' : W.insteadOf(instead.name))
}

const BENCH_WORDS = {
  start: W.benchStarted,
  stop: W.benchStopped,
  reset: W.carOnTheBenchPut,
  scenario: W.anotherCarPutOnThe,
  gauge: W.theBenchsGaugeWasInterfered,
  scale: W.theBenchsScaleWasInterfered,
} as const

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
