import { type P, spoken } from '../spoken'

export const W = spoken({
  doesNotFollowTheEvent: 'does not follow the event before it: one was dropped, added or moved',
  wasChangedAfterItWas: 'was changed after it was stored',
  saysThereAreEvents: (eventcount: P, p2: P) => `says ${eventcount}, there are ${p2} events`,
  isNotTheHashOf: 'is not the hash of the last event: the end is missing',
  isNoSoundEd25519Key: 'is no sound Ed25519 key: a signature by it proves nothing',
  doesNotCoverThisRecord: 'does not cover this record',
  isNotTheKeyOf: 'is not the key of this shop',
  isNotTheOneThat: 'is not the one that was signed',
  saysTheReadingsFileHas: (count: P, rows: P) => `says ${count}, the readings file has ${rows} rows`,
})
