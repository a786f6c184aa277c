import { LEAVE_WORDS } from '../call/after'
import { alarmWords } from '../call/alarms'
import { certificateWords } from '../job/certificate'
import type { JobEvent, PayloadOf } from '../job/events'
import { PART_NAMES } from '../job/parts'
import { PHOTO_WORDS } from '../job/photos'
import { STEP_NAMES } from '../job/steps'
import { CLOSED_LINES } from '../job/summary'
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
      return (
        `Taken in: ${event.payload.car.name}, ${event.payload.label.refrigerant}, ` +
        `${event.payload.label.typed}${event.payload.datedBack ? '; dated back, entered later' : ''}`
      )
    case 'clock-set-back':
      return `The server’s clock was set back by ${lengthWords(event.payload.backS)} before this: times across it cannot be compared`
    case 'label-set':
      return `Label set to ${event.payload.refrigerant}, ${event.payload.typed}`
    case 'zero-read':
      return `At rest: ${event.payload.typed}`
    case 'car-told':
      return `Told of the car: ${toldWords(event.payload)}`
    case 'rig-taken':
      return `Rig: ${event.payload.rig.name}`
    case 'recovered':
      return `Recovered ${Math.round(event.payload.grams)} g`
    case 'zero-explained':
      return event.payload.answer === 'needle-off-zero' ? 'Needle off its zero' : 'Already under vacuum'
    case 'fix-logged': {
      const parts = event.payload.renewed.map((r) => `${RENEWED_WORDS[r.what].toLowerCase()} ×${r.count}`)
      return `Renewed: ${parts.join(', ') || 'nothing'}${oilWords(event.payload)}`
    }
    case 'part-set':
      return `${capital(PART_NAMES[event.payload.part])} ${event.payload.state}`
    case 'step-finished':
      return `${STEP_NAMES[event.payload.step]} done`
    case 'isolated':
      return 'Isolated'
    case 'hold-ended':
      return `Hold judged ${event.payload.verdict}, leak ${chanceWords(event.payload.leak)}, damp ${chanceWords(event.payload.damp)}`
    case 'hold-skipped':
      return `Hold skipped: ${event.payload.why}`
    case 'hold-shortened':
      return `Hold ended early: ${event.payload.why}`
    case 'hold-lengthened':
      return `Not decided by its end: held on, ${lengthWords(60 * event.payload.minutes)} more`
    case 'charge-nodded':
      return 'Nodded to the plan of the charge'
    case 'car-given':
      return event.payload.name === event.by ? `${event.by} has the car now` : `Given to ${event.payload.name}`
    case 'alarm-answered':
      return event.payload.answer === 'seen'
        ? `Alarm seen: ${alarmWords(event.payload.alarm)}`
        : `Alarm put off ${event.payload.minutes} min: ${alarmWords(event.payload.alarm)}`
    case 'nitrogen-swept':
      return `Swept with dry nitrogen ×${event.payload.passes} to ${Math.round(event.payload.pressurePaG / 1000)} kPa`
    case 'pump-oil':
      return OIL_STAGES[event.payload.stage]
    case 'hoses-shut':
      return 'Hoses alone shut in'
    case 'hoses-held':
      return `Hoses alone held ${Math.round(event.payload.minutes)} min: ${event.payload.moved ? 'they rose' : 'they stood still'}`
    case 'priors-set':
      return event.payload.use === 'even' ? 'Judged with nothing presumed' : 'Judged with the job’s story'
    case 'hold-decided':
      return decidedWords(event.payload)
    case 'leak-accepted':
      return (
        `Charged knowingly with a leak of up to ${USUAL_SAY.aYear(event.payload.gramsPerYear)}: ` +
        `${event.payload.why}; the customer: ${event.payload.customer}`
      )
    case 'looked-at':
      return `Looked for the leak at ${event.payload.place}: ${event.payload.found}`
    case 'search-begun':
      return event.payload.why === 'hold' ? 'Search for the leak begun' : 'Search begun: it came in empty'
    case 'leak-checked':
      return seenWords(event.payload)
    case 'nitrogen-in':
      return `Dry nitrogen in, ${Math.round(event.payload.pressurePaG / 1000)} kPa`
    case 'nitrogen-out':
      return 'Nitrogen let out'
    case 'part-charge':
      return `For the sniffer: ${Math.round(event.payload.inG)} g in, ${Math.round(event.payload.outG)} g recovered`
    case 'leak-found':
      return `Found: ${PLACES[event.payload.at].name}; ${event.payload.done}`
    case 'search-ended':
      return `Not found: ${event.payload.why}${event.payload.dye ? '; dye goes in with the charge' : ''}`
    case 'turned-back':
      return `Back to ${STEP_NAMES[event.payload.to]}: ${event.payload.why}`
    case 'parked':
      return `Left standing under vacuum, couplers ${event.payload.couplers}: ${event.payload.why}`
    case 'taken-up':
      return 'Taken up again'
    case 'closed':
      return `${capital(CLOSED_LINES[event.payload.as])}: ${event.payload.why}`
    case 'reopened':
      return `Opened again: ${event.payload.why}`
    case 'charge-planned':
      return `Charge planned: ${Math.round(event.payload.targetG)} g from ${event.payload.containers.map((c) => c.id).join(', ')}`
    case 'cans-planned':
      return `Charged by counting: ${event.payload.count} whole cans of ${Math.round(event.payload.netG)} g, no scale`
    case 'can-emptied':
      return `A can is empty: about ${Math.round(event.payload.estimateG)} g ±${Math.round(event.payload.plusMinusG)} g in, not weighed`
    case 'container-started':
      return `${event.payload.id} on at ${Math.round(event.payload.grossG)} g`
    case 'container-warmed':
      return `Container in water of ${event.payload.celsius} °C`
    case 'before-read':
      return `Before: vent ${event.payload.ventC.toFixed(1)} °C at ${event.payload.ambientC} °C`
    case 'rest-read':
      return `Charged and at rest: ${Math.round(event.payload.paG / 1000)} kPa at ${event.payload.ambientC} °C`
    case 'maker-bands-set':
      return 'The maker’s figures entered'
    case 'container-ended':
      return `${event.payload.id} off at ${Math.round(event.payload.grossG)} g`
    case 'proof-read':
      return (
        `Proof${event.payload.engine === 'idle' ? ' at idle' : event.payload.engine ? ' at 1,500 rpm' : ''}: ` +
        `low ${Math.round(event.payload.lowPaG / 1000)} kPa, ` +
        `high ${event.payload.highPaG === null ? 'not read' : `${Math.round(event.payload.highPaG / 1000)} kPa`}, ` +
        `vent ${event.payload.ventC.toFixed(1)} °C`
      )
    case 'leave-tapped':
      return event.payload.done
        ? LEAVE_WORDS[event.payload.item].done
        : `Taken back: ${LEAVE_WORDS[event.payload.item].done}`
    case 'noted':
      return event.payload.text
    case 'pictured':
      return `Photograph of ${PHOTO_WORDS[event.payload.of]}${event.payload.caption ? `: ${event.payload.caption}` : ''}`
    case 'corrected':
      return `Corrected: ${event.payload.was} → ${event.payload.is}, ${event.payload.why}`
    case 'caution-passed':
      return `Went on past the caution: ${event.payload.code.replaceAll('-', ' ')}`
    case 'set-aside':
      return 'Set aside: it was done without a line and contradicts what others did meanwhile'
    case 'deed-chosen':
      return event.payload.holds ? 'Chosen: what was set aside holds' : 'Chosen: what was set aside does not hold'
    case 'bench-set':
      return event.payload.action === 'speed'
        ? `Bench clock ×${event.payload.factor}`
        : BENCH_WORDS[event.payload.action]
    case 'instrument-hung':
      return hungWords(event.payload)
    case 'instrument-off':
      return `${event.payload.name} taken off`
    case 'signed':
      return `Signed, ${certificateWords(event.payload.certificate)}`
    default: {
      const unknown: never = event
      return unknown
    }
  }
}

