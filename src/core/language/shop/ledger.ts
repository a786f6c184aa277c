import { spoken } from '../spoken'

export const W = spoken({
  aCorrectionSaysWhy: 'a correction says why',
  aDifferenceSaysWhyWhere: 'a difference says why; where nobody knows, that',
  theNumberOfTheReceipt: 'the number of the receipt',
  whoCleanedItOrThat: 'who cleaned it, or that it goes back into the car it came from: local rules decide',
  howItWasLost: 'how it was lost',
  whatPeopleCallIt: 'what people call it',
  whatWasBoughtWeighsSomething: 'what was bought weighs something',
  howMuchItWasMore: 'how much it was, more than nothing',
  whatIsInItBy: 'what is in it by the scale, empty weight taken off',
  theContainerOfTheShelf: 'the container of the shelf it went into',
})
