'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { X } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useFieldArray, useForm } from 'react-hook-form'
import * as z from 'zod'
import { MOST_SIZES, OnSale } from '@/core/charge/buy'
import { W } from '@/core/language/screen/shop'
import type { Units } from '@/core/units/shown'
import { PickField, TextField } from '../form/bound'
import { Refused } from '../form/refused'
import { figure, mass } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'
import { useUnits } from '../units'
import { NOT_SAVED } from './edit-row'

const typedIn = (units: Units) =>
  z.object({
    sizes: z
      .array(z.object({ name: z.string(), kind: z.string(), netG: mass(units), price: figure }).pipe(OnSale))
      .max(MOST_SIZES),
  })

/**
 * Sizes of cans and cylinders this shop can buy, and what they cost here: what to buy for a car is worked out of
 * them.
 */
export function SizesOnSale({ onSale }: { onSale: readonly OnSale[] }) {
  const router = useRouter()
  const done = useSaid()
  const units = useUnits()
  const form = useForm({
    resolver: zodResolver(typedIn(units)),
    defaultValues: { sizes: onSale.map((s) => ({ ...s, netG: `${s.netG} g`, price: String(s.price) })) },
  })
  const { control } = form
  const sizes = useFieldArray({ control, name: 'sizes' })
  const { post, busy, said, say } = useSending(form, '/api/shop')
  const save = form.handleSubmit(
    async (typed) => {
      if (!(await post({ what: 'on-sale', sizes: typed.sizes }))) return
      done(W.saved)
      router.refresh()
    },
    () => say(NOT_SAVED),
  )
  return (
    <section>
      <h1 className="mb-2 border-b-2 border-ink pb-2 text-title font-semibold">{W.sizesOnSale}</h1>
      <p className="max-w-[760px] text-body">{W.whatCanBeBoughtHere}</p>
      <form aria-label={W.sizesOnSale} className="mt-2 max-w-[760px]" onSubmit={save} noValidate>
        {sizes.fields.map((field, i) => (
          <div
            key={field.id}
            className="grid grid-cols-[1fr_130px_130px_110px_44px] items-start gap-x-3 max-sm:grid-cols-2"
          >
            <TextField control={control} name={`sizes.${i}.name`} label={W.name2} placeholder={W.canOf340G} />
            <PickField
              control={control}
              name={`sizes.${i}.kind`}
              label={W.kind}
              options={{ can: 'can', cylinder: 'cylinder' }}
            />
            <TextField control={control} name={`sizes.${i}.netG`} label={W.net} />
            <TextField control={control} name={`sizes.${i}.price`} label={W.price} inputMode="decimal" />
            <button
              type="button"
              aria-label={W.leaveItOut}
              className="mt-7 grid size-11 place-items-center"
              onClick={() => sizes.remove(i)}
            >
              <X size={20} />
            </button>
          </div>
        ))}
        <div className="mt-2 flex flex-wrap items-center gap-2.5">
          {sizes.fields.length < MOST_SIZES && (
            <button
              type="button"
              className="plain-button"
              onClick={() => sizes.append({ name: '', kind: 'can', netG: '', price: '' })}
            >
              {W.anotherSize}
            </button>
          )}
          <button type="submit" className="plain-button" disabled={busy}>
            {W.keepTheList}
          </button>
          <Refused>{said}</Refused>
        </div>
      </form>
    </section>
  )
}
