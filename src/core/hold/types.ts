import type { Refrigerant } from '../fluids/refrigerants'
import type { ProblemCode, ReasonCode } from './codes'
import type { Finding } from './finding'
import type { HoseBackground } from './hose-background'
import type { GramsPerYear } from './leak-rate'

/** One sample of a hold: seconds since isolation and Pa absolute; `count` readings were averaged into it. */
export type HoldSample = { elapsedS: number; pressurePa: number; count?: number }

/** What an earlier hold of the same car found; between them it was pulled for `pulledS`. */
export type PreviousHold = {
  /** its rise, whatever explains it, Pa/s */
  risePaS: number
  leak: number
  damp: number
  pulledS: number
  /** what more it handed on; a file may tell the three figures alone */
  carried?: Carried | undefined
}

/** What a hold hands on to the next one of the same car, so that both are judged as one piece of evidence. */
export type Carried = {
  /** chance of leak and water together: the two explain the same bend, so they are not independent */
  leakAndDamp: number
  /**
   * rise of the leak if there is one, Pa/s: its quantiles at `CARRIED_AT`, in a dry car and beside water; empty where
   * nothing speaks for that
   */
  riseIfDryPaS: number[]
  riseIfWetPaS: number[]
}

/** What is known of the car, the rig and the place besides the readings; SI but for the named units. */
export type HoldContext = {
  /** whole isolated volume, L */
  volumeL: number
  instrument: 'electronic' | 'needle'
  /** smallest step shown, Pa */
  resolutionPa?: number | undefined
  /** noise as a share of the reading; 0.01 unless told */
  noiseFraction?: number | undefined
  ambientC: number
  barometerPa: number
  /** a barometer beside a needle: without one the weather moves it */
  barometerRead?: boolean | undefined
  refrigerant: Refrigerant
  plannedS: number
  /** hoses inside the isolated part: their gas by their kind, as a law of time */
  hoses?: HoseBackground | undefined
  /** hoses inside the isolated part, of which nothing else is known */
  hosesIncluded?: boolean | undefined
  /** gas those hoses were found to give when held alone, Pa m3/s */
  hoseBaselinePaM3S?: number | undefined
  /** chances before any reading, from the job's story; defaults when left out */
  priors?: HoldPriors | undefined
  previous?: PreviousHold | undefined
  /** what was found wrong while the record was read, before it was judged */
  readingProblems?: readonly Problem[] | undefined
}

export type HoldPriors = { leak: number; damp: number }

export type Shape = 'tight' | 'leak' | 'damp' | 'leak-and-damp'
export type Verdict = Shape | 'undecided' | 'invalid'

/** What a shape expects from now on: Pa at the planned end with its 80 % band, and points for the picture. */
export type Future = {
  shape: Shape
  probability: number
  atEndPa: number
  lowPa: number
  highPa: number
  points: { elapsedS: number; pressurePa: number }[]
}

/** A span of the record with something wrong, in s since isolation. */
export type Problem = {
  fromS: number
  toS: number
  code: ProblemCode
  /** its figures, and the same in words in the usual units */
  of: Finding['of']
  what: string
  /** with it nothing can be judged */
  spoils: boolean
  /** with it nothing but a certain leak can be judged */
  unlessLeak?: boolean
}

export type Interval = { value: number; low: number; high: number }

export type HoldResult = {
  verdict: Verdict
  probability: { leak: number; damp: number }
  priors: HoldPriors
  /** 95 % interval of what does not die within the hold, Pa/s, not cut at zero */
  sustainedRisePaS: Interval | null
  leakGramsPerYear: GramsPerYear | null
  detectionLimitGramsPerYear: GramsPerYear | null
  /** the same limit expected at the planned end */
  limitAtEndGramsPerYear: GramsPerYear | null
  /** at the planned end and at 24 h, Pa with an 80 % band */
  projected: { atS: number; value: number; low: number; high: number }[]
  /** water the bend stands for, g; null where there is none to speak of */
  waterG: number | null
  /** when a decision is expected, s since isolation; null when made already or not foreseeable */
  decisionExpectedS: number | null
  problems: Problem[]
  futures: Future[]
  samples: number
  heldS: number
  /** why: codes with figures, and each as a sentence in the usual units */
  findings: Finding[]
  reasons: string[]
  /** the same for programs, one for each reason */
  codes: (ReasonCode | ProblemCode)[]
  /** where a needle stood still and it stays undecided: no leak larger than this, worst case */
  cannotSeeBelowGramsPerYear: number | null
  /** for the next hold of the same car; null where nothing could be weighed */
  carried: Carried | null
}
