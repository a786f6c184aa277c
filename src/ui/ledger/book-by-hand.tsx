'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import * as z from 'zod'
import { massWords } from '@/core/charge/working'
import { REFRIGERANTS, type Refrigerant } from '@/core/fluids/refrigerants'
import { LedgerDraft } from '@/core/shop/ledger'
import { newEventId } from '../api'
import { ChoiceField, PickField, TextField } from '../form/bound'
import { massHint } from '../form/entries'
import { Refused } from '../form/refused'
import { signedMass } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'

/** A container on the shelf that a line may be booked on. */
export type Stock = { id: string; name: string; refrigerant: Refrigerant }

const Typed = z.object({
  kind: z.enum(['bought', 'corrected']),
  stock: z.string(),
  container: z.string(),
  refrigerant: z.enum(REFRIGERANTS),
  grams: signedMass,
  why: z.string(),
})
const BLANK: z.input<typeof Typed> = {
  kind: 'bought',
  stock: '',
  container: '',
  refrigerant: 'R-134a',
  grams: '',
  why: '',
}

/** What is typed, with what is known of a container of the shelf, held against what the book takes. */
const entryOf = (id: string, containers: readonly Stock[]) =>
  Typed.transform(({ stock, ...typed }) => {
    const shelved = containers.find((c) => c.id === stock)
    return {
      ...typed,
      id,
      equipmentId: shelved?.id ?? null,
      ...(shelved && { container: shelved.name, refrigerant: shelved.refrigerant }),
    }
  }).pipe(LedgerDraft)

/** A purchase or a correction by hand. */
export function BookByHand({ containers, mayCorrect }: { containers: readonly Stock[]; mayCorrect: boolean }) {
  const router = useRouter()
  // the same entry keeps its id until it is booked: sent twice it is booked once
  const [id, setId] = useState(newEventId)
  const form = useForm({ resolver: zodResolver(entryOf(id, containers)), defaultValues: BLANK })
  const { post, busy, said } = useSending(form, '/api/ledger')
  const done = useSaid()
  const { control } = form
  const [kind, stockId] = useWatch({ control, name: ['kind', 'stock'] })
  const stock = containers.find((c) => c.id === stockId)
  const book = form.handleSubmit(async (entry) => {
    if (!(await post(entry))) return
    done('Booked.')
    setId(newEventId())
    form.reset(BLANK)
    router.refresh()
  })
  return (
    <form aria-label="Book by hand" className="mt-6 space-y-1" onSubmit={book} noValidate>
      <h2 className="text-row font-semibold">Book by hand</h2>
      <ChoiceField
        control={control}
        name="kind"
        label="What"
        options={[
          { value: 'bought', label: 'bought' },
          ...(mayCorrect ? [{ value: 'corrected', label: 'correction' }] : []),
        ]}
      />
      <PickField
        control={control}
        name="stock"
        label="Container"
        options={{ '': 'one not on the shelf', ...Object.fromEntries(containers.map((c) => [c.id, c.name])) }}
      />
      {!stock && (
        <>
          <TextField control={control} name="container" label="Its name" placeholder="cylinder 9, a box of cans …" />
          <ChoiceField
            control={control}
            name="refrigerant"
            label="Refrigerant"
            options={REFRIGERANTS.map((r) => ({ value: r, label: r }))}
          />
        </>
      )}
      <TextField
        control={control}
        name="grams"
        label={kind === 'bought' ? 'Weight' : 'Weight, minus for what is missing'}
        hint="such as 5.7 kg or 340 g"
        below={(text) => massHint(text.replace(/^[-−]/, ''))}
      />
      <TextField
        control={control}
        name="why"
        label={kind === 'bought' ? 'Note' : 'Why'}
        placeholder={kind === 'bought' ? '' : 'weighed again, lost …'}
      />
      <div className="flex items-center gap-3 pt-1">
        <button type="submit" className="plain-button text-small" disabled={busy}>
          Book it
        </button>
        <Refused className="">{said}</Refused>
      </div>
      <p className="text-note text-ink-2">
        {massWords(1000)} is a kilogram. Lines are never taken back; a wrong one is corrected by another.
      </p>
    </form>
  )
}
