import { spoken } from '../spoken'

export const W = spoken({
  lookForOilAndDye: 'Look for oil and dye, with a light',
  missesWhatSitsInsideThe:
    'Misses what sits inside the car, small leaks that carried no oil, and takes old oil for new.',
  holdWithTheCouplersOff: 'Hold with the couplers off',
  tellsOfTheTwoCores: 'Tells of the two cores and of our own couplers only.',
  holdTheHosesAlone: 'Hold the hoses alone',
  tellsOfTheHosesOnly:
    'Tells of the hoses only. Low and high side of a car cannot be held apart: the expansion device joins them.',
  pressureTestWithDryNitrogen: 'Pressure test with dry nitrogen',
  saysThatItLeaksNot:
    'Says that it leaks, not where: soap and ear do that while it is in. A turning shaft seal may be tight at rest.',
  soapOnOnePlace: 'Soap on one place',
  missesWhatABrushDoes: 'Misses what a brush does not reach, and leaks below a bubble a minute.',
  snifferAfterAPartCharge: 'Sniffer, after a part charge',
  windCarriesItOffIt: 'Wind carries it off; it is recovered again before anything is opened.',
  chargeItWeighItAfter: 'Charge it, weigh it after weeks',
  saysOnlyThatItLeaks: 'Says only that it leaks, and how much: never where.',
})
