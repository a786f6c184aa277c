import type { OPENED, RENEWED } from '../job/events'
import { W } from '../language/said/renewed'

export const RENEWED_WORDS: Record<(typeof RENEWED)[number], string> = {
  'core-small': W.valveCoreSmall,
  'core-large': W.valveCoreLarge,
  caps: W.cap,
  drier: W.drierOrAccumulator,
  seals: W.seal,
  compressor: W.compressor,
  condenser: W.condenser,
  evaporator: W.evaporator,
  hose: W.hose,
}

export const OPENED_WORDS: Record<(typeof OPENED)[number], string> = {
  nothing: W.nothing,
  'cap-or-core': W.capOrCoreMinutes,
  component: W.aPartWithinHours,
  overnight: W.openOvernight,
  days: W.openForDaysOrHumid,
}
