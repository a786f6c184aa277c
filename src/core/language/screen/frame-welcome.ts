import { spoken } from '../spoken'

export const W = spoken({
  signIn: 'Sign in',
  atLeast10CharactersA: 'at least 10 characters; a sentence is easier to keep',
  password: 'Password',
  yperos: 'Yperos, ',
  thisLinkIsNoMore: 'This link is no more.',
  itWasUsedOrHas: 'It was used, or has run out. Ask the lead of the shop for another.',
  welcome: 'Welcome, ',
  chooseYourPasswordFromThen: 'Choose your password. From then on you sign in as ',
  thatIsMyPassword: 'That is my password',
})
