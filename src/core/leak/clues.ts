import { lossOf } from '../hold/loss'
import type { PayloadOf } from '../job/events'
import type { LeakPlace } from '../job/leak'
import { currentHold, type JobState } from '../job/state'
import { W } from '../language/leak/clues'
import type { Clue } from './chances'
import { PLACES, PORTS } from './places'
import { LOST_CHARGE_DAYS } from './sizes'

type Renewed = PayloadOf<'fix-logged'>['renewed'][number]['what']

const all = (places: readonly LeakPlace[], times: number): Clue['times'] =>
  Object.fromEntries(places.map((place) => [place, times]))

const JOINTS: readonly LeakPlace[] = [
  'joint-discharge',
  'joint-condenser-in',
  'joint-condenser-out',
  'joint-drier',
  'joint-device',
  'joint-evaporator',
  'joint-rear',
  'joint-suction',
]

/** A new part is likelier sound than an old one, a seal that was just disturbed is not (assumed). */
const NEW = 0.3
const DISTURBED = 3
const DISTURBED_BY: Record<Renewed, { renewed: readonly LeakPlace[]; disturbed: readonly LeakPlace[] }> = {
  'core-small': { renewed: [], disturbed: PORTS },
  'core-large': { renewed: [], disturbed: PORTS },
  caps: { renewed: PORTS, disturbed: [] },
  drier: { renewed: ['drier'], disturbed: ['joint-drier'] },
  seals: { renewed: JOINTS, disturbed: [] },
  compressor: { renewed: ['compressor-seal', 'compressor-body'], disturbed: ['joint-discharge', 'joint-suction'] },
  condenser: { renewed: ['condenser'], disturbed: ['joint-condenser-in', 'joint-condenser-out'] },
  evaporator: { renewed: ['evaporator'], disturbed: ['joint-evaporator', 'joint-device'] },
  hose: { renewed: ['hose-high', 'hose-low'], disturbed: ['joint-discharge', 'joint-condenser-in', 'joint-suction'] },
}

/** Losses a year that count as sudden, and as slow, g (assumed). */
const SUDDEN_G = 3000
const SLOW_G = 150
/** Rubber and seals age: so much likelier a year of the car's age (assumed). */
const AGES = 0.08

/**
 * What the hold says of the place: a core cannot leak under its coupler, some seals open under pressure only, and the
 * hoses are in it unless they were held alone.
 */
export function clueOfHold(found: 'leak' | 'tight', hosesIn: boolean): Clue {
  if (found === 'leak')
    return {
      words: W.itLeakedWithTheCouplers(hosesIn ? W.butOurOwnHosesMay : ''),
      times: { ...all(PORTS, 0.1), rig: hosesIn ? 1 : 0.1 },
    }
  return {
    words: W.itHeldWithTheCouplers,
    times: { ...all(PORTS, 6), 'compressor-seal': 2, rig: 0.05 },
  }
}

/** A rise that counts as fast: 225 micron a minute, where an alarm rings, and as slow: two, Pa/s (assumed). */
const FAST_PA_S = 0.5
const CREEPS_PA_S = 0.0044

/** How the hold rose: what is open rises fast, what seeps creeps. */
function clueOfRise(risePaS: number | null | undefined): Clue | null {
  if (risePaS === null || risePaS === undefined) return null
  if (risePaS >= FAST_PA_S)
    return {
      words: W.itRoseFastAFitting,
      times: { rig: 2, 'hose-high': 1.5, 'hose-low': 1.5, ...all(JOINTS, 1.5), 'compressor-seal': 0.5 },
    }
  if (risePaS <= CREEPS_PA_S)
    return {
      words: W.itCreptASealOr,
      times: { 'compressor-seal': 1.5, evaporator: 1.3, condenser: 1.2, ...all(JOINTS, 0.8), rig: 0.7 },
    }
  return null
}

/** Nothing of the shop hung on a car that came in empty. */
const EMPTY: Clue = { words: W.itCameInEmptyIts, times: { rig: 0.02 } }

/** A compressor that is driven by its own motor is closed: nothing turns through its body. */
const ELECTRIC: Clue = {
  words: W.aHybridItsCompressorIs,
  times: { 'compressor-seal': 0.03 },
}

function clueOfLoss(gramsPerYear: number): Clue | null {
  if (gramsPerYear >= SUDDEN_G)
    return {
      words: W.itWentFastAStone,
      times: { condenser: 2, 'hose-high': 1.6, 'hose-low': 1.6, ...all(JOINTS, 1.4), 'compressor-seal': 0.5 },
    }
  if (gramsPerYear <= SLOW_G)
    return {
      words: W.itWentSlowlySealsAnd,
      times: { 'compressor-seal': 1.6, ...all(PORTS, 1.5), condenser: 0.6 },
    }
  return null
}

function clueOfRepair({ fix }: JobState): Clue | null {
  if (!fix || fix.renewed.length === 0) return null
  const times: Clue['times'] = {}
  for (const { what } of fix.renewed) {
    const { renewed, disturbed } = DISTURBED_BY[what]
    for (const place of renewed) times[place] = (times[place] ?? 1) * NEW
    for (const place of disturbed) times[place] = (times[place] ?? 1) * DISTURBED
  }
  return { words: W.whatWasRenewedTodayIs, times }
}

function clueOfAge(ageYears: number | undefined): Clue | null {
  if (ageYears === undefined || ageYears < 1) return null
  const older = 1 + AGES * ageYears
  return {
    words: W.yearsOldRubberSealsAnd(Math.round(ageYears)),
    times: { ...all(['condenser', 'hose-high', 'hose-low', 'compressor-seal', 'evaporator'], older) },
  }
}

/** What was mended once weeps again more often than the next place (assumed). */
const AGAIN = 2.5

/** Where this very car leaked before. */
function clueOfBefore(last: { at: LeakPlace; when: string } | undefined): Clue | null {
  if (!last) return null
  const words = W.thisCarLeakedBeforeOn(last.when.slice(0, 10), PLACES[last.at].name)
  return { words, times: { [last.at]: AGAIN } }
}

/** Whether our own hoses may be what leaked. */
export function hosesMayLeak(state: JobState): boolean {
  const hold = currentHold(state)?.ended
  return (
    state.search?.why === 'hold' &&
    !!hold?.verdict.startsWith('leak') &&
    state.search.hosesIn &&
    state.hosesHeld?.moved !== false
  )
}

/**
 * Everything that is known of this car before a check is made, in words and in what it makes likelier.
 * @param before - leaks of this car in its earlier jobs, newest first
 */
export function cluesOf(state: JobState, before: readonly { at: LeakPlace; when: string }[] = []): Clue[] {
  const hold = currentHold(state)?.ended
  const loss = lossOf(state)
  const found: (Clue | null)[] = [
    state.search?.why === 'empty' || !hold
      ? EMPTY
      : hold.verdict.startsWith('leak')
        ? clueOfHold('leak', hosesMayLeak(state))
        : hold.verdict === 'tight' && loss && loss.grams > 0
          ? clueOfHold('tight', false)
          : null,
    state.search?.why === 'hold' && hold?.verdict.startsWith('leak') ? clueOfRise(hold.risePaS) : null,
    loss && loss.days >= LOST_CHARGE_DAYS ? clueOfLoss(loss.gramsPerYear) : null,
    clueOfRepair(state),
    state.opened.car.hybrid ? ELECTRIC : null,
    clueOfAge(state.ageYears),
    clueOfBefore(before[0]),
  ]
  return found.filter((clue): clue is Clue => clue !== null)
}
