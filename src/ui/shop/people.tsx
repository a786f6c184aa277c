'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/shop'
import { AccountChange, Invited, ROLES, type Role } from '@/core/shop/people'
import { ChoiceField, TextField } from '../form/bound'
import { Fold } from '../form/fold'
import { Refused } from '../form/refused'
import { useSend } from '../form/use-send'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'
import { EditRow, NOT_SAVED } from './edit-row'

export type Person = {
  id: string
  name: string
  signIn: string
  role: Role
  certificate: string
  disabled: boolean
}
const ROLE_OPTIONS = ROLES.map((role) => ({ value: role, label: codeWords(role) }))

/** Somebody of the shop; what may be changed of them comes when it is asked for. */
type RowProps = { person: Person; me: string; certificateAsked: boolean; onLink: (told: LinkOf) => void }

/** A link that was made for somebody. */
export type LinkOf = { name: string; link: string }

export function PersonRow({ person, me, certificateAsked, onLink }: RowProps) {
  const [editing, setEditing] = useState(false)
  const { send, busy, said } = useSend('/api/shop')
  const { id, name, signIn, role, certificate, disabled } = person
  if (editing)
    return (
      <li className="border-b border-rule py-3">
        <PersonForm person={person} onDone={() => setEditing(false)} />
      </li>
    )
  return (
    <li
      className={
        'grid grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_290px] items-center gap-x-4 ' +
        'border-b border-rule py-2.5 text-body max-md:grid-cols-2'
      }
    >
      <p>
        <b className={`block text-row font-semibold leading-tight ${disabled ? 'line-through' : ''}`}>{name}</b>
        <span className="text-ink-2">
          {signIn}
          {id === me ? W.you : ''}
        </span>
      </p>
      <p className="font-medium">{codeWords(role)}</p>
      <p>
        {certificate === '' ? (
          <span className="text-ink-2">{certificateAsked ? W.noCertificateSignsNothing : W.noCertificate}</span>
        ) : (
          certificate
        )}
      </p>
      <p>{disabled ? <b className="font-semibold text-leak">{W.closed}</b> : W.maySignIn}</p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="plain-button text-small" onClick={() => setEditing(true)}>
          {W.change}
        </button>
        {!disabled && (
          <button
            type="button"
            className="plain-button text-small"
            disabled={busy}
            onClick={async () => {
              const told = await send<{ link: string }>({ what: 'link', id })
              if (told) onLink({ name, link: told.link })
            }}
          >
            {W.newPasswordLink}
          </button>
        )}
        <Refused className="basis-full text-note empty:hidden">{said}</Refused>
      </div>
    </li>
  )
}

const Typed = AccountChange.pick({ role: true, certificate: true }).extend({
  access: z.enum(['open', 'closed']).transform((access) => access === 'closed'),
})

function PersonForm({ person, onDone }: { person: Person; onDone: () => void }) {
  const router = useRouter()
  const { id, name, role, certificate, disabled } = person
  const form = useForm({
    resolver: zodResolver(Typed),
    defaultValues: { role, certificate, access: disabled ? ('closed' as const) : ('open' as const) },
  })
  const { post, busy, said, say } = useSending(form, '/api/shop')
  const done = useSaid()
  const save = form.handleSubmit(
    async ({ access, ...account }) => {
      if (!(await post({ what: 'account', account: { id, ...account, disabled: access } }))) return
      done(W.saved)
      onDone()
      router.refresh()
    },
    () => say(NOT_SAVED),
  )
  return (
    <EditRow name={name} said={said} busy={busy} onSubmit={save} onLeave={onDone}>
      <p className="text-lead">
        <b className="block font-semibold">{name}</b>
        {person.signIn}
      </p>
      <ChoiceField control={form.control} name="role" label={W.roleOf(name)} options={ROLE_OPTIONS} />
      <TextField control={form.control} name="certificate" label={W.certificate} />
      <ChoiceField control={form.control} name="access" label={W.accessOf(name)} options={ACCESS_OPTIONS} />
    </EditRow>
  )
}

const ACCESS_OPTIONS = [
  { value: 'open', label: W.maySignIn },
  { value: 'closed', label: W.closed },
] as const

const NOBODY: z.input<typeof Invited> = {
  name: '',
  signIn: '',
  certificate: '',
  role: 'technician',
}

/** Somebody is asked in: they choose their password themselves, by a link. */
export function NewPerson({ onLink }: { onLink: (told: LinkOf) => void }) {
  const router = useRouter()
  const form = useForm({ resolver: zodResolver(Invited), defaultValues: NOBODY })
  const { post, busy, said, say } = useSending(form, '/api/shop')
  const done = useSaid()
  const add = form.handleSubmit(
    async (account) => {
      const told = await post<{ link: string }>({ what: 'invite', account })
      if (!told) return
      onLink({ name: account.name, link: told.link })
      done(W.saved)
      form.reset(NOBODY)
      router.refresh()
    },
    () => say(NOT_SAVED),
  )
  const { control } = form
  return (
    <Fold title={W.addSomebody} className="mt-3">
      <EditRow name={W.somebodyNew} said={said} busy={busy} onSubmit={add}>
        <TextField control={control} name="name" label={W.fullName} />
        <TextField control={control} name="signIn" label={W.signsInAs} />
        <TextField control={control} name="certificate" label={W.newCertificate} />
        <ChoiceField control={control} name="role" label={W.role} options={ROLE_OPTIONS} />
      </EditRow>
    </Fold>
  )
}
