import { type P, spoken } from '../spoken'

export const W = spoken({
  thePasswordYouHaveNow: 'the password you have now',
  aNewPasswordWhereverElse: 'A new password. Wherever else you were signed in you are no more.',
  ownPassword: 'Own password',
  passwordNow: 'Password now',
  newPassword: 'New password',
  atLeast10CharactersA: 'at least 10 characters; a sentence is easier to keep',
  changeIt: 'Change it',
  signsInAs2: (p1: P) => `signs in as ${p1}`,
})
