import { spoken } from '../spoken'

export const W = spoken({
  theDatabaseDoesNotAnswer: 'the database does not answer',
})
