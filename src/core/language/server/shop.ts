import { type P, spoken } from '../spoken'

export const W = spoken({
  aNamePeopleHereUse: 'a name people here use',
  askedFor: 'asked for',
  mayBeLeftOut: 'may be left out',
  certificateBackupEveryDaysThe: (p1: P, backupDays: P, leadAfterMin: P) =>
    `certificate ${p1}, backup every ${backupDays} days, the lead after ${leadAfterMin} min`,
  thisPlace: 'this place',
  aShopIsOpenHere: 'A shop is open here already: sign in.',
  lead: (p1: P) => `${p1}, lead`,
  accountMade: 'account made',
  accountChanged: 'account changed',
  accountClosed: 'account closed',
  linkMadeToChooseA: 'link made to choose a password',
  passwordChosen: 'password chosen',
  rightsOfTraineesSet: 'rights of trainees set',
  rulesSet: 'rules set',
  tokenOfAnInstrumentMade: 'token of an instrument made',
  instrumentWithdrawnItsTokenWith: 'instrument withdrawn, its token with it',
  backedUp: 'backed up',
  restoredFromABackup: 'restored from a backup',
  signingKeyMade: 'signing key made',
  fileOfAFormerLife: 'file of a former life taken out of the book',
  ownRecordBroughtBack: 'own record brought back',
  noShopIsSetUp: 'no shop is set up in this database: start with ./yperos up',
  thisShop: 'this shop',
})
