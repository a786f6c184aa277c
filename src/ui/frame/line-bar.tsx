'use client'

import Link from 'next/link'
import type { Line } from '../hooks/use-event-stream'

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
          <b className="font-semibold text-caution">Not live. {line.words}</b>{' '}
          <span suppressHydrationWarning>
            What you see is from {clock(fromMs ?? line.sinceMs)}; it goes on by itself when the line is back.
          </span>
        </p>
      )}
      {line.kind === 'signed-out' && (
        <p className="border-b-2 border-caution bg-sheet px-5 py-2 text-body max-sm:px-4">
          <b className="font-semibold text-caution">You are signed out.</b> What you see stands still.{' '}
          <Link href="/sign-in" className="font-semibold underline">
            Sign in again
          </Link>
        </p>
      )}
    </div>
  )
}
