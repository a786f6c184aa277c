import { spoken } from '../spoken'

export const W = spoken({
  atLeast2Characters: 'at least 2 characters',
  theNamePeopleReadIn: 'the name people read in the record',
  atLeast10Characters: 'at least 10 characters',
})
