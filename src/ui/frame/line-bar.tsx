'use client'

import Link from 'next/link'
import { W } from '@/core/language/screen/frame-line-bar'
import type { Line } from '../hooks/use-event-stream'
import { Strong, slot, Worded } from '../worded'

type Props = {
  line: Line
  /** from when what is shown is, where the page itself was kept on this device, ms */
  fromMs?: number | null
  clock: (ms: number) => string
}

/** Says what is away while a page is not live, and since when what it shows stands still; nothing while all is well. */
export function LineBar({ line, fromMs, clock }: Props) {
  return (
    <div role="status" className="no-print">
      {line.kind === 'away' && (
        <p className="border-b-2 border-caution bg-sheet px-5 py-2 text-body max-sm:px-4">
          <b className="font-semibold text-caution">{W.notLive2(line.words)}</b>{' '}
          <span suppressHydrationWarning>{W.whatYouSeeIs(clock(fromMs ?? line.sinceMs))}</span>
        </p>
      )}
      {line.kind === 'signed-out' && (
        <p className="border-b-2 border-caution bg-sheet px-5 py-2 text-body max-sm:px-4">
          <Worded
            words={W.whatYouSeeStands(slot('out'), slot('signIn'))}
            out={<Strong className="text-caution">{W.youAreSignedOut}</Strong>}
            signIn={
              <Link href="/sign-in" className="font-semibold underline">
                {W.signInAgain}
              </Link>
            }
          />
        </p>
      )}
    </div>
  )
}
