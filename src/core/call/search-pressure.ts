import type { LeakChecked } from '../job/leak'
import { currentHold, type JobState } from '../job/state'
import { W } from '../language/call/search-pressure'
import { PLACES } from '../leak/places'
import type { PressureFinding } from '../leak/pressure-test'
import type { SearchView } from '../leak/search-view'
import { MINUTE_MS } from '../units/constants'
import { lengthWords } from '../units/duration'
import type { Say } from '../units/say'
import { percent, saw, soapOn, TAP, WORTH_SHOWN } from './search-deeds'
import { type Call, type CallButton, type Live, record, sayOf } from './types'

/** Nitrogen is in: it soaks, soap goes on the likeliest places, and it is let out before anything else. */
export function callUnderPressure(state: JobState, view: SearchView, live: Live, said: string[]): Call {
  const say = sayOf(live)
  const found = live.pressureTest
  const out = letOut(state, found, live)
  const soap = view.next.find((p) => p.check === 'soap')
  const test = pressureWords(found, say, currentHold(state)?.ended?.provesGramsPerYear)
  const base = {
    watch: [W.letItOutToThe],
  }
  const worth = soap?.at && soap.shows >= WORTH_SHOWN && !view.named
  if (worth && soap?.at) {
    const { action, plain, sentence } = soapOn(soap.at)
    const why = [...said, W.hereItShowsInAnd(percent(soap.shows)), ...test]
    return { ...base, sentence, why, action, plain: [...plain, out], after: TAP }
  }
  return {
    ...base,
    sentence: view.named ? W.itIsTheLetIt(PLACES[view.named.place].name) : soakSentence(found),
    why: [...said, ...test, ...(view.named ? [] : [W.everyPlaceABrushReaches])],
    action: out,
    plain: [],
    after: view.named ? W.thenMendIt : W.letItSoakAsLong,
  }
}

const soakSentence = (found: PressureFinding | undefined): string =>
  found?.kind === 'falls' ? W.itFallsLetItOut : found?.kind === 'stands' ? W.itStandsLetItOut : W.letItSoakThenLet

/**
 * What the pressure test says by now, beside what the vacuum hold would have shown.
 * @param heldProves - the hold's own limit, g a year
 */
export function pressureWords(found: PressureFinding | undefined, say: Say, heldProves?: number | null): string[] {
  if (!found || found.kind === 'too-short') return [W.pressureAndTemperatureAreBeing]
  if (found.kind === 'temperature-missing')
    return [W.noTemperatureOfTheGas(Math.round(found.fromS / 60), Math.round(found.toS / 60))]
  const held = lengthWords(found.heldS)
  const raw = W.asRead(say.pressure(Math.abs(found.rawFallPaS) * found.heldS), found.rawFallPaS >= 0 ? W.down : W.up)
  const beside = heldProves ? W.inTheVacuumHoldOne(say.aYear(heldProves)) : ''
  const shows = W.byNowALeakOf(say.aYear(found.shows.high), beside)
  if (found.kind === 'falls') return [W.inWithTheTemperatureTaken(held, raw, say.aYear(found.gramsPerYear.high)), shows]
  return [W.inWithTheTemperatureTakenOut(held, raw, found.kind === 'stands' ? W.itStands : W.itCannotBeToldYet), shows]
}

/** Nitrogen out again, with what the test showed where it showed something. */
function letOut(state: JobState, found: PressureFinding | undefined, live: Live): CallButton {
  const inAt = state.search?.nitrogen?.inAt
  const minutes = inAt ? Math.max(0, (live.nowMs - Date.parse(inAt)) / MINUTE_MS) : 0
  const judged = found && 'shows' in found ? found : undefined
  const seen: LeakChecked[] = judged
    ? [
        {
          check: 'nitrogen',
          says: judged.kind,
          gramsPerYear: judged.gramsPerYear.high,
          showsGramsPerYear: judged.shows.high,
          minutes,
        },
      ]
    : []
  return {
    label: W.letOutAtZero,
    key: 'O',
    does: record(...seen.map(saw), { kind: 'nitrogen-out', payload: {} }),
  }
}