/** What a hold was accepted by. */
export const ACCEPTED_BY = { judge: 'the judge', rule: 'the procedure’s rule', word: 'a person’s word' } as const

const toldWords = (told: PayloadOf<'car-told'>): string =>
  [
    ...(told.lastChargeG === undefined ? [] : [`${Math.round(told.lastChargeG)} g were in it`]),
    ...(told.daysSinceCharge === undefined ? [] : [`charged ${told.daysSinceCharge} days ago`]),
    ...(told.oilKind === undefined ? [] : [`oil ${told.oilKind}`]),
    ...(told.oilMl === undefined ? [] : [`${told.oilMl} mL of oil`]),
    ...(told.switchPaG === undefined ? [] : [`its low-pressure switch at ${USUAL_SAY.pressure(told.switchPaG)}`]),
    ...(told.ageYears === undefined ? [] : [`${told.ageYears} years old`]),
    ...(told.nitrogenLimitPaG === undefined
      ? []
      : [`nitrogen up to ${USUAL_SAY.pressure(told.nitrogenLimitPaG)} by its label`]),
    ...(told.volumeL === undefined ? [] : [`${told.volumeL} L inside`]),
  ].join(', ')

/** The oil a repair owes: how much, why, how it goes in, and what came out with it. */
function oilWords({ oilOwedMl, oilReason, oilWay, drainedMl, oilCanG }: PayloadOf<'fix-logged'>): string {
  if (oilOwedMl <= 0) return ''
  return [
    `; oil owed ${oilOwedMl} mL (${oilReason})`,
    ...(oilWay ? [OIL_WAY_WORDS[oilWay]] : []),
    ...(drainedMl === undefined ? [] : [`${drainedMl} mL drained`]),
    ...(oilCanG ? [`${oilCanG} g of refrigerant with it`] : []),
  ].join(', ')
}

const OIL_STAGES = {
  begun: 'Shut off to change the pump’s oil',
  done: 'Fresh oil in the pump',
  left: 'The pump’s oil was left in',
} as const

const NEXT_WORDS = { charge: 'charge', pull: 'pull again', fix: 'look for the leak', hold: 'hold on longer' } as const

function decidedWords({ next, minutes, accepted }: PayloadOf<'hold-decided'>): string {
  const hours = minutes === undefined ? '' : `, ${Math.round(minutes / 60)} h`
  return `Decided: ${NEXT_WORDS[next]}${hours}${accepted === undefined ? '' : `; accepted by ${ACCEPTED_BY[accepted]}`}`
}

function hungWords({ name, kind, seat, instead }: PayloadOf<'instrument-hung'>): string {
  const where = kind === 'vacuum' ? `, ${SEAT_WORDS[seat]}` : ''
  return `${name} hung on${where}${instead === undefined ? '' : ` instead of ${instead.name}`}`
}

const BENCH_WORDS = {
  start: 'Bench started',
  stop: 'Bench stopped',
  reset: 'Car on the bench put back',
  scenario: 'Another car put on the bench',
  gauge: 'The bench’s gauge was interfered with',
  scale: 'The bench’s scale was interfered with',
} as const

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
