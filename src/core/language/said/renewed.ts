import { spoken } from '../spoken'

export const W = spoken({
  valveCoreSmall: 'Valve core, small',
  valveCoreLarge: 'Valve core, large',
  cap: 'Cap',
  drierOrAccumulator: 'Drier or accumulator',
  seal: 'Seal',
  compressor: 'Compressor',
  condenser: 'Condenser',
  evaporator: 'Evaporator',
  hose: 'Hose',
  capOrCoreMinutes: 'cap or core, minutes',
  aPartWithinHours: 'a part, within hours',
  openOvernight: 'open overnight',
  openForDaysOrHumid: 'open for days, or humid',
  nothing: 'nothing',
})
