import { spoken } from '../spoken'

export const W = spoken({
  theServerDoesNotAnswer: 'The server does not answer. Whether it was recorded is not known; try again.',
})
