import { spoken } from '../spoken'

export const W = spoken({
  calendar: 'Calendar',
  whenToComeBackWhich:
    'When to come back, which cars come, and what was promised, in the calendar of your phone or desk. Whoever ' +
    'has the address reads it without signing in: it is told once, and can be withdrawn.',
  subscribeToThisAddress: 'Subscribe to this address',
  makeAnotherAddress: 'Make another address',
  makeAnAddress: 'Make an address',
  withdrawIt: 'Withdraw it',
  anAddressWasMadeIt: 'An address was made; it is not shown again.',
})
