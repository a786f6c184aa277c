import type { OPENED, RENEWED } from '../job/events'

export const RENEWED_WORDS: Record<(typeof RENEWED)[number], string> = {
  'core-small': 'Valve core, small',
  'core-large': 'Valve core, large',
  caps: 'Cap',
  drier: 'Drier or accumulator',
  seals: 'Seal',
  compressor: 'Compressor',
  condenser: 'Condenser',
  evaporator: 'Evaporator',
  hose: 'Hose',
}

export const OPENED_WORDS: Record<(typeof OPENED)[number], string> = {
  nothing: 'nothing',
  'cap-or-core': 'cap or core, minutes',
  component: 'a part, within hours',
  overnight: 'open overnight',
  days: 'open for days, or humid',
}
