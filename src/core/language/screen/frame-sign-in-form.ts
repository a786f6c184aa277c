import { type P, spoken } from '../spoken'

export const W = spoken({
  signIn: 'Sign in',
  yourNameHere: 'your name here',
  yourPassword: 'your password',
  name2: 'Name',
  password: 'Password',
  withoutSigningIn: 'Without signing in:',
  theSums: 'the sums',
  checkARecord2: 'check a record',
  demoPlaceTapOneTo: 'Demo place: tap one to fill it in',
  yperosUpOwn: './yperos up --own',
  aShopOfYourOwn: (command: P) => `A shop of your own, with nothing simulated: ${command}`,
  belowHereANeedleSees: 'below here a needle sees nothing',
  waterBoils: 'water boils',
  dry: 'dry',
})
