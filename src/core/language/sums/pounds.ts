import { spoken } from '../spoken'

export const W = spoken({
  poundsOunces: 'Pounds, ounces',
  howManyGramsIsWhat: 'How many grams is what the label says?',
  weightAsTheLabelHas: 'Weight, as the label has it',
  n1Lb16Oz453: '1 lb = 16 oz = 453.59 g; 1.4 lb is 1 lb 6.4 oz, not 1 lb 4 oz',
  theInternationalPound: 'the international pound',
  poundsAndOunces: 'pounds and ounces',
  mind: 'Mind',
  soMuch: 'so much',
  grams: 'grams',
  ounces: 'ounces',
  kilograms: 'kilograms',
})
