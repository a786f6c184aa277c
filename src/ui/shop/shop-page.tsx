'use client'

import { useRouter } from 'next/navigation'
import { type ReactNode, useState } from 'react'
import { provesOfRule, SCHOOLS } from '@/core/hold/proves'
import { groupedFingerprint } from '@/core/record/signing-key'
import type { StoredProcedure } from '@/core/views'
import { newEventId, send } from '../api'
import { Choice, Field } from '../form/field'

type Person = {
  id: string
  name: string
  signIn: string
  role: 'lead' | 'technician' | 'trainee'
  certificate: string
  disabled: boolean
}
type Props = { procedures: StoredProcedure[]; people: Person[]; me: string; fingerprint: string }

const ROLE_OPTIONS = [
  { value: 'lead', label: 'lead' },
  { value: 'technician', label: 'technician' },
  { value: 'trainee', label: 'trainee' },
] as const

/** What the lead decides for the shop: procedures and people; rigs are put together in the rig room. */
export function ShopPage({ procedures, people, me, fingerprint }: Props) {
  return (
    <main className="space-y-8 px-5 py-4 max-sm:px-4">
      <Procedures procedures={procedures} />
      <section>
        <h1 className="mb-2 text-[30px] font-semibold">People</h1>
        <ul className="border-t-2 border-ink">
          {people.map((p) => (
            <PersonRow key={p.id} person={p} me={me} />
          ))}
        </ul>
        <NewPerson />
      </section>
      <section>
        <h2 className="text-[22px] font-semibold">Key the records are sealed with</h2>
        <p className="mt-1 max-w-[760px] text-[17px]">
          <span className="font-medium">{groupedFingerprint(fingerprint)}</span>
          <span className="mt-1 block text-[16px] text-ink-2">
            Give it to whoever checks your records: without it nobody can tell your seal from one that somebody else put
            on a changed record.
          </span>
        </p>
      </section>
    </main>
  )
}

/** The shop's procedures, and the schools to begin a new one from; each says what its figures can and cannot prove. */
function Procedures({ procedures }: { procedures: StoredProcedure[] }) {
  const [fresh, setFresh] = useState<StoredProcedure | null>(null)
  const copy = (from: Omit<StoredProcedure, 'id'>) => {
    const taken = procedures.some((p) => p.name === from.name)
    setFresh({ ...from, id: newEventId(), name: taken ? `${from.name}, ours` : from.name })
  }
  return (
    <section>
      <div className="mb-2 flex items-end justify-between">
        <h1 className="text-[30px] font-semibold">Procedures</h1>
        <button type="button" className="plain-button" onClick={() => setFresh(BLANK_PROCEDURE())}>
          New procedure
        </button>
      </div>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <span className="mr-1 text-[17px]">or begin from a school:</span>
        {SCHOOLS.map((school) => (
          <button key={school.name} type="button" className="plain-button text-[16px]" onClick={() => copy(school)}>
            {school.name}
          </button>
        ))}
      </div>
      <ul className="border-t-2 border-ink">
        {fresh && <ProcedureRow key={fresh.id} procedure={fresh} onDone={() => setFresh(null)} />}
        {procedures.map((p) => (
          <ProcedureRow key={p.id} procedure={p} />
        ))}
      </ul>
    </section>
  )
}

const BLANK_PROCEDURE = (): StoredProcedure => ({
  id: newEventId(),
  name: '',
  targetMicron: 500,
  pullMinutes: 60,
  holdMinutes: 30,
  proves: '',
})

/** Sends a change and takes the reasons of a refusal back to the fields they belong to. */
function useSave() {
  const router = useRouter()
  const [errors, setErrors] = useState<Record<string, string>>({})
  const [said, setSaid] = useState('')
  const save = async (body: object, done?: () => void) => {
    const answer = await send('/api/shop', body)
    setErrors(answer.ok ? {} : Object.fromEntries(answer.faults.map((f) => [f.path.split('.').pop() ?? '', f.reason])))
    setSaid(answer.ok ? 'Saved.' : answer.faults.length > 0 ? 'Not saved: see the marked field.' : answer.message)
    if (!answer.ok) return
    done?.()
    router.refresh()
  }
  return { errors, said, save }
}

