import type { DayStep } from '../day/day'
import type { ShopCar, ShopDay } from '../day/shop-day'
import type { Step } from '../job/steps'
import { MINUTE_MS } from '../units/constants'

/** Nine in the morning. */
export const NINE_MS = Date.parse('2026-03-02T09:00:00.000Z')
export const after = (minutes: number): number => NINE_MS + minutes * MINUTE_MS

const WHOLE: readonly DayStep[] = [
  { step: 'zero', hands: 5 },
  { step: 'fix', hands: 30 },
  { step: 'rig', hands: 8 },
  { step: 'pull', hands: 2 },
  { step: 'pull', wait: 60, waitP90: 90 },
  { step: 'isolate', hands: 3 },
  { step: 'hold', wait: 30, waitP90: 45 },
  { step: 'charge', hands: 20 },
  { step: 'prove', hands: 12 },
  { step: 'leave', hands: 8 },
]

/** A car of the shop from a step on. */
export const shopCar = (name: string, more: Partial<ShopCar> = {}, from: Step = 'zero'): ShopCar => ({
  key: name,
  name,
  jobId: name,
  arrivesMs: NINE_MS,
  promisedMs: null,
  steps: WHOLE.slice(WHOLE.findIndex((s) => s.step === from)),
  rig: null,
  running: null,
  ...more,
})

/** A shop of a technician, a trainee, two rigs and a scale at nine. */
export const shopDay = (cars: readonly ShopCar[], more: Partial<ShopDay> = {}): ShopDay => ({
  nowMs: NINE_MS,
  people: [
    // first in the list: where nothing else decides the work is hers
    { id: 'anouk', name: 'Anouk Verrane', role: 'trainee', off: [] },
    { id: 'teo', name: 'Teo Brisal', role: 'technician', off: [] },
  ],
  rigs: [
    { name: 'Cart P1', off: [], rigs: ['Cart P1', 'Needle set'] },
    { name: 'Cart P2', off: [] },
  ],
  scales: [{ name: 'Scale S1', off: [] }],
  cars,
  pins: [],
  ...more,
})
