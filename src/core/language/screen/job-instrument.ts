import { type P, spoken } from '../spoken'

export const W = spoken({
  endedBeforeItsLastStep: 'Ended before its last step',
  zeroCheck: 'Zero check',
  whereItLeaks: 'Where it leaks',
  whatWasOpenedAndRenewed: 'What was opened and renewed',
  grossOnTheScaleHose: 'Gross on the scale, hose on',
  grossNowContainerShut: 'Gross now, container shut',
  leaveTheCarAsIt: 'Leave the car as it should be',
  toWeighOut: (asked: P) => `${asked} to weigh out`,
  stillToWeighOut: (asked: P) => `${asked} still to weigh out`,
})
