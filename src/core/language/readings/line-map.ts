import { type P, spoken } from '../spoken'

export const W = spoken({
  isNoRegularExpression: 'is no regular expression',
  mustNotBeNothing: 'must not be nothing',
  doesNotMatch: (source: P) => `${source} does not match`,
  matchesButHasNoGroup: (source: P, group: P) => `${source} matches, but has no group ${group}`,
  groupOfIsNoNumber: (group: P, source: P, text: P) => `group ${group} of ${source} is "${text}", no number`,
})
