import { BenchRun } from '../bench/run'
import type { BenchTruth } from '../bench/truth'
import { findingOf } from '../call/finding'
import { ASSUMED_HANDS_MIN } from '../day/hands'
import { judgeHold } from '../hold/judge'
import type { HoldSample } from '../hold/types'
import type { JobOpened } from '../job/events'
import type { Step } from '../job/steps'
import { rigRead } from '../job/written'
import { planPull } from '../pull/planner'
import { drawWater } from '../pull/water-inventory'
import { evaporatorsOf, FREE_VOLUME_L } from '../rig/free-volume'
import { PA_PER_MICRON } from '../units/constants'
import { normalPair, seededRandom } from '../units/seeded'

/**
 * The rigs of the place by what matters for a pull (db/demo/cerro-lumen.json): bore mm, length m, CFM, whether hoses
 * come off at the core tools.
 */
export const WEEK_RIGS = [
  { name: 'Cart P1', boreMm: 4.8, lengthM: 1.5, pumpCfm: 3, ultimateMicron: 60, frees: false },
  { name: 'Cart P2', boreMm: 9.5, lengthM: 1.2, pumpCfm: 4, ultimateMicron: 25, frees: true },
  { name: 'Cart P3', boreMm: 9.5, lengthM: 1.2, pumpCfm: 4, ultimateMicron: 25, frees: true },
] as const
export type WeekRig = (typeof WEEK_RIGS)[number]

/** One pull and its hold as the bench plays them, min, and what the judge found. */
export type Round = { pullMin: number; holdMin: number; found: 'tight' | 'wet' | 'leak' }

/** A car of the week: what everybody knows of it, and how long everything really takes. Minutes of its day. */
export type WeekCar = {
  key: string
  arrivesMin: number
  promisedMin: number | null
  opened: JobOpened['story']['opened']
  drierReplaced: boolean
  volumeL: number
  /** how long each step takes whoever does it */
  handsMin: Readonly<Record<Step, number>>
  /** pull and hold after pull and hold, until it is tight */
  rounds: (rig: WeekRig) => readonly Round[]
}

const CERRO = { barometerPa: 75_815, ambientC: 11 } as const
const TARGET_MICRON = 500
const LEAST_PULL_MIN = 60
const HOLD_MIN = 30
/** A car that is still wet after so many rounds is charged, as a shop does; a pull is given up after so long, min. */
const MOST_ROUNDS = 3
const LONGEST_PULL_MIN = 240
/** The judge looks at a running hold so often, min. */
const LOOK_MIN = 5

/** A day of six to fourteen cars between half past seven and one, half an hour to a promise most of them have. */
export function weekDay(seed: number, cars: number): WeekCar[] {
  const random = seededRandom(seed * 104_729 + 7)
  const between = (low: number, high: number) => low + random() * (high - low)
  return Array.from({ length: cars }, (_, i): WeekCar => {
    const arrivesMin = Math.round(i < 2 ? 0 : between(0, 330))
    const kind = random()
    const opened = kind < 0.15 ? 'nothing' : kind < 0.5 ? 'cap-or-core' : kind < 0.9 ? 'component' : 'overnight'
    const drierReplaced = random() < 0.8
    const story = { opened, openHours: 1, drierReplaced } as const
    const water = drawWater(story, normalPair(random))
    const leaks = random() < 0.12
    const spread = () => Math.exp(0.25 * normalPair(random)[0])
    const handsMin = Object.fromEntries(
      Object.entries(ASSUMED_HANDS_MIN).map(([step, m]) => [step, m * spread()]),
    ) as Record<Step, number>
    const volumeL = random() < 0.25 ? FREE_VOLUME_L[2] : FREE_VOLUME_L[1]
    const truth: BenchTruth = {
      ...CERRO,
      volumeL,
      line: { boreMm: 9.5, lengthM: 1.2, hoses: 2 },
      pumpCfm: 4,
      ultimateMicron: 25,
      leakPaM3S: leaks ? 10 ** between(-6.5, -4.5) : 0,
      waterG: water.liquidG,
      boundG: water.boundG,
      refrigerant: 'R-134a',
      seed: seed * 1000 + i,
    }
    const known = new Map<string, Round[]>()
    return {
      key: `car ${i + 1}`,
      arrivesMin,
      promisedMin: random() < 0.75 ? Math.ceil((arrivesMin + between(200, 480)) / 30) * 30 : null,
      opened,
      drierReplaced,
      volumeL,
      handsMin,
      rounds: (rig) => {
        // two carts of one make pull alike
        const line = `${rig.boreMm} ${rig.pumpCfm}`
        const made = known.get(line) ?? playRounds({ ...truth, ...lineOf(rig) })
        known.set(line, made)
        return made
      },
    }
  })
}

