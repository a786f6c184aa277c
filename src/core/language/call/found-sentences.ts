import { spoken } from '../spoken'

export const W = spoken({
  tight: 'Tight.',
  damp: 'Damp.',
  itLeaks: 'It leaks.',
  itLeaksAndItIs: 'It leaks, and it is damp.',
  undecided: 'Undecided.',
  cannotBeJudged: 'Cannot be judged.',
})
