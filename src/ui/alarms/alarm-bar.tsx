'use client'

import Link from 'next/link'
import { Toggle } from 'radix-ui'
import { useEffect, useRef } from 'react'
import { ringsFor } from '@/core/board/concerns'
import type { Ringing } from '@/core/views'
import type { UserView } from '../frame/who'
import { useHotkeys } from '../hooks/use-hotkeys'
import { useWallNow } from '../hooks/use-now'
import { play, type Tone, useSoundSwitch, vibrate } from '../hooks/use-sound'
import { Triangle } from '../job/frame/call-panel'
import { useAlarms } from './alarms'

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

type Props = { user: UserView; leadAfterMin: number; serverNowMs: number }

/**
 * What wants a person of this page now, whichever car it is of, with a sound, in the title, and as a notification when
 * they are switched on; each is answered once for all, and the answer is logged with its car.
 */
export function AlarmBar({ user, leadAfterMin, serverNowMs }: Props) {
  const { ringing, own, answer } = useAlarms()
  const now = useWallNow(serverNowMs)
  // whoever stands at a car hears it, whosever it is
  const mine = ringing.filter((r) => r.jobId === own?.jobId || ringsFor(r, user, leadAfterMin, now))
  const first = mine[0]
  const elsewhere = first && first.jobId !== own?.jobId
  const [sound, setSound] = useSound()
  useRinging(first, mine.length, sound)
  useHotkeys(first ? { z: () => answer(first, 'seen', 0), x: () => answer(first, 'snoozed', SNOOZE_MIN) } : {})
  if (!first) return null
  return (
    <div
      role="alert"
      className="no-print flex flex-wrap items-center gap-x-4 gap-y-2 border-b-2 border-ink bg-sheet px-5 py-2 max-sm:gap-x-2 max-sm:px-4 max-sm:py-1"
    >
      <Triangle />
      <p className="min-w-0 flex-1 text-row font-semibold leading-tight max-sm:basis-[80%] max-sm:text-small">
        {elsewhere && (
          <Link href={`/job/${first.jobId}`} className="mr-2 underline underline-offset-2">
            {first.car}:
          </Link>
        )}
        {first.sentence}
        {first.whose.id !== user.id && first.whose.name !== '' && elsewhere && (
          <span className="ml-3 text-small font-medium text-ink-2">{first.whose.name} has not answered</span>
        )}
        {mine.length > 1 && <span className="ml-3 text-small font-medium text-ink-2">and {mine.length - 1} more</span>}
      </p>
      <button type="button" className="plain-button text-small" onClick={() => answer(first, 'seen', 0)}>
        Seen <span className="key max-sm:hidden">Z</span>
      </button>
      <button type="button" className="plain-button text-small" onClick={() => answer(first, 'snoozed', SNOOZE_MIN)}>
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

/** The system's own notification: by the service worker where one is installed, which a phone asks for. */
async function notify(body: string, tag: string): Promise<void> {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted') return
  const worker = await navigator.serviceWorker?.getRegistration()
  if (worker?.active) await worker.showNotification('Yperos', { body, tag })
  else new Notification('Yperos', { body, tag })
}

function useRinging(alarm: Ringing | undefined, count: number, sound: boolean): void {
  const told = useRef(new Set<string>())
  const id = alarm && `${alarm.jobId} ${alarm.id}`
  const sentence = alarm && `${alarm.car}: ${alarm.sentence}`
  useEffect(() => {
    if (!sentence) return
    const before = document.title
    document.title = `(${count}) ${sentence}`
    return () => {
      document.title = before
    }
  }, [sentence, count])
  useEffect(() => {
    if (!id) return
    vibrate(VIBRATES_MS)
    if (!sound) return
    if (!told.current.has(id)) {
      told.current.add(id)
      void notify(sentence ?? '', id).catch(() => undefined)
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
