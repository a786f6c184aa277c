import { W } from '@/core/language/screen/form-entries'
import { fromPascal } from '@/core/units/pressure'

/** Air that was entered, in other figures: what a needle shows at its stop there. @param barometerPa - Pa absolute */
export const airWords = (barometerPa: number): string =>
  W.airNeedleCanRead((barometerPa / 1000).toFixed(1), fromPascal(barometerPa, 'inHg').toFixed(1))
