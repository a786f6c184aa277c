'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { type ReactNode, useEffect, useState } from 'react'
import { type Control, useController, useForm, useWatch } from 'react-hook-form'
import { W } from '@/core/language/screen/set-up'
import { CART_KINDS, CART_PARTS, type CartPart, type ShopSetUp } from '@/core/shop/set-up'
import { ChoiceField, TextField } from '../form/bound'
import { celsiusHint } from '../form/entries'
import { MainButton } from '../form/main-button'
import { Pick } from '../form/pick'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'
import { AirFields } from './air-fields'
import { airBelow, FIRST_VALUES, fieldOf, type SetUpValues, setUpForm, UNIT_SETS } from './values'

type SetUpControl = Control<SetUpValues, unknown, ShopSetUp>

/** Opens a shop of one's own: where it stands, who leads it, what hangs on the cart. Nothing in it is simulated. */
export function SetUp() {
  const form = useForm({ resolver: zodResolver(setUpForm), defaultValues: FIRST_VALUES })
  const { post, busy, said, say } = useSending(form, '/api/setup', fieldOf)
  const [asked, setAsked] = useState<string>()
  useEffect(() => {
    if (form.getValues('timeZone') === '') form.setValue('timeZone', Intl.DateTimeFormat().resolvedOptions().timeZone)
  }, [form])
  const submit = form.handleSubmit(
    async (shop) => {
      const { warning } = airBelow(form.getValues())
      if (warning && asked !== warning) {
        setAsked(warning)
        say(W.lookOnceMoreAtThe)
        return
      }
      if (await post(shop)) window.location.assign('/board')
    },
    (errors) => say(Object.keys(errors).length === 1 ? W.oneEntryIsMissingOr : W.someEntriesAreMissingOr),
  )
  return (
    <form onSubmit={submit} noValidate className="grid min-h-dvh grid-cols-[minmax(0,1fr)_344px] max-lg:grid-cols-1">
      <main className="space-y-6 px-5 pt-6 pb-8 max-sm:px-4">
        <header>
          <p className="text-small font-semibold">Yperos</p>
          <h1 className="text-call font-semibold leading-tight">{W.openYourShop}</h1>
          <p className="text-body text-ink-2">{W.threeMinutesWhateverYouLeave}</p>
        </header>
        <Place control={form.control} />
        <Lead control={form.control} />
        <Cart control={form.control} />
      </main>
      <aside className="border-l border-rule bg-sheet max-lg:border-l-0">
        <div className="sticky top-0 flex flex-col gap-4 px-5 py-6 max-sm:px-4">
          <Assumed control={form.control} />
          <Refused className="min-h-6 text-small">{said}</Refused>
          <MainButton type="submit" disabled={busy}>
            {W.openTheShop}
          </MainButton>
          <p className="text-note text-ink-2">{W.nothingIsSimulatedHereWhat}</p>
        </div>
      </aside>
    </form>
  )
}

function Block({ title, why, children }: { title: string; why: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="border-t-2 border-ink pt-2">
      <h2 className="text-head font-semibold">{title}</h2>
      <p className="mb-3 text-small text-ink-2">{why}</p>
      {children}
    </section>
  )
}

function Place({ control }: { control: SetUpControl }) {
  const units = useWatch({ control, name: 'units' })
  return (
    <Block title={W.whereItStands} why={W.theAirHereDecidesHow}>
      <div className="grid grid-cols-2 gap-x-5 gap-y-3 max-sm:grid-cols-1">
        <TextField control={control} name="name" label={W.nameOfTheShop} placeholder={W.quay9Workshop} />
        <TextField
          control={control}
          name="ambient"
          label={W.airTemperatureNow}
          below={(t) => ({ hint: celsiusHint(t, UNIT_SETS[units]) })}
        />
        <AirFields
          control={control}
          ways={['altitude', 'barometer', 'sea-level']}
          className="col-span-2 max-sm:col-span-1"
        />
        <TextField control={control} name="timeZone" label={W.timeZoneFromThisBrowser} />
        <div className="col-span-2 max-sm:col-span-1">
          <ChoiceField
            control={control}
            name="units"
            label={W.whatPeopleHereThinkIn}
            options={[
              { value: 'metric', label: W.micronKpaCGrams },
              { value: 'bars', label: W.mbarBarCGrams },
              { value: 'inches', label: W.micronPsiFOunces },
            ]}
          />
        </div>
      </div>
    </Block>
  )
}

