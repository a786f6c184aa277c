import { type P, spoken } from '../spoken'

export const W = spoken({
  youAreNotTheLead: 'You are not the lead any more: somebody changed it a moment ago.',
  somebodyMustKeepTheLead: 'Somebody must keep the lead: make another the lead first.',
  thisAccount: 'this account',
  noSuchAccount: 'no such account',
  tooManyWrongTriesTry: (seconds: P) => `Too many wrong tries. Try again in ${seconds} s.`,
  thisLinkWasUsedOr: 'This link was used or has run out: ask the lead for another.',
  byTheirLink: (p1: P) => `${p1}, by their link`,
  aTraineeRunsJobsA: 'A trainee runs jobs; a technician or the lead signs them.',
  theLeadOrATechnician: 'The lead, or a technician who signs, corrects the book.',
  theLeadOrATechnicianPlans: 'The lead or a technician plans the day; a trainee says when they are away.',
  onlyTheLeadEditsProcedures: 'Only the lead edits procedures, accounts and rigs.',
  signInFirst: 'Sign in first.',
  aTechnicianNodsATrainee: 'A technician nods; a trainee is nodded to.',
})
