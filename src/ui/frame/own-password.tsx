'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { W } from '@/core/language/screen/frame-own-password'
import { Password } from '@/core/shop/people'
import { TextField } from '../form/bound'
import { MainButton } from '../form/main-button'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'
import { useSaid } from './said'

const Typed = z.object({ old: z.string().min(1, W.thePasswordYouHaveNow), password: Password })

/** Another password for whoever is signed in. */
export function OwnPassword({ name, signIn }: { name: string; signIn: string }) {
  const form = useForm({ resolver: zodResolver(Typed), defaultValues: { old: '', password: '' } })
  const { post, busy, said } = useSending(form, '/api/password')
  const done = useSaid()
  const submit = form.handleSubmit(async (typed) => {
    if (!(await post(typed))) return
    form.reset()
    done(W.aNewPasswordWhereverElse)
  })
  return (
    <div>
      <h1 className="text-title font-semibold">{name}</h1>
      <p className="mb-4 text-body text-ink-2">{W.signsInAs2(signIn)}</p>
      <form onSubmit={submit} noValidate aria-label={W.ownPassword}>
        <TextField
          control={form.control}
          name="old"
          label={W.passwordNow}
          type="password"
          autoComplete="current-password"
        />
        <TextField
          control={form.control}
          name="password"
          label={W.newPassword}
          type="password"
          hint={W.atLeast10CharactersA}
          autoComplete="new-password"
        />
        <Refused className="mb-2 min-h-6 text-small">{said}</Refused>
        <MainButton type="submit" disabled={busy}>
          {W.changeIt}
        </MainButton>
      </form>
    </div>
  )
}
