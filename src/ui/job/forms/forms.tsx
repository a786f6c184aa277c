'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { createContext, type ReactNode, useContext, useEffect, useRef, useState } from 'react'
import { type Control, type UseFormReturn, useForm, useFormState, useWatch } from 'react-hook-form'
import * as z from 'zod'
import { type Call, type FormName, type Live, sayOf } from '@/core/call/types'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-forms'
import { tellFaults } from '../../form/schemas'
import type { UserView } from '../../frame/who'
import type { Deeds } from '../use-deeds'
import { FORMS } from './definitions'
import type { Errors, Parsed, Values } from './form-types'

/** A container on the shelf that may be charged from. */
export type StockContainer = {
  id: string
  name: string
  kind: 'can' | 'cylinder'
  refrigerant: string
  grossG: number
  tareG: number
}

type FormsValue = {
  stock: readonly StockContainer[]
  form: FormName | undefined
  control: Control<Values, unknown, Read>
  values: Values
  errors: Errors
  /** unlikely entries that were asked about; sent again unchanged they are kept */
  asked: Errors
  change: (field: string, value: string) => void
  submit: (form: FormName, deeds: Deeds) => Promise<void>
}

/** What the entries of a form became. */
type Read = Exclude<Parsed, { errors: Errors }>

const FormsContext = createContext<FormsValue | null>(null)

export function useForms(): FormsValue {
  const value = useContext(FormsContext)
  if (!value) throw new Error(W.useformsBelongsInsideFormsprovider)
  return value
}

type Props = {
  stock: readonly StockContainer[]
  state: JobState
  live: Live
  call: Call
  user: UserView
  children: ReactNode
}

/**
 * Holds what is typed into the form the call names, in one form for the page; fields nobody touched follow the
 * instruments.
 */
export function FormsProvider({ stock, state, live, call, user, children }: Props) {
  const [asked, setAsked] = useState<Errors>({})
  const name = call.form
  const stage =
    `${name ?? ''} ${state.containers.length} ${state.zero?.at ?? ''} ${state.proofs.length} ` +
    `${state.plan?.containers.length ?? 0}`
  const followed = name ? FORMS[name].initial(state, live, user) : {}
  const now = useRef({ state, live, name })
  now.current = { state, live, name }
  const [schema] = useState(() =>
    z.custom<Values>().transform((values, context): Read => {
      const { name: asking, ...rest } = now.current
      if (!asking) return { deeds: [] }
      const parsed = FORMS[asking].parse(values, rest.state, { units: sayOf(rest.live).units, live: rest.live })
      return 'errors' in parsed ? tellFaults(context, parsed.errors) : parsed
    }),
  )
  const form = useForm<Values, unknown, Read>({ resolver: zodResolver(schema), defaultValues: followed })
  const { control } = form
  useFollowing(form, followed, stage)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another form, or the same at another stage, asks anew
  useEffect(() => setAsked({}), [stage])
  const values = useWatch({ control }) as Values
  const { errors, isSubmitted } = useFormState({ control })
  const change = (field: string, value: string) => {
    form.setValue(field, value, { shouldDirty: true, shouldValidate: isSubmitted })
    setAsked(({ [field]: _changed, ...rest }) => rest)
  }
  const submit = async (sending: FormName, deeds: Deeds) => {
    await form.handleSubmit(
      async ({ deeds: found, asks = {} }) => {
        if (Object.entries(asks).some(([field, question]) => asked[field] !== question)) {
          setAsked(asks)
          deeds.report(W.somethingTypedIsUnlikelyLook)
          return
        }
        deeds.report(null)
        if (sending === 'sign') await deeds.sign(form.getValues('certificate') ?? '')
        else deeds.record(found)
      },
      () => deeds.report(W.somethingTypedCannotBeTaken),
    )()
  }
  const messages = Object.fromEntries(
    Object.entries(errors).flatMap(([field, error]) => (error?.message ? [[field, error.message]] : [])),
  )
  return (
    <FormsContext.Provider
      value={{
        stock,
        form: name,
        control,
        values: { ...followed, ...values },
        errors: messages,
        asked,
        change,
        submit,
      }}
    >
      {children}
    </FormsContext.Provider>
  )
}

/** Whether the cursor stands in an entry that shows this. */
const isFocused = (shown: string): boolean =>
  document.activeElement instanceof HTMLInputElement && document.activeElement.value === shown

/** Begins anew with another form or stage; meanwhile what nobody typed into follows what the instruments say. */
function useFollowing(form: UseFormReturn<Values, unknown, Read>, followed: Values, stage: string): void {
  const before = useRef(followed)
  // biome-ignore lint/correctness/useExhaustiveDependencies: only another stage empties what was typed
  useEffect(() => {
    before.current = followed
    form.reset(followed)
  }, [stage])
  useEffect(() => {
    const now = { ...followed }
    for (const [field, value] of Object.entries(followed)) {
      const last = before.current[field]
      if (value === last || form.getValues(field) !== last) continue
      // a figure is not changed under the hand that is about to type over it; it follows again when the hand leaves
      if (last !== undefined && isFocused(last)) now[field] = last
      else form.resetField(field, { defaultValue: value })
    }
    before.current = now
  })
}
