import { W } from '../language/job/ways'
/** The ways of letting refrigerant in; the first is the default (practice). */
export const WAYS = ['vapour-low', 'first-high', 'liquid-high'] as const
export type Way = (typeof WAYS)[number]

type WayWords = {
  name: string
  /** how it is done, in a sentence */
  how: string
  /** valve the charge goes through */
  valve: 'valve-low' | 'valve-high'
  pose: 'upright' | 'inverted'
  phase: 'vapour' | 'liquid'
  watch: readonly string[]
}

const HIGH_SHUT = W.highSideStaysShutWhile
const WARM = W.neverHeatItOver50

/** What each way asks of the hands, and what would hurt. */
export const WAY_WORDS: Record<Way, WayWords> = {
  'vapour-low': {
    name: W.vapourLowSide,
    how: W.containerUprightIntoTheVacuum,
    valve: 'valve-low',
    pose: 'upright',
    phase: 'vapour',
    watch: [HIGH_SHUT, W.containerUprightLiquidBreaksA, WARM],
  },
  'first-high': {
    name: W.vapourFirstThroughBoth,
    how: W.containerUprightBothValvesFor,
    valve: 'valve-low',
    pose: 'upright',
    phase: 'vapour',
    watch: [W.highValveShutBeforeThe, W.containerUprightLiquidBreaksA, WARM],
  },
  'liquid-high': {
    name: W.liquidHighSideEngineOff,
    how: W.containerInvertedHighSideOnly,
    valve: 'valve-high',
    pose: 'inverted',
    phase: 'liquid',
    watch: [W.engineOffUntilTheLast, W.liquidFreezesSkinAndBlinds, WARM],
  },
}

/** How long a car stands after liquid went in before the engine starts, minutes (assumed). */
export const LIQUID_STANDS_MIN = 10
