import { type P, spoken } from '../spoken'

export const W = spoken({
  tightButThisProcedureAsks: (limit: P) =>
    `Tight, but this procedure asks for ${limit} g a year, and so much is not ruled out yet.`,
  byThisProcedureItsRule: (words: P, says: P) => `By this procedure its rule decides: ${words}, ${says}.`,
  theJudgeSaysOtherwiseThe: (judge: P) => `The judge says otherwise: ${judge} The record keeps both.`,
  byThisProcedureAPersons: (foundsentences: P) =>
    `By this procedure a person’s word decides. The judge says: ${foundsentences}`,
  itPasses: 'it passes',
  itFails: 'it fails',
  itHadNotHeldLong: 'it had not held long enough',
})
