import { spoken } from '../spoken'

export const W = spoken({
  byModel: 'By model',
  noModelTold: 'no model told',
  byWhatHadBeenRenewed: 'By what had been renewed before',
  byTheSeasonItCame: 'By the season it came in',
})
