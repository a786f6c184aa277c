import { spoken } from '../spoken'

export const W = spoken({
  itLeaks: 'It leaks.',
  itIsDamp: 'It is damp.',
  itLeaksAndIsDamp: 'It leaks and is damp.',
  itIsDampForCertain: 'It is damp for certain.',
})
