'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { W } from '@/core/language/screen/frame-welcome'
import { Password } from '@/core/shop/people'
import { TextField } from '../form/bound'
import { MainButton } from '../form/main-button'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'
import { Strong, slot, Worded } from '../worded'

type Props = { shopName: string; token: string; name: string | null; signIn: string }

/** Somebody who was asked in chooses a password, once. */
export function Welcome({ shopName, token, name, signIn }: Props) {
  const form = useForm({ resolver: zodResolver(z.object({ password: Password })), defaultValues: { password: '' } })
  const { post, busy, said } = useSending(form, '/api/invite')
  const submit = form.handleSubmit(async ({ password }) => {
    if (await post({ token, password })) window.location.assign('/board')
  })
  return (
    <main className="mx-auto max-w-[440px] px-5 py-12">
      <p className="text-small font-semibold">{W.yperos2(shopName)}</p>
      {name === null ? (
        <>
          <h1 className="mt-1 text-call font-semibold leading-tight">{W.thisLinkIsNoMore}</h1>
          <p className="mt-3 text-lead">{W.itWasUsedOrHas}</p>
          <a className="plain-button mt-5 inline-flex items-center" href="/sign-in">
            {W.signIn}
          </a>
        </>
      ) : (
        <form onSubmit={submit} noValidate>
          <h1 className="mt-1 text-call font-semibold leading-tight">{W.welcome2(name)}</h1>
          <p className="mt-3 mb-4 text-lead">
            <Worded words={W.chooseYourPasswordFromThen(slot('name'))} name={<Strong>{signIn}</Strong>} />
          </p>
          <TextField
            control={form.control}
            name="password"
            label={W.password}
            type="password"
            hint={W.atLeast10CharactersA}
            autoComplete="new-password"
          />
          <Refused className="mb-2 min-h-6 text-small">{said}</Refused>
          <MainButton type="submit" disabled={busy}>
            {W.thatIsMyPassword}
          </MainButton>
        </form>
      )}
    </main>
  )
}
