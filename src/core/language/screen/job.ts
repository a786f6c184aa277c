import { spoken } from '../spoken'

export const W = spoken({
  nothingWasJudgedWithoutA: 'Nothing was judged without a line: the server does when this is sent.',
  theServerDoesNotAnswer: 'The server does not answer. Whether it was recorded shows when the line is back.',
  theLineIsAwayWhat: 'The line is away: what you did is sent as soon as it is back.',
})
