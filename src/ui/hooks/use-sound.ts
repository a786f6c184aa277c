'use client'

import { useEffect, useRef, useState } from 'react'

/** What a sound is: how high, how long after now, how long it lasts; Hz and s. */
export type Tone = { hertz: number; afterS: number; lastsS: number }

/** Whether something sounds on this browser; kept there under a name of its own. */
export function useSoundSwitch(key: string): [boolean, (on: boolean) => void] {
  const [sound, set] = useState(false)
  useEffect(() => set(localStorage.getItem(key) === 'on'), [key])
  return [
    sound,
    (on) => {
      localStorage.setItem(key, on ? 'on' : 'off')
      set(on)
    },
  ]
}

/** How loud tones are on this device, as a share of all it can. */
export const LOUDNESS = { quiet: 0.15, usual: 0.5, loud: 1 } as const
export type Loudness = keyof typeof LOUDNESS
const LOUDNESS_KEY = 'yperos-loudness'
export const loudness = (): Loudness => {
  const kept = localStorage.getItem(LOUDNESS_KEY)
  return kept === 'quiet' || kept === 'loud' ? kept : 'usual'
}
export const setLoudness = (to: Loudness): void => localStorage.setItem(LOUDNESS_KEY, to)

/** Plays tones that begin and end softly: no click through a workshop's loudspeaker. */
export function play(audio: AudioContext, tones: readonly Tone[]): void {
  for (const { hertz, afterS, lastsS } of tones) {
    const at = audio.currentTime + afterS
    const [source, volume] = [audio.createOscillator(), audio.createGain()]
    source.frequency.value = hertz
    volume.gain.setValueAtTime(0.0001, at)
    volume.gain.exponentialRampToValueAtTime(LOUDNESS[loudness()], at + 0.02)
    volume.gain.exponentialRampToValueAtTime(0.0001, at + lastsS)
    source.connect(volume).connect(audio.destination)
    source.start(at)
    source.stop(at + lastsS + 0.02)
  }
}

/** A phone in the pocket vibrates, where it can; browsers let it once the page was touched. */
export function vibrate(pattern: number | number[]): void {
  if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(pattern)
}

/** Seconds before the word at which a tone is heard; at the word itself a long one. */
const COUNTED = [10, 5, 3, 2, 1] as const
/** Seconds past the word at which a low one says that it still flows. */
const PAST = [-2, -4, -6, -8, -10] as const

/**
 * The tone that is due between two moments of a countdown, s before the word: short and high while it is near, long and
 * higher at the word, low while it goes past it; none while nothing was passed.
 * A countdown that jumps back, because the flow slowed, sounds again on its way.
 */
export function toneDue(beforeS: number, nowS: number): Tone | null {
  if (!(nowS < beforeS)) return null
  if (beforeS > 0 && nowS <= 0) return { hertz: 990, afterS: 0, lastsS: 0.9 }
  const passed = (those: readonly number[]) => those.some((s) => beforeS > s && nowS <= s)
  if (passed(PAST)) return { hertz: 330, afterS: 0, lastsS: 0.5 }
  return passed(COUNTED) ? { hertz: 660, afterS: 0, lastsS: 0.12 } : null
}

/**
 * Counts down to the word to close by sound, so that the eyes may stay on the valve. @param inS - until the word, s;
 * undefined while nothing flows
 */
export function useCountdownSound(inS: number | undefined): [boolean, (on: boolean) => void] {
  const [sound, setSound] = useSoundSwitch('yperos-countdown-sound')
  const before = useRef<number | undefined>(undefined)
  const audio = useRef<AudioContext | null>(null)
  useEffect(() => () => void audio.current?.close(), [])
  useEffect(() => {
    const tone = inS !== undefined && before.current !== undefined ? toneDue(before.current, inS) : null
    before.current = inS
    if (!tone) return
    // a phone in the pocket says it too, where it can
    vibrate(tone.lastsS * 1000)
    if (!sound) return
    audio.current ??= new AudioContext()
    play(audio.current, [tone])
  }, [inS, sound])
  return [sound, setSound]
}
