import type { JobOpened } from '../job/events'

export const AIR_PA = 101_325
/** The high, dry demo place. */
export const CERRO_LUMEN = { altitudeM: 2380, barometerPa: 75_815, ambientC: 11 }

/** A plain car as it is taken in, at sea level. */
export const OPENING: JobOpened = {
  car: { name: 'Mirror truck', model: 'Dorsk MW-6', hybrid: false },
  complaint: '',
  label: {
    refrigerant: 'R-134a',
    lowG: 400,
    highG: 400,
    typed: '400 g',
    toleranceG: 15,
    oilKind: 'PAG 46',
    oilMl: null,
    source: 'label',
  },
  place: { altitudeM: 0, barometerPa: AIR_PA, ambientC: 20 },
  story: { opened: 'component', openHours: 2, drierReplaced: true },
  history: { daysSinceCharge: null, lastChargeG: null, recoveredG: null },
  volumeL: 2.5,
  procedure: { name: 'Weigh and measure', targetMicron: 500, pullMinutes: 60, holdMinutes: 30 },
  rig: {
    name: 'Cart',
    boreMm: 9.5,
    lengthM: 1.2,
    hoses: 2,
    pumpCfm: 4,
    ultimateMicron: 25,
    gauge: 'electronic',
    scaleStepG: 2,
  },
  simulated: false,
}