const lineOf = ({ boreMm, lengthM, pumpCfm, ultimateMicron }: WeekRig) => ({
  line: { boreMm, lengthM, hoses: 2 },
  pumpCfm,
  ultimateMicron,
})

/** What the planner thinks of a pull of such a car with each rig, min; the same for every car of one story and size. */
export function thoughtPulls({ opened, drierReplaced, volumeL }: WeekCar): { rig: string; p50: number; p90: number }[] {
  const key = `${opened} ${drierReplaced} ${volumeL}`
  const known = THOUGHT.get(key)
  if (known) return known
  const made = WEEK_RIGS.map((rig) => {
    const { p50S, p90S } = planPull({
      car: { volumeL, evaporators: evaporatorsOf(volumeL) },
      rig: rigRead({
        name: rig.name,
        boreMm: rig.boreMm,
        lengthM: rig.lengthM,
        hoses: 2,
        pumpCfm: rig.pumpCfm,
        ultimateMicron: rig.ultimateMicron,
        gauge: 'electronic',
        scaleStepG: 2,
      }),
      story: { opened, openHours: 1, drierReplaced },
      ...CERRO,
      targetPa: TARGET_MICRON * PA_PER_MICRON,
      draws: THOUGHT_DRAWS,
      seed: 1,
      horizonS: LONGEST_PULL_MIN * 60,
    })
    const minutes = (s: number | null) => Math.max(LEAST_PULL_MIN, s === null ? LONGEST_PULL_MIN : s / 60)
    return { rig: rig.name, p50: minutes(p50S), p90: minutes(p90S) }
  })
  THOUGHT.set(key, made)
  return made
}
const THOUGHT = new Map<string, { rig: string; p50: number; p90: number }[]>()
const THOUGHT_DRAWS = 24

const TURNED_ON = [
  'coupler-low open',
  'coupler-high open',
  'centre-hose pump',
  'pump on',
  'valve-low open',
  'valve-high open',
]
const SHUT = ['valve-low closed', 'valve-high closed', 'pump off']
const turnsAt = (second: number, parts: readonly string[]) =>
  parts.map((p) => {
    const [part = '', state = ''] = p.split(' ')
    return { second, kind: 'turn', part, state } as never
  })

/** Pull after pull on the simulated bench: to the target, held, judged by its readings, mended where it leaks. */
function playRounds(truth: BenchTruth): Round[] {
  const rounds: Round[] = []
  let run = new BenchRun(truth, 2)
  let actions: never[] = []
  for (let i = 0; i < MOST_ROUNDS + 1; i++) {
    actions = [...actions, ...turnsAt(run.second, TURNED_ON)]
    const begun = run.second
    let deep = false
    while (!deep && run.second - begun < LONGEST_PULL_MIN * 60) {
      const shown = run.runTo(actions, run.second + 60, run.second + 58).at(-1)
      const micron = shown?.readings.find((r) => r.channel === 'vacuum')?.value ?? Number.POSITIVE_INFINITY
      deep = micron <= TARGET_MICRON && run.second - begun >= LEAST_PULL_MIN * 60
    }
    const pullMin = (run.second - begun) / 60
    actions = [...actions, ...turnsAt(run.second, SHUT)]
    const { found, holdMin } = held(run, actions, truth)
    rounds.push({ pullMin, holdMin, found })
    if (found === 'tight') break
    if (found === 'leak') {
      run = new BenchRun({ ...truth, leakPaM3S: 0, waterG: truth.waterG / 4 }, 2)
      actions = []
    }
  }
  return rounds
}

function held(run: BenchRun, actions: never[], truth: BenchTruth): Pick<Round, 'found' | 'holdMin'> {
  const start = run.second
  const samples: HoldSample[] = []
  for (let minute = LOOK_MIN; minute <= HOLD_MIN; minute += LOOK_MIN) {
    for (const { second, readings } of run.runTo(actions, start + minute * 60)) {
      const micron = readings.find((r) => r.channel === 'vacuum')?.value
      if (micron !== undefined && second % 5 === 0)
        samples.push({ elapsedS: second - start, pressurePa: micron * PA_PER_MICRON })
    }
    if (minute < 10) continue
    const found = findingOf(
      judgeHold(samples, {
        volumeL: truth.volumeL,
        instrument: 'electronic',
        resolutionPa: PA_PER_MICRON,
        ambientC: truth.ambientC,
        barometerPa: truth.barometerPa,
        refrigerant: truth.refrigerant,
        plannedS: HOLD_MIN * 60,
      }),
    )
    if (found) return { found: found === 'damp' || found === 'wet' ? 'wet' : 'leak', holdMin: minute }
  }
  return { found: 'tight', holdMin: HOLD_MIN }
}