function Lead({ control }: { control: SetUpControl }) {
  return (
    <Block title={W.you} why={W.theFirstPersonLeadsThe}>
      <div className="grid grid-cols-2 gap-x-5 gap-y-3 max-sm:grid-cols-1">
        <TextField control={control} name="person" label={W.yourNameAsRecordsSay} autoComplete="name" />
        <TextField control={control} name="signIn" label={W.nameToSignInBy} autoComplete="username" />
        <TextField
          control={control}
          name="password"
          label={W.password}
          type="password"
          hint={W.atLeast10Characters}
          autoComplete="new-password"
        />
        <TextField control={control} name="certificate" label={W.certificateNumberWhereTheLaw} hint={W.mayStayEmpty} />
      </div>
    </Block>
  )
}

const PART_WORDS: Record<CartPart, string> = {
  gauge: W.gauge,
  hoses: W.hoses,
  cores: W.valveCores,
  ports: W.couplers,
  pump: W.pump,
  scale: W.scale,
}

/** The line as it hangs together, each thing picked from its kinds. */
function Cart({ control }: { control: SetUpControl }) {
  return (
    <Block title={W.whatHangsOnTheCart} why={W.hosesAndGaugeDecideHow}>
      <ol className="flex flex-wrap items-stretch gap-y-3 max-md:flex-col">
        {CART_PARTS.map((part, i) => (
          <li key={part} className="flex min-w-[30%] flex-1 items-stretch max-md:flex-col">
            {i > 0 && (
              <span
                aria-hidden="true"
                className={
                  `self-center max-md:h-3 max-md:border-l-[7px] ` +
                  `${part === 'scale' ? 'w-4 border-transparent' : 'w-4 border-t-[7px] border-ink'} max-md:w-0 ` +
                  `max-md:border-t-0`
                }
              />
            )}
            <CartThing control={control} part={part} />
          </li>
        ))}
      </ol>
    </Block>
  )
}

function CartThing({ control, part }: { control: SetUpControl; part: CartPart }) {
  const kinds = kindsOf(part)
  const { field } = useController({ control, name: part })
  return (
    <div className="min-w-0 flex-1 rounded border border-ink bg-sheet p-2.5">
      <Pick
        label={PART_WORDS[part]}
        value={field.value}
        options={Object.fromEntries(Object.entries(kinds).map(([key, { words }]) => [key, words]))}
        onPick={field.onChange}
      />
      <p className="mt-1.5 text-note leading-tight text-ink-2">{kinds[field.value]?.figure}</p>
    </div>
  )
}

const kindsOf = (part: CartPart) => CART_KINDS[part] as Record<string, { words: string; figure: string }>

/** What stands in for what nobody knows. */
function Assumed({ control }: { control: SetUpControl }) {
  const picked = useWatch({ control, name: CART_PARTS })
  const assumed = CART_PARTS.filter((_part, i) => picked[i] === 'unknown')
  return (
    <section aria-label={W.assumed} className="text-small">
      <h2 className="text-head font-semibold">{assumed.length > 0 ? W.assumedUntilYouKnow : W.nothingIsAssumed}</h2>
      <ul className="mt-1">
        {assumed.map((part) => (
          <li key={part} className="border-t border-rule py-1.5">
            <b className="font-semibold">{PART_WORDS[part]}</b> {kindsOf(part).unknown?.figure}
          </li>
        ))}
      </ul>
      {assumed.length > 0 && <p className="mt-1 text-ink-2">{W.theRigRoomTakesThe}</p>}
    </section>
  )
}
