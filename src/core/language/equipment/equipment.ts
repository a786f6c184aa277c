import { spoken } from '../spoken'

export const W = spoken({
  aNamePeopleUse: 'a name people use',
  aContainerCannotWeighLess: 'a container cannot weigh less than when it is empty',
  threeReadingsAtLeast: 'three readings at least',
  fourReadingsAtLeast: 'four readings at least',
})
