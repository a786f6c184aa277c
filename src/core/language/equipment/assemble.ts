import { type P, spoken } from '../spoken'

export const W = spoken({
  thereIsNoSuchOn: (kind: P) => `there is no such ${kind} on the shelf`,
  isRetiredTakeAnother: (p1: P, kind: P) => `${p1} is retired: take another ${kind}`,
  isKeptForTheRecovery: (p1: P) => `${p1} is kept for the recovery machine: its oil and gas would come along`,
  theSameHoseCannotBe: 'the same hose cannot be in two places',
})
