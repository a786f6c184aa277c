'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { CarFacts, checkDigitFits } from '@/core/book/car-facts'
import type { KnownCar } from '@/core/book/known-car'
import { W } from '@/core/language/screen/book'
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
      issues.addIssue({ code: 'custom', message: W.betweenAnd(what, least, most) })
      return z.NEVER
    })
const core = z.enum(['', 'small', 'large']).transform((v) => (v === '' ? null : v))

const Typed = z
  .object({
    name: z.string().trim().min(1, W.theNamePeopleUse),
    plate: z.string(),
    model: z.string(),
    vin: z.string(),
    owner: z.string(),
    evaporators: orNull(1, 4, W.aNumber),
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

const CORES = { '': W.notLookedAt, small: W.small, large: W.large }

/** A check digit that does not fit is a remark: only some regions use one. */
function vinBelow(text: string): Below {
  const vin = text.trim().toUpperCase()
  if (vin.length !== 17) return { hint: W.n17Characters }
  return checkDigitFits(vin) ? { hint: W.itsCheckDigitFits } : { hint: W.noCheckDigitFitsLook }
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
    done(W.kept)
    router.refresh()
  })
  return (
    <Fold title={W.whatItIs} className="mt-4 border-t border-rule">
      <form onSubmit={keep} noValidate className="grid grid-cols-2 items-end gap-x-4 max-sm:grid-cols-1">
        <TextField control={control} name="name" label={W.namePeopleUse} />
        <TextField control={control} name="plate" label={W.plate} />
        <TextField control={control} name="model" label={W.model} />
        <TextField control={control} name="vin" label={W.identificationNumber} below={vinBelow} />
        <TextField control={control} name="owner" label={W.ownersOwnNumberOrName} />
        <TextField control={control} name="evaporators" label={W.evaporators} placeholder={W.n1Or2} />
        <TextField control={control} name="measuredL" label={W.freeVolumeIfMeasuredL} />
        <div />
        <PickField control={control} name="coreLow" label={W.coreLowPort} options={CORES} />
        <PickField control={control} name="coreHigh" label={W.coreHighPort} options={CORES} />
        <div className="col-span-2 mt-2 max-sm:col-span-1">
          <TextField control={control} name="remark" label={W.forWhoeverOpensTheHood} placeholder={W.rearCoreWeeps} />
          <button type="submit" className="plain-button mt-1" disabled={busy}>
            {W.keepIt}
          </button>
          <Refused>{said}</Refused>
        </div>
      </form>
    </Fold>
  )
}
