import { spoken } from '../spoken'

export const W = spoken({
  takesCarsIn: 'takes cars in',
  aTechnicianTakesCarsIn: 'A technician takes cars in here.',
  hangsInstrumentsOn: 'hangs instruments on',
  aTechnicianHangsInstrumentsOn: 'A technician hangs instruments on here.',
  chargesWithoutATechniciansNod: 'charges without a technician’s nod',
  aTechnicianNodsToThe: 'A technician nods to the plan before a trainee charges.',
  skipsAHoldOrEnds: 'skips a hold or ends it early',
  aTechnicianSkipsAHold: 'A technician skips a hold, or ends it before its time.',
  booksInTheLedgerBy: 'books in the ledger by hand',
  aTraineeBooksNothingBy: 'A trainee books nothing by hand: a technician does.',
  correctsWhatOthersEntered: 'corrects what others entered',
  aTraineeCorrectsOnlyWhat: 'A trainee corrects only what they entered themselves.',
})
