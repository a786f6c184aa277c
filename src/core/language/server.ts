import { type P, spoken } from './spoken'

export const W = spoken({
  isNotHere: (what: P) => `${what} is not here`,
  somethingFailedOnOurSide: 'Something failed on our side; nothing was half-written. Try again.',
  theDatabaseIsAwayNothing:
    'The database is away: nothing was recorded. It is tried again by itself; try once more in a moment.',
  theRequestIsLargerThan: 'the request is larger than 512 KiB: send fewer readings at a time',
  theRequestDidNotArrive: 'the request did not arrive within 30 s',
  theBodyIsNotUtf: 'the body is not UTF-8',
  aByteThatIsNo: 'a byte that is no character',
  sendJsonWithContentType: 'send JSON, with content-type: application/json',
  theBodyIsNotJson: 'the body is not JSON',
  thatNameIsTaken: 'That name is taken.',
  isTaken: 'is taken',
  theAddressHoldsA: 'the address holds a % that is no character',
  thisServerIsNotReached: (host: P) =>
    `this server is not reached as "${host}": name it in YPEROS_HOSTS if it should be`,
  aPageOfAnotherOrigin: 'a page of another origin may change nothing here',
  badInput: 'bad input',
})
