'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import * as z from 'zod'
import { massWords } from '@/core/charge/working'
import { REFRIGERANTS, type Refrigerant } from '@/core/fluids/refrigerants'
import { W } from '@/core/language/screen/ledger'
import { BY_HAND, type ByHand, LedgerDraft, RECOVERY } from '@/core/shop/ledger'
import type { Units } from '@/core/units/shown'
import { newEventId } from '../api'
import { ChoiceField, PickField, TextField } from '../form/bound'
import { massHint } from '../form/entries'
import { Refused } from '../form/refused'
import { signedMass } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'
import { useUnits } from '../units'

/** A container on the shelf that a line may be booked on; its empty weight g. */
export type Stock = { id: string; name: string; refrigerant: Refrigerant; tareG: number }

const typedIn = (units: Units) =>
  z.object({
    kind: z.enum(BY_HAND),
    stock: z.string(),
    container: z.string(),
    refrigerant: z.enum(REFRIGERANTS),
    grams: signedMass(units),
    why: z.string(),
  })
const BLANK: z.input<ReturnType<typeof typedIn>> = {
  kind: 'bought',
  stock: '',
  container: '',
  refrigerant: 'R-134a',
  grams: '',
  why: '',
}

/** What each kind of line is called, what its weight is, and what its words are for. */
const KINDS: Record<ByHand, { label: string; weight: string; why: string; like: string }> = {
  bought: { label: W.bought, weight: W.weight, why: W.note, like: '' },
  weighed: { label: W.weighedAnew, weight: W.theScaleShows, why: W.whyItDiffers, like: W.notKnown },
  'handed-in': { label: W.handedIn, weight: W.weight, why: W.receipt, like: W.numberOfTheReceipt },
  reused: { label: W.usedAgain, weight: W.weight, why: W.byWhichRight, like: W.cleanedByBackInto },
  lost: { label: W.lost, weight: W.weight, why: W.how, like: W.aHoseBurst },
  corrected: { label: W.correction, weight: W.weightMinusForWhatIs, why: W.why, like: W.bookedTwice },
}
/** Kinds that only who may correct the book may book. */
const CORRECTS: readonly ByHand[] = ['weighed', 'corrected']

/** What is typed, with what is known of a container of the shelf, held against what the book takes. */
const entryOf = (id: string, containers: readonly Stock[], units: Units) =>
  typedIn(units)
    .transform(({ stock, ...typed }): z.input<typeof LedgerDraft> => {
      const shelved = typed.kind === 'handed-in' ? undefined : containers.find((c) => c.id === stock)
      const net = typed.kind === 'weighed' && shelved ? typed.grams - shelved.tareG : typed.grams
      return {
        ...typed,
        id,
        grams: net,
        equipmentId: shelved?.id ?? null,
        ...(typed.kind === 'handed-in' && { container: RECOVERY }),
        ...(shelved && { container: shelved.name, refrigerant: shelved.refrigerant }),
      }
    })
    .pipe(LedgerDraft)

/** A line by hand: bought, weighed anew, handed in, used again, lost, corrected. */
export function BookByHand({ containers, mayCorrect }: { containers: readonly Stock[]; mayCorrect: boolean }) {
  const router = useRouter()
  // the same entry keeps its id until it is booked: sent twice it is booked once
  const [id, setId] = useState(newEventId)
  const units = useUnits()
  const form = useForm({ resolver: zodResolver(entryOf(id, containers, units)), defaultValues: BLANK })
  const { post, busy, said } = useSending(form, '/api/ledger')
  const done = useSaid()
  const { control } = form
  const [kind, stockId] = useWatch({ control, name: ['kind', 'stock'] })
  const stock = containers.find((c) => c.id === stockId)
  const book = form.handleSubmit(async (entry) => {
    if (!(await post(entry))) return
    done(W.booked)
    setId(newEventId())
    form.reset(BLANK)
    router.refresh()
  })
  return (
    <form aria-label={W.bookByHand} className="mt-6 space-y-1" onSubmit={book} noValidate>
      <h2 className="text-row font-semibold">{W.bookByHand}</h2>
      <ChoiceField
        control={control}
        name="kind"
        label={W.what}
        options={BY_HAND.filter((k) => mayCorrect || !CORRECTS.includes(k)).map((k) => ({
          value: k,
          label: KINDS[k].label,
        }))}
      />
      {kind !== 'handed-in' && (
        <PickField
          control={control}
          name="stock"
          label={kind === 'reused' ? W.into : W.container}
          options={{
            '': kind === 'reused' ? W.pickOneOfTheShelf : W.oneNotOnTheShelf,
            ...Object.fromEntries(containers.map((c) => [c.id, c.name])),
          }}
        />
      )}
      {(kind === 'handed-in' || (!stock && kind !== 'reused')) && (
        <>
          {kind !== 'handed-in' && (
            <TextField control={control} name="container" label={W.itsName} placeholder={W.cylinder9ABoxOf} />
          )}
          <ChoiceField
            control={control}
            name="refrigerant"
            label={W.refrigerant}
            options={REFRIGERANTS.map((r) => ({ value: r, label: r }))}
          />
        </>
      )}
      <TextField
        control={control}
        name="grams"
        label={KINDS[kind].weight}
        hint={weighedHint(kind, stock)}
        below={(text) => massHint(text.replace(/^[-−]/, ''), units)}
      />
      <TextField control={control} name="why" label={KINDS[kind].why} placeholder={KINDS[kind].like} />
      <div className="flex items-center gap-3 pt-1">
        <button type="submit" className="plain-button text-small" disabled={busy}>
          {W.bookIt}
        </button>
        <Refused className="">{said}</Refused>
      </div>
      <p className="text-note text-ink-2">
        {W.isAKilogramLines(massWords(1000))}
        {(kind === 'reused' || kind === 'handed-in') && W.recoveryReuseAndHandingIn}
      </p>
    </form>
  )
}

function weighedHint(kind: ByHand, stock: Stock | undefined): string {
  if (kind !== 'weighed') return W.suchAs57Kg
  return stock ? W.withItsContainerGIs(Math.round(stock.tareG)) : W.whatIsInItWithout
}
