'use client'

import { Toggle } from 'radix-ui'
import { useEffect, useRef } from 'react'
import type { Alarm } from '@/core/call/alarms'
import { useHotkeys } from '../../hooks/use-hotkeys'
import { play, type Tone, useSoundSwitch, vibrate } from '../../hooks/use-sound'
import type { Deeds } from '../use-deeds'
import { Triangle } from './call-panel'

const SNOOZE_MIN = 5
const AGAIN_MS = 8000
const KEY = 'yperos-alarm-sound'
/** Two short tones, the second higher: heard over an engine, no melody. */
const RING: readonly Tone[] = [
  { hertz: 660, afterS: 0, lastsS: 0.2 },
  { hertz: 880, afterS: 0.22, lastsS: 0.2 },
]

/** A phone in the pocket: long, pause, long, ms. */
const VIBRATES_MS = [400, 200, 400]

/**
 * What wants a person now, with a sound and a notification when they are switched on; each is answered once, and the
 * answer is logged.
 */
export function AlarmBar({ alarms, deeds }: { alarms: readonly Alarm[]; deeds: Deeds }) {
  const first = alarms[0]
  const [sound, setSound] = useSound()
  useRinging(first, sound)
  const answer = (kind: 'seen' | 'snoozed') => {
    if (first && !deeds.busy)
      deeds.record([
        {
          kind: 'alarm-answered',
          payload: { alarm: first.id, answer: kind, minutes: kind === 'seen' ? 0 : SNOOZE_MIN },
        },
      ])
  }
  useHotkeys(first ? { z: () => answer('seen'), x: () => answer('snoozed') } : {})
  if (!first) return null
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b-2 border-ink bg-sheet px-5 py-2 max-sm:flex-nowrap max-sm:gap-x-2 max-sm:px-4 max-sm:py-1"
    >
      <Triangle />
      <p className="min-w-0 flex-1 text-row font-semibold leading-tight max-sm:text-small">
        {first.sentence}
        {alarms.length > 1 && (
          <span className="ml-3 text-small font-medium text-ink-2">and {alarms.length - 1} more</span>
        )}
      </p>
      <button type="button" className="plain-button text-small" disabled={deeds.busy} onClick={() => answer('seen')}>
        Seen <span className="key max-sm:hidden">Z</span>
      </button>
      <button type="button" className="plain-button text-small" disabled={deeds.busy} onClick={() => answer('snoozed')}>
        <span className="max-sm:sr-only">In </span>
        {SNOOZE_MIN} min <span className="key max-sm:hidden">X</span>
      </button>
      <Toggle.Root className="plain-button text-small max-sm:sr-only" pressed={sound} onPressedChange={setSound}>
        {sound ? 'Sound on' : 'Sound off'}
      </Toggle.Root>
    </div>
  )
}

/** Whether alarms sound here. Switching it on is also the moment a browser lets one ask for notifications. */
function useSound(): [boolean, (on: boolean) => void] {
  const [sound, set] = useSoundSwitch(KEY)
  return [
    sound,
    (on) => {
      set(on)
      if (on && typeof Notification !== 'undefined' && Notification.permission === 'default')
        void Notification.requestPermission()
    },
  ]
}

function useRinging(alarm: Alarm | undefined, sound: boolean): void {
  const told = useRef(new Set<string>())
  const id = alarm?.id
  const sentence = alarm?.sentence
  useEffect(() => {
    if (!id) return
    vibrate(VIBRATES_MS)
    if (!sound) return
    if (!told.current.has(id) && typeof Notification !== 'undefined' && Notification.permission === 'granted') {
      told.current.add(id)
      new Notification('Yperos', { body: sentence ?? '', tag: id })
    }
    const audio = new AudioContext()
    const ring = () => play(audio, RING)
    ring()
    const again = setInterval(ring, AGAIN_MS)
    return () => {
      clearInterval(again)
      void audio.close()
    }
  }, [id, sentence, sound])
}
