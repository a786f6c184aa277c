import { spoken } from '../spoken'

export const W = spoken({
  labelUnderTheHood: 'label under the hood',
  oilStain: 'oil stain',
  somethingElse: 'something else',
  dial: 'dial',
})
