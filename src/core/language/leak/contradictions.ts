import { type P, spoken } from '../spoken'

export const W = spoken({
  andCannotBothBeOf: (seenWords: P, seenWords2: P) =>
    `“${seenWords}” and “${seenWords2}” cannot both be of one leak: there may be two, or one was mistaken. Both ` +
    `are kept.`,
})
