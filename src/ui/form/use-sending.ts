'use client'

import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import type { FieldPath, FieldValues, UseFormReturn } from 'react-hook-form'
import { type Answer, send } from '../api'

export type Sending = {
  /** sends a body; resolves with what was answered, null when it was refused */
  post: <R>(body: unknown) => Promise<R | null>
  busy: boolean
  /** what there is to say besides the reasons that stand at their fields */
  said: string
  say: (words: string) => void
}

/**
 * Sends what a form became, and takes the reasons of a refusal back to the fields they belong to.
 * @param fieldOf - the form's field a refused path belongs to; the path's last part when left out
 */
export function useSending<T extends FieldValues, C, O>(
  form: UseFormReturn<T, C, O>,
  path: string,
  fieldOf = (refusedPath: string): string => refusedPath.split('.').pop() ?? '',
): Sending {
  const [said, say] = useState('')
  const { mutateAsync, isPending } = useMutation({ mutationFn: (body: unknown) => send(path, body) })
  const post = async <R>(body: unknown): Promise<R | null> => {
    say('')
    const answer = (await mutateAsync(body)) as Answer<R>
    if (answer.ok) return answer.data
    const known = Object.keys(form.getValues())
    const [here, elsewhere] = [true, false].map((at) =>
      answer.faults.filter((f) => known.includes(fieldOf(f.path)) === at),
    )
    for (const fault of here ?? [])
      form.setError(fieldOf(fault.path) as FieldPath<T>, { type: 'server', message: fault.reason })
    // a reason that stands at its field is not said twice
    if (!here?.length || elsewhere?.length) say(answer.message)
    return null
  }
  return { post, busy: isPending, said, say }
}
