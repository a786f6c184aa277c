import { type P, spoken } from '../spoken'

export const W = spoken({
  onlyThis: 'only this',
  andMore: (p1: P) => `and ${p1} more`,
  soundOn: 'Sound on',
  soundOff: 'Sound off',
  seen: 'Seen ',
  in2: 'In ',
  usealarmsBelongsInsideAlarmsprovider: 'useAlarms belongs inside AlarmsProvider',
  notAnswered: (open: P) => `, ${open} not answered`,
  whatRang: (p1: P, p2: P) => `What rang: ${p1}${p2}`,
  whatRang2: 'What rang',
  nobodyAnswered: 'nobody answered',
  putOffUntil: (clock: P) => `put off until ${clock}`,
  byWord: (put: P, p2: P, clock: P) => `${put} by ${p2}, ${clock}`,
  seen2: 'seen',
  hasNotAnswered2: (p1: P) => `${p1} has not answered`,
  min2: (p1: P) => `${p1} min `,
})
