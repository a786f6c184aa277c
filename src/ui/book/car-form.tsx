'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { CarFacts, checkDigitFits } from '@/core/book/car-facts'
import type { KnownCar } from '@/core/book/known-car'
import { type Below, PickField, TextField } from '../form/bound'
import { Fold } from '../form/fold'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'

const orNull = (least: number, most: number, what: string) =>
  z
    .string()
    .trim()
    .transform((text, issues) => {
      if (text === '') return null
      const value = Number(text.replace(',', '.').replace(/\s*[lL]$/, ''))
      if (value >= least && value <= most) return value
      issues.addIssue({ code: 'custom', message: `${what}, between ${least} and ${most}` })
      return z.NEVER
    })
const core = z.enum(['', 'small', 'large']).transform((v) => (v === '' ? null : v))

const Typed = z
  .object({
    name: z.string().trim().min(1, 'the name people use'),
    plate: z.string(),
    model: z.string(),
    vin: z.string(),
    owner: z.string(),
    evaporators: orNull(1, 4, 'a number'),
    measuredL: orNull(0.5, 20, 'litres'),
    coreLow: core,
    coreHigh: core,
    remark: z.string(),
  })
  .transform(({ name, plate, model, ...facts }, issues) => {
    const parsed = CarFacts.safeParse(facts)
    if (!parsed.success) {
      for (const { path, message } of parsed.error.issues) issues.addIssue({ code: 'custom', path, message })
      return z.NEVER
    }
    return { name, plate, model, facts: parsed.data }
  })

const CORES = { '': 'not looked at', small: 'small', large: 'large' }

/** A check digit that does not fit is a remark: only some regions use one. */
function vinBelow(text: string): Below {
  const vin = text.trim().toUpperCase()
  if (vin.length !== 17) return { hint: '17 characters' }
  return checkDigitFits(vin)
    ? { hint: 'its check digit fits' }
    : { hint: 'no check digit fits: look once more; many regions use none' }
}

/** What a car is besides its label: told once, there whenever it comes again. */
export function CarForm({ car }: { car: KnownCar }) {
  const router = useRouter()
  const { facts } = car
  const form = useForm({
    resolver: zodResolver(Typed),
    defaultValues: {
      name: car.name,
      plate: car.plate,
      model: car.model,
      vin: facts.vin,
      owner: facts.owner,
      evaporators: facts.evaporators === null ? '' : String(facts.evaporators),
      measuredL: facts.measuredL === null ? '' : String(facts.measuredL),
      coreLow: facts.coreLow ?? ('' as const),
      coreHigh: facts.coreHigh ?? ('' as const),
      remark: facts.remark,
    },
  })
  const { post, busy, said } = useSending(form, `/api/cars/${car.id}`)
  const done = useSaid()
  const { control } = form
  const keep = form.handleSubmit(async (told) => {
    if (!(await post(told))) return
    done('Kept.')
    router.refresh()
  })
  return (
    <Fold title="What it is" className="mt-4 border-t border-rule">
      <form onSubmit={keep} noValidate className="grid grid-cols-2 items-end gap-x-4 max-sm:grid-cols-1">
        <TextField control={control} name="name" label="Name people use" />
        <TextField control={control} name="plate" label="Plate" />
        <TextField control={control} name="model" label="Model" />
        <TextField control={control} name="vin" label="Identification number" below={vinBelow} />
        <TextField control={control} name="owner" label="Owner’s own number or name" />
        <TextField control={control} name="evaporators" label="Evaporators" placeholder="1 or 2" />
        <TextField control={control} name="measuredL" label="Free volume, if measured, L" />
        <div />
        <PickField control={control} name="coreLow" label="Core, low port" options={CORES} />
        <PickField control={control} name="coreHigh" label="Core, high port" options={CORES} />
        <div className="col-span-2 mt-2 max-sm:col-span-1">
          <TextField
            control={control}
            name="remark"
            label="For whoever opens the hood next"
            placeholder="rear core weeps"
          />
          <button type="submit" className="plain-button mt-1" disabled={busy}>
            Keep it
          </button>
          <Refused>{said}</Refused>
        </div>
      </form>
    </Fold>
  )
}
