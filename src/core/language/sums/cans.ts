import { type P, spoken } from '../spoken'

export const W = spoken({
  itGoesInAs: 'It goes in as',
  vapour: 'vapour',
  liquid: 'liquid',
  twoWeightsSuchAs474: (id: P) => `${id}: two weights, such as “474 g, net 340 g” or “9120 g, tare 3410 g”`,
  whatIsInItAnd: (id: P) => `${id}: what is in it and its empty weight are both less than its gross weight`,
  itShallGet: 'It shall get',
  cans: 'Cans',
  whatToBuyAndAt: 'What to buy, and at which weight is each container shut?',
  container: (i: P) => `Container ${i}`,
  grossThenNetOrTare: 'gross, then net or tare',
  chargingHose: 'Charging hose',
  eachPurge: 'Each purge',
  airAround: 'Air around',
  stopWeightGrossWhatIs:
    'stop weight = gross − what is taken; taken = what the car shall get + purge + what stays in the hose; a can ' +
    'keeps its volume times the vapour’s density',
  aCansVolumeIs1: 'a can’s volume is 1.18 mL per gram of net, the hose 4.8 mm wide (assumed)',
  moreThanSixCansA: 'more than six cans: a cylinder',
  shortBy: (mass: P) => `short by ${mass}`,
  shut: (stops: P) => `shut ${stops}`,
  noContainer: 'no container',
  shortBy2: (mass: P) => `; short by ${mass}`,
  ofFullOnesToBuy: (mass: P, fluidOf: P, p3: P, p4: P, toBuy: P) =>
    `${mass} of ${fluidOf}: ${p3}${p4}. Full ones to buy: ${toBuy}.`,
  shutAt: (id: P) => `Shut ${id} at`,
  emptyButForItsVapour: ', empty but for its vapour',
  inTheCar95Of: 'In the car, 95 of 100',
  staysInTheHose: 'Stays in the hose',
  fullOnesToBuy: 'Full ones to buy',
  mind: 'Mind',
  shutAt2: (mass: P) => `shut at ${mass}`,
  inTheCarAfter: (id: P) => `in the car after ${id}`,
  shallGet: 'shall get',
})
