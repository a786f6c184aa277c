import { type P, spoken } from '../spoken'

export const W = spoken({
  theServerDoesNotAnswer: 'The server does not answer.',
  itDoesNotAnswer: 'it does not answer',
  theDatabaseIsAway: (words: P) => `The database is away: ${words}.`,
  inputTextareaSelectRoleDialog: 'input, textarea, select, [role="dialog"], [role="alertdialog"], [role="menu"]',
  job: (id: P) => `job ${id}`,
})
