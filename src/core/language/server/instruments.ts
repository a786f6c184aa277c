import { type P, spoken } from '../spoken'

export const W = spoken({
  thisJob: 'this job',
  thisInstrument: 'this instrument',
  butOn: (car: P) => `, but on ${car}`,
  doesNotHangOnThis: (p1: P, p2: P) => `${p1} does not hang on this car${p2}.`,
  wasWithdrawnTheLeadGives: (p1: P) => `${p1} was withdrawn: the lead gives it a new token first.`,
  hangsOnThisCarAlready: (p1: P) => `${p1} hangs on this car already.`,
  hangsOnTakeItOff: (p1: P, car: P) => `${p1} hangs on ${car}: take it off there, or move it here.`,
  thereIsAnInstrumentCalled: (p1: P) => `There is an instrument called ${p1} already.`,
  isTakenTwoOfOne: 'is taken: two of one name cannot be told apart in the log',
})
