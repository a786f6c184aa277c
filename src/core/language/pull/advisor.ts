import { spoken } from '../spoken'

export const W = spoken({
  aNeedleSeesNothingOf:
    'A needle sees nothing of the last two thousandths of the air: the clock and the hold must tell.',
  theGaugeIsOverIts: 'The gauge is over its range still: until it reads, there is nothing to tell.',
})
