'use client'

import Link from 'next/link'
import { Toggle } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import { ringsFor } from '@/core/call/rings-for'
import { W } from '@/core/language/screen/alarms'
import type { Ringing } from '@/core/views'
import { Triangle } from '../form/sign'
import type { UserView } from '../frame/who'
import { useHotkeys } from '../hooks/use-hotkeys'
import { useWallNow } from '../hooks/use-now'
import { play, type Tone, useSoundSwitch, vibrate } from '../hooks/use-sound'
import { type AnswerAlarm, useAlarms } from './alarms'

const SNOOZE_MIN = 5
const AGAIN_MS = 8000
/** A page's title while nothing rings. */
const TITLE = 'Yperos'
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
  const [all, setAll] = useState(false)
  const [sound, setSound] = useSound()
  useRinging(first, mine.length, sound)
  useHotkeys(first ? { z: () => answer(first, 'seen', 0), x: () => answer(first, 'snoozed', SNOOZE_MIN) } : {})
  if (!first) return null
  const line = (ring: Ringing) => (
    <>
      <Triangle />
      <p className="min-w-0 flex-1 text-row font-semibold leading-tight max-sm:basis-[80%] max-sm:text-small">
        {ring.jobId !== own?.jobId && (
          <Link href={`/job/${ring.jobId}`} className="mr-2 underline underline-offset-2">
            {ring.car}:
          </Link>
        )}
        {ring.sentence}
        {ring.whose.id !== user.id && ring.whose.name !== '' && ring.jobId !== own?.jobId && (
          <span className="ml-3 text-small font-medium text-ink-2">{W.hasNotAnswered2(ring.whose.name)}</span>
        )}
      </p>
    </>
  )
  return (
    <div role="alert" className="no-print border-b-2 border-ink bg-sheet px-5 max-sm:px-4">
      <div className={LINE} data-testid="alarm">
        {line(first)}
        {mine.length > 1 && (
          <button
            type="button"
            aria-expanded={all}
            className="min-h-9 text-small font-medium underline underline-offset-2"
            onClick={() => setAll(!all)}
          >
            {all ? W.onlyThis : W.andMore(mine.length - 1)}
          </button>
        )}
        <Answers ring={first} answer={answer} keys />
        <Toggle.Root className="plain-button text-small max-sm:sr-only" pressed={sound} onPressedChange={setSound}>
          {sound ? W.soundOn : W.soundOff}
        </Toggle.Root>
      </div>
      {all &&
        mine.slice(1).map((ring) => (
          <div key={`${ring.jobId} ${ring.id}`} className={`${LINE} border-t border-rule`} data-testid="alarm">
            {line(ring)}
            <Answers ring={ring} answer={answer} />
          </div>
        ))}
    </div>
  )
}

const LINE = 'flex flex-wrap items-center gap-x-4 gap-y-2 py-2 max-sm:gap-x-2 max-sm:py-1'

/** The two answers to an alarm; the first one's are on keys. */
function Answers({ ring, answer, keys }: { ring: Ringing; answer: AnswerAlarm; keys?: boolean }) {
  return (
    <>
      <button type="button" className="plain-button text-small" onClick={() => answer(ring, 'seen', 0)}>
        {W.seen}
        {keys && <span className="key max-sm:hidden">Z</span>}
      </button>
      <button type="button" className="plain-button text-small" onClick={() => answer(ring, 'snoozed', SNOOZE_MIN)}>
        <span className="max-sm:sr-only">{W.in2}</span>
        {W.min2(SNOOZE_MIN)}
        {keys && <span className="key max-sm:hidden">X</span>}
      </button>
    </>
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
  // at every look, for a page that is built anew under it puts its own title back
  useEffect(() => {
    const wanted = sentence ? `(${count}) ${sentence}` : TITLE
    if (document.title !== wanted && (sentence || document.title.startsWith('('))) document.title = wanted
  })
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
