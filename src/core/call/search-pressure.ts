import type { LeakChecked } from '../job/leak'
import { currentHold, type JobState } from '../job/state'
import { PLACES } from '../leak/places'
import type { PressureFinding } from '../leak/pressure-test'
import type { SearchView } from '../leak/search-view'
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
    watch: ['Let it out to the air of the room before the pump runs, and before a joint is opened.'],
  }
  const worth = soap?.at && soap.shows >= WORTH_SHOWN && !view.named
  if (worth && soap?.at) {
    const { action, plain, sentence } = soapOn(soap.at)
    const why = [...said, `Here it shows in ${percent(soap.shows)}, and it takes two minutes.`, ...test]
    return { ...base, sentence, why, action, plain: [...plain, out], after: TAP }
  }
  return {
    ...base,
    sentence: view.named ? `It is the ${PLACES[view.named.place].name}. Let it out.` : soakSentence(found),
    why: [...said, ...test, ...(view.named ? [] : ['Every place a brush reaches was soaped.'])],
    action: out,
    plain: [],
    after: view.named ? 'Then mend it.' : 'Let it soak as long as it takes: the longer, the smaller the leak it shows.',
  }
}

const soakSentence = (found: PressureFinding | undefined): string =>
  found?.kind === 'falls'
    ? 'It falls. Let it out.'
    : found?.kind === 'stands'
      ? 'It stands. Let it out.'
      : 'Let it soak, then let it out.'

/**
 * What the pressure test says by now, beside what the vacuum hold would have shown.
 * @param heldProves - the hold's own limit, g a year
 */
export function pressureWords(found: PressureFinding | undefined, say: Say, heldProves?: number | null): string[] {
  if (!found || found.kind === 'too-short') return ['Pressure and temperature are being read; some minutes are needed.']
  if (found.kind === 'temperature-missing')
    return [
      `No temperature of the gas between minute ${Math.round(found.fromS / 60)} and ${Math.round(found.toS / 60)}: type it. What falls may be only cooling.`,
    ]
  const held = lengthWords(found.heldS)
  const raw = `${say.pressure(Math.abs(found.rawFallPaS) * found.heldS)} ${found.rawFallPaS >= 0 ? 'down' : 'up'} as read`
  const beside = heldProves ? `, in the vacuum hold one of ${say.aYear(heldProves)}` : ''
  const shows = `By now a leak of ${say.aYear(found.shows.high)} would show${beside}; vacuum opens other leaks than pressure does.`
  if (found.kind === 'falls')
    return [
      `In ${held} ${raw}; with the temperature taken out it falls: up to ${say.aYear(found.gramsPerYear.high)}, worst case.`,
      shows,
    ]
  return [
    `In ${held} ${raw}; with the temperature taken out ${found.kind === 'stands' ? 'it stands' : 'it cannot be told yet'}.`,
    shows,
  ]
}

/** Nitrogen out again, with what the test showed where it showed something. */
function letOut(state: JobState, found: PressureFinding | undefined, live: Live): CallButton {
  const inAt = state.search?.nitrogen?.inAt
  const minutes = inAt ? Math.max(0, (live.nowMs - Date.parse(inAt)) / 60_000) : 0
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
    label: 'Let out, at zero',
    key: 'O',
    does: record(...seen.map(saw), { kind: 'nitrogen-out', payload: {} }),
  }
}
