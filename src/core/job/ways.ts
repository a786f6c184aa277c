/** The schools of letting refrigerant in; the first is the default (practice). */
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

const HIGH_SHUT = 'High side stays shut while the engine runs: the container would burst.'
const WARM = 'Never heat it over 50 °C (122 °F), no flame.'

/** What each way asks of the hands, and what would hurt. */
export const WAY_WORDS: Record<Way, WayWords> = {
  'vapour-low': {
    name: 'vapour, low side',
    how: 'Container upright. Into the vacuum with the engine off, then the low side only with the engine running.',
    valve: 'valve-low',
    pose: 'upright',
    phase: 'vapour',
    watch: [HIGH_SHUT, 'Container upright: liquid breaks a running compressor.', WARM],
  },
  'first-high': {
    name: 'vapour, first through both',
    how:
      'Container upright, both valves for the first charge with the engine off. ' +
      'High valve shut before the engine starts; the rest by the low side.',
    valve: 'valve-low',
    pose: 'upright',
    phase: 'vapour',
    watch: [
      'High valve shut before the engine starts: the compressor would fill the container until it bursts.',
      'Container upright: liquid breaks a running compressor.',
      WARM,
    ],
  },
  'liquid-high': {
    name: 'liquid, high side, engine off',
    how:
      'Container inverted, high side only, system at rest and engine off to the last gram. Then it stands, ' +
      'and the compressor is turned by hand before it is started.',
    valve: 'valve-high',
    pose: 'inverted',
    phase: 'liquid',
    watch: [
      'Engine off until the last gram is in and has boiled: never start against liquid.',
      'Liquid freezes skin and blinds: gloves, eye protection.',
      WARM,
    ],
  },
}

/** How long a car stands after liquid went in before the engine starts, minutes (assumed). */
export const LIQUID_STANDS_MIN = 10
