'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import Link from 'next/link'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/frame-sign-in-form'
import { TextField } from '../form/bound'
import { MainButton } from '../form/main-button'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'
import { slot, Worded } from '../worded'

type Demo = { signIn: string; name: string; role: string; password: string }

const SignIn = z.object({ signIn: z.string().min(1, W.yourNameHere), password: z.string().min(1, W.yourPassword) })

export function SignInForm({ shopName, demo }: { shopName: string; demo: Demo[] }) {
  const form = useForm({ resolver: zodResolver(SignIn), defaultValues: { signIn: '', password: '' } })
  const { post, busy, said } = useSending(form, '/api/sign-in')
  const submit = form.handleSubmit(async (body) => {
    if (await post(body)) window.location.assign('/board')
  })
  const fill = ({ signIn, password }: Demo) => form.reset({ signIn, password })
  return (
    <main className="grid min-h-dvh grid-cols-[1fr_440px] max-md:grid-cols-1">
      <Depth />
      <form onSubmit={submit} noValidate className="flex flex-col gap-3 bg-sheet p-10 max-sm:p-5">
        <h1 className="text-call font-semibold leading-tight">{W.signIn}</h1>
        <p className="mb-2 text-lead text-ink-2">{shopName}</p>
        <TextField control={form.control} name="signIn" label={W.name2} autoComplete="username" />
        <TextField
          control={form.control}
          name="password"
          label={W.password}
          type="password"
          autoComplete="current-password"
        />
        <Refused className="min-h-6 text-small">{said}</Refused>
        <MainButton type="submit" disabled={busy}>
          {W.signIn}
        </MainButton>
        {demo.length > 0 && <DemoSignIns demo={demo} pick={fill} />}
        <p className="mt-2 flex flex-wrap items-center gap-x-5 text-body">
          {W.withoutSigningIn}
          <Link href="/sums" className="inline-flex min-h-11 items-center font-medium underline underline-offset-4">
            {W.theSums}
          </Link>
          <Link href="/check" className="inline-flex min-h-11 items-center font-medium underline underline-offset-4">
            {W.checkARecord2}
          </Link>
        </p>
      </form>
    </main>
  )
}

function DemoSignIns({ demo, pick }: { demo: Demo[]; pick: (d: Demo) => void }) {
  return (
    <section className="mt-4 border-t border-rule pt-4">
      <h2 className="text-small font-semibold">{W.demoPlaceTapOneTo}</h2>
      <ul className="mt-2 grid gap-2">
        {demo.map((d) => (
          <li key={d.signIn}>
            <button
              type="button"
              className="plain-button flex w-full items-center justify-between"
              onClick={() => pick(d)}
            >
              <span>{d.name}</span>
              <span className="font-normal text-ink-2">{codeWords(d.role)}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-4 text-note text-ink-2">
        <Worded words={W.aShopOfYourOwn(slot('command'))} command={<code>{W.yperosUpOwn}</code>} />
      </p>
    </section>
  )
}

/** The idea of the whole tool as a picture: air on top, depth below. */
function Depth() {
  return (
    <div className="relative flex flex-col max-md:hidden" aria-hidden="true">
      <div className="flex flex-[5] items-end bg-air p-10">
        <p className="figure text-fig-xxl font-semibold">Yperos</p>
      </div>
      <div className="flex-[2] border-t-2 border-ink bg-needle px-10 pt-3 text-lead text-ink-2">
        {W.belowHereANeedleSees}
      </div>
      <div className="flex-[3] border-t-[3px] border-dotted border-ink bg-drying px-10 pt-3 text-lead text-ink-2">
        {W.waterBoils}
      </div>
      <div className="flex-[3] border-t-2 border-ink bg-deep px-10 pt-3 text-lead text-ink">{W.dry}</div>
      <div className="flex-1 bg-floor" />
    </div>
  )
}
