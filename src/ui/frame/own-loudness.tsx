'use client'

import { useEffect, useState } from 'react'
import { W } from '@/core/language/screen/frame-own-loudness'
import { Choice } from '../form/field'
import { type Loudness, loudness, play, setLoudness } from '../hooks/use-sound'

/** Two tones as an alarm has them, to hear what was chosen. */
const TRIED = [
  { hertz: 660, afterS: 0, lastsS: 0.2 },
  { hertz: 880, afterS: 0.22, lastsS: 0.2 },
]

/** How loud alarms and the countdown are on this device: set once, beside the engine. */
export function OwnLoudness() {
  const [now, set] = useState<Loudness>('usual')
  useEffect(() => set(loudness()), [])
  const choose = (to: Loudness) => {
    setLoudness(to)
    set(to)
    play(new AudioContext(), TRIED)
  }
  return (
    <section aria-label={W.loudness}>
      <h2 className="text-head font-semibold">{W.howLoudAlarmsAreOn}</h2>
      <p className="mb-2 text-small text-ink-2">{W.tapOneToHearIt}</p>
      <Choice
        label={W.loudness}
        value={now}
        options={[
          { value: 'quiet', label: W.quiet },
          { value: 'usual', label: W.usual },
          { value: 'loud', label: W.loud },
        ]}
        onChange={(to) => choose(to as Loudness)}
      />
    </section>
  )
}
