'use client'

import { type FormEvent, useState } from 'react'
import { send } from '../api'

type Demo = { signIn: string; name: string; role: string; password: string }

export function SignInForm({ shopName, demo }: { shopName: string; demo: Demo[] }) {
  const [signIn, setSignIn] = useState('')
  const [password, setPassword] = useState('')
  const [refused, setRefused] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    setBusy(true)
    const answer = await send('/api/sign-in', { signIn, password })
    setBusy(false)
    if (answer.ok) window.location.assign('/board')
    else setRefused(answer.message)
  }
  return (
    <main className="grid min-h-dvh grid-cols-[1fr_440px] max-md:grid-cols-1">
      <Depth />
      <form onSubmit={submit} className="flex flex-col gap-5 bg-sheet p-10 max-sm:p-5">
        <h1 className="text-[34px] font-semibold leading-tight">Sign in</h1>
        <p className="text-[18px] text-ink-2">{shopName}</p>
        <label className="text-[16px] font-medium">
          Name
          <input
            className="field mt-1"
            autoComplete="username"
            value={signIn}
            onChange={(e) => setSignIn(e.target.value)}
            required
          />
        </label>
        <label className="text-[16px] font-medium">
          Password
          <input
            className="field mt-1"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
            required
          />
        </label>
        <p role="alert" className="min-h-6 text-[16px] font-medium text-leak">
          {refused}
        </p>
        <button
          type="submit"
          disabled={busy}
          className="min-h-16 rounded bg-accent px-5 text-left text-[26px] font-semibold text-accent-text"
        >
          Sign in
        </button>
        {demo.length > 0 && <DemoSignIns demo={demo} pick={(d) => [setSignIn(d.signIn), setPassword(d.password)]} />}
      </form>
    </main>
  )
}

function DemoSignIns({ demo, pick }: { demo: Demo[]; pick: (d: Demo) => void }) {
  return (
    <section className="mt-4 border-t border-rule pt-4">
      <h2 className="text-[16px] font-semibold">Demo place: tap one to fill it in</h2>
      <ul className="mt-2 grid gap-2">
        {demo.map((d) => (
          <li key={d.signIn}>
            <button
              type="button"
              className="plain-button flex w-full items-center justify-between"
              onClick={() => pick(d)}
            >
              <span>{d.name}</span>
              <span className="font-normal text-ink-2">{d.role}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** The idea of the whole tool as a picture: air on top, depth below. */
function Depth() {
  return (
    <div className="relative flex flex-col max-md:hidden" aria-hidden="true">
      <div className="flex flex-[5] items-end bg-air p-10">
        <p className="figure text-[104px] font-semibold">Yperos</p>
      </div>
      <div className="flex-[2] border-t-2 border-ink bg-needle px-10 pt-3 text-[18px] text-ink-2">
        below here a needle sees nothing
      </div>
      <div className="flex-[3] border-t-[3px] border-dotted border-ink bg-drying px-10 pt-3 text-[18px] text-ink-2">
        water boils
      </div>
      <div className="flex-[3] border-t-2 border-ink bg-deep px-10 pt-3 text-[18px] text-ink">dry</div>
      <div className="flex-1 bg-floor" />
    </div>
  )
}
