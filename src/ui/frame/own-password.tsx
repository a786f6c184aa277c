'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { Password } from '@/core/shop/people'
import { TextField } from '../form/bound'
import { MainButton } from '../form/main-button'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'
import { useSaid } from './said'

const Typed = z.object({ old: z.string().min(1, 'the password you have now'), password: Password })

/** Another password for whoever is signed in. */
export function OwnPassword({ name, signIn }: { name: string; signIn: string }) {
  const form = useForm({ resolver: zodResolver(Typed), defaultValues: { old: '', password: '' } })
  const { post, busy, said } = useSending(form, '/api/password')
  const done = useSaid()
  const submit = form.handleSubmit(async (typed) => {
    if (!(await post(typed))) return
    form.reset()
    done('A new password. Wherever else you were signed in you are no more.')
  })
  return (
    <div>
      <h1 className="text-title font-semibold">{name}</h1>
      <p className="mb-4 text-body text-ink-2">signs in as {signIn}</p>
      <form onSubmit={submit} noValidate aria-label="Own password">
        <TextField
          control={form.control}
          name="old"
          label="Password now"
          type="password"
          autoComplete="current-password"
        />
        <TextField
          control={form.control}
          name="password"
          label="New password"
          type="password"
          hint="at least 10 characters; a sentence is easier to keep"
          autoComplete="new-password"
        />
        <Refused className="mb-2 min-h-6 text-small">{said}</Refused>
        <MainButton type="submit" disabled={busy}>
          Change it
        </MainButton>
      </form>
    </div>
  )
}
