import { type P, spoken } from '../spoken'

export const W = spoken({
  signIn: 'Sign in',
  atLeast10CharactersA: 'at least 10 characters; a sentence is easier to keep',
  password: 'Password',
  thisLinkIsNoMore: 'This link is no more.',
  itWasUsedOrHas: 'It was used, or has run out. Ask the lead of the shop for another.',
  chooseYourPasswordFromThen: (name: P) => `Choose your password. From then on you sign in as ${name}.`,
  thatIsMyPassword: 'That is my password',
  yperos2: (p1: P) => `Yperos, ${p1}`,
  welcome2: (p1: P) => `Welcome, ${p1}.`,
})
