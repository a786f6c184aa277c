'use client'

import { createContext, type ReactNode, useContext, useEffect, useState } from 'react'
import type { Call, FormName, Live } from '@/core/call/types'
import type { JobState } from '@/core/job/state'
import type { UserView } from '../frame/who'
import { FORMS } from './forms/definitions'
import type { Errors, Values } from './forms/form-types'
import type { Deeds } from './use-deeds'

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
  values: Values
  errors: Errors
  /** unlikely entries that were asked about; sent again unchanged they are kept */
  asked: Errors
  change: (field: string, value: string) => void
  submit: (form: FormName, deeds: Deeds) => Promise<void>
}

const FormsContext = createContext<FormsValue | null>(null)

export function useForms(): FormsValue {
  const value = useContext(FormsContext)
  if (!value) throw new Error('useForms belongs inside FormsProvider')
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

/** Holds what is typed into the form the call names; fields nobody touched follow the instruments. */
export function FormsProvider({ stock, state, live, call, user, children }: Props) {
  const [touched, setTouched] = useState<Values>({})
  const [errors, setErrors] = useState<Errors>({})
  const [asked, setAsked] = useState<Errors>({})
  const form = call.form
  const stage = `${form ?? ''} ${state.containers.length} ${state.zero?.at ?? ''} ${state.proofs.length} ${state.plan?.containers.length ?? 0}`
  // biome-ignore lint/correctness/useExhaustiveDependencies: another form, or the same at another stage, begins empty
  useEffect(() => {
    setTouched({})
    setErrors({})
    setAsked({})
  }, [stage])
  const values = form ? { ...FORMS[form].initial(state, live, user), ...touched } : {}
  const change = (field: string, value: string) => {
    setTouched((before) => ({ ...before, [field]: value }))
    setErrors(({ [field]: _mended, ...rest }) => rest)
    setAsked(({ [field]: _changed, ...rest }) => rest)
  }
  const submit = async (name: FormName, deeds: Deeds) => {
    const parsed = FORMS[name].parse(values, state, live)
    if ('errors' in parsed) {
      setErrors(parsed.errors)
      deeds.report('Something typed cannot be taken; the reason stands beside it.')
      return
    }
    const asks = parsed.asks ?? {}
    if (Object.entries(asks).some(([field, question]) => asked[field] !== question)) {
      setAsked(asks)
      deeds.report('Something typed is unlikely; look once more, and press again to keep it.')
      return
    }
    deeds.report(null)
    if (name === 'sign') await deeds.request('sign', { certificate: values.certificate ?? '' })
    else deeds.record(parsed.deeds)
  }
  return (
    <FormsContext.Provider value={{ stock, form, values, errors, asked, change, submit }}>
      {children}
    </FormsContext.Provider>
  )
}
