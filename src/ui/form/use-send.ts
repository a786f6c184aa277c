'use client'

import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { type Answer, send } from '../api'

/** Sends what one button says: no fields, so that a refusal is said beside the button. */
export function useSend(path: string): {
  send: <R>(body: unknown) => Promise<R | null>
  busy: boolean
  said: string
} {
  const [said, say] = useState('')
  const { mutateAsync, isPending } = useMutation({ mutationFn: (body: unknown) => send(path, body) })
  const post = async <R>(body: unknown): Promise<R | null> => {
    say('')
    const answer = (await mutateAsync(body)) as Answer<R>
    if (answer.ok) return answer.data
    say(answer.message)
    return null
  }
  return { send: post, busy: isPending, said }
}
