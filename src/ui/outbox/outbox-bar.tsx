'use client'

import Link from 'next/link'
import { W } from '@/core/language/screen/outbox'
import { Strong, slot, Worded } from '../worded'
import { useOutbox } from './outbox'

/** What was done here and the server has not got yet, in words and number; nothing while there is none. */
export function OutboxBar() {
  const { kept, who, signedOut, drop } = useOutbox()
  const mine = kept.filter((k) => k.who === who)
  const waiting = mine.filter((k) => k.state === 'waiting')
  const refused = mine.filter((k) => k.state === 'refused')
  const others = [...new Set(kept.filter((k) => k.who !== who && k.state !== 'trying').map((k) => k.whoName))]
  return (
    <div role="status" className="no-print sticky top-0 z-10">
      {waiting.length > 0 && (
        <p className="border-b-2 border-caution bg-sheet px-5 py-2 text-body max-sm:px-4">
          <Worded
            words={signedOut ? W.youAreSignedOut(slot('waiting'), slot('signIn')) : W.itIsKeptOnThis(slot('waiting'))}
            waiting={<Strong className="text-caution">{W.waitingToBeSent2(waiting.length)}</Strong>}
            signIn={
              <Link href="/sign-in" className="font-semibold underline">
                {W.signInAgain}
              </Link>
            }
          />
        </p>
      )}
      {others.map((name) => (
        <p key={name} className="border-b border-rule bg-sheet px-5 py-2 text-body max-sm:px-4">
          {W.keptHereForIt(name, name)}
        </p>
      ))}
      {refused.map((k) => (
        <p
          key={k.n}
          className="flex items-center gap-4 border-b-2 border-leak bg-sheet px-5 py-2 text-body max-sm:px-4"
        >
          <span>
            <b className="font-semibold text-leak">{W.notTaken}</b> {k.why}
          </span>
          <button type="button" className="plain-button" onClick={() => drop(k.n)}>
            {W.leaveItOut}
          </button>
        </p>
      ))}
    </div>
  )
}
