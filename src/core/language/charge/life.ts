import { type P, spoken } from '../spoken'

export const W = spoken({
  manyYears: 'many years',
  lessThanADay: 'less than a day',
  days: (days: P) => `${days} days`,
  months: (days: P) => `${days} months`,
  years: (days: P) => `${days} years`,
})