function Row({ children, onSave, said }: { children: ReactNode; onSave: () => void; said: string }) {
  return (
    <li className="grid grid-cols-[1fr_130px] items-start gap-4 border-b border-rule py-3 max-sm:grid-cols-1">
      <div className="grid grid-cols-4 gap-x-4 max-md:grid-cols-2 max-sm:grid-cols-1">{children}</div>
      <div>
        <button type="button" className="plain-button mt-7 w-full" onClick={onSave}>
          Save
        </button>
        <p role="status" className="mt-1 text-[15px]">
          {said}
        </p>
      </div>
    </li>
  )
}

function useDraft<T extends object>(first: T, errors: Record<string, string>) {
  const [draft, setDraft] = useState(first)
  const text = (key: keyof T & string) => ({
    value: String(draft[key]),
    error: errors[key],
    onChange: (value: string) => setDraft((d) => ({ ...d, [key]: value })),
  })
  return { draft, setDraft, text }
}

function ProcedureRow({ procedure, onDone }: { procedure: StoredProcedure; onDone?: (() => void) | undefined }) {
  const { errors, said, save } = useSave()
  const { draft, text } = useDraft(procedure, errors)
  const numbers = {
    targetMicron: Number(draft.targetMicron),
    pullMinutes: Number(draft.pullMinutes),
    holdMinutes: Number(draft.holdMinutes),
  }
  return (
    <Row said={said} onSave={() => void save({ what: 'procedure', procedure: { ...draft, ...numbers } }, onDone)}>
      <Field label="Name" {...text('name')} />
      <Field label="Target, micron" {...text('targetMicron')} inputMode="decimal" />
      <Field label="Pull, about, min" {...text('pullMinutes')} inputMode="decimal" />
      <Field label="Hold, min" {...text('holdMinutes')} inputMode="decimal" />
      <div className="col-span-full">
        <Field label="What it can and cannot prove" {...text('proves')} />
        <Proves {...numbers} />
      </div>
    </Row>
  )
}

/** What the figures as they stand can and cannot prove, worked out as they are edited. */
function Proves(figures: { targetMicron: number; pullMinutes: number; holdMinutes: number }) {
  const sound =
    Object.values(figures).every((n) => Number.isFinite(n) && n > 0 && n < 1e6) &&
    figures.targetMicron >= 20 &&
    figures.targetMicron <= 20_000
  if (!sound) return <p className="text-[15px] text-ink-2">What it proves stands here once the figures can be.</p>
  return (
    <ul className="list-disc space-y-0.5 pl-5 text-[15px] leading-snug text-ink-2">
      {provesOfRule(figures).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  )
}

function PersonRow({ person, me }: { person: Person; me: string }) {
  const { errors, said, save } = useSave()
  const { draft, setDraft, text } = useDraft(person, errors)
  const { id, role, certificate, disabled } = draft
  return (
    <Row said={said} onSave={() => void save({ what: 'account', account: { id, role, certificate, disabled } })}>
      <p className="text-[18px]">
        <b className="block font-semibold">{person.name}</b>
        {person.signIn}
        {person.id === me ? ', you' : ''}
      </p>
      <Choice
        label={`Role of ${person.name}`}
        value={role}
        options={ROLE_OPTIONS}
        onChange={(r) => setDraft((d) => ({ ...d, role: r }))}
      />
      <Field label="Certificate" {...text('certificate')} />
      <Choice
        label={`Access of ${person.name}`}
        value={disabled ? 'no' : 'yes'}
        options={[
          { value: 'yes', label: 'may sign in' },
          { value: 'no', label: 'closed' },
        ]}
        onChange={(x) => setDraft((d) => ({ ...d, disabled: x === 'no' }))}
      />
    </Row>
  )
}

function NewPerson() {
  const { errors, said, save } = useSave()
  const blank = { signIn: '', name: '', role: 'technician' as Person['role'], certificate: '', password: '' }
  const { draft, setDraft, text } = useDraft(blank, errors)
  return (
    <details className="mt-3">
      <summary className="min-h-11 cursor-pointer text-[18px] font-semibold">Add somebody</summary>
      <ul>
        <Row said={said} onSave={() => void save({ what: 'new-account', account: draft }, () => setDraft(blank))}>
          <Field label="Full name" {...text('name')} />
          <Field label="Signs in as" {...text('signIn')} />
          <Field label="First password" {...text('password')} hint="at least 10 characters" />
          <Field label="New certificate" {...text('certificate')} />
          <Choice
            label="Role"
            value={draft.role}
            options={ROLE_OPTIONS}
            onChange={(role) => setDraft((d) => ({ ...d, role }))}
          />
        </Row>
      </ul>
    </details>
  )
}
