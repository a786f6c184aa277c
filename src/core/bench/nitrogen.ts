import { kelvin } from '../units/temperature'

/** Gas that was let in through a regulator is colder than the car for a while, K and s (assumed). */
const LET_IN_COLDER_K = 6
const SETTLES_S = 240
/** The hall cools or warms through the day: a slow swing, K and s (assumed). */
const HALL_SWING_K = 1.5
const HALL_PERIOD_S = 6 * 3600

/** Dry nitrogen in the simulated car: it takes the car's warmth, and leaves by every leak that is open. */
export class BenchNitrogen {
  private readonly car: { volumeL: number; ambientC: number; barometerPa: number }
  /** pressure it would have at the hall's first temperature, Pa */
  private atStartPa: number
  private s = 0

  constructor(car: BenchNitrogen['car'], paG: number) {
    this.car = car
    this.atStartPa = (paG + car.barometerPa) * (kelvin(car.ambientC) / kelvin(this.celsiusAt(0)))
  }

  private celsiusAt(s: number): number {
    const hall = HALL_SWING_K * Math.sin((2 * Math.PI * s) / HALL_PERIOD_S)
    return this.car.ambientC - hall - LET_IN_COLDER_K * Math.exp(-s / SETTLES_S)
  }

  get celsius(): number {
    return this.celsiusAt(this.s)
  }

  get pressurePa(): number {
    return (this.atStartPa * kelvin(this.celsius)) / kelvin(this.car.ambientC)
  }

  /**
   * One second on. @param leakPaM3S - air through the open leaks at hard vacuum; the same holes pass nitrogen by the
   * difference of the squares (model.md sections 4 and 7)
   */
  second(leakPaM3S: number): void {
    const { barometerPa, volumeL } = this.car
    const lost = (leakPaM3S * Math.max(0, this.pressurePa ** 2 - barometerPa ** 2)) / barometerPa ** 2
    this.atStartPa -= (lost * 1000) / volumeL
    this.s++
  }
}
