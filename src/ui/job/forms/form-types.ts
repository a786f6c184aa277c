import type { Deed, Live } from '@/core/call/types'
import type { JobState } from '@/core/job/state'
import type { Units } from '@/core/units/shown'
import type { Entry } from '../../form/entries'
import type { UserView } from '../../frame/who'

export type Values = Record<string, string>
export type Errors = Record<string, string>
/** `asks`: entries that are unlikely, questioned once beside their field and then kept. */
export type Parsed = { deeds: Deed[]; asks?: Errors } | { errors: Errors }

/** A form of a step: what stands in its fields before anybody types, and what its entries become. Pure. */
export type FormDefinition = {
  initial: (state: JobState, live: Live, user: UserView) => Values
  /** @param by - the units whoever types thinks in, and what is live */
  parse: (values: Values, state: JobState, by: { units: Units; live?: Live }) => Parsed
}

/** Collects entries; `value` of each is usable only while `errors` is empty. */
export class Collector {
  readonly errors: Errors = {}

  take<T>(field: string, entry: Entry<T>, instead: T): T {
    if ('value' in entry) return entry.value
    this.errors[field] = entry.error
    return instead
  }

  result(deeds: () => Deed[]): Parsed {
    return Object.keys(this.errors).length > 0 ? { errors: this.errors } : { deeds: deeds() }
  }
}
