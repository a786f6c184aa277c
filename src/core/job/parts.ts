import * as z from 'zod'
import { verbatim } from '../entry/text'
import { W } from '../language/job/parts'

/** Every part of the connection drawing with the states a hand can give it. */
export const PARTS = {
  'valve-low': ['closed', 'open'],
  'valve-high': ['closed', 'open'],
  'coupler-low': ['off', 'on', 'open'],
  'coupler-high': ['off', 'on', 'open'],
  'centre-hose': ['off', 'pump', 'container'],
  'exhaust-cap': ['on', 'off'],
  pump: ['off', 'on'],
  ballast: ['closed', 'open'],
  'container-valve': ['closed', 'open'],
  'container-pose': ['upright', 'inverted'],
  engine: ['off', 'on'],
  cores: ['in', 'out'],
  'gauge-valve': ['open', 'closed'],
  line: ['air', 'purged'],
} as const satisfies Record<string, readonly string[]>

export type Part = keyof typeof PARTS
export type RigState = { [P in Part]: (typeof PARTS)[P][number] }

/** A rig as it comes from the cart: nothing connected, exhaust cap on. */
export const RIG_AT_START: RigState = {
  'valve-low': 'open',
  'valve-high': 'open',
  'coupler-low': 'off',
  'coupler-high': 'off',
  'centre-hose': 'off',
  'exhaust-cap': 'on',
  pump: 'off',
  ballast: 'closed',
  'container-valve': 'closed',
  'container-pose': 'upright',
  engine: 'off',
  cores: 'in',
  'gauge-valve': 'open',
  line: 'air',
}

/** Words for a part in a sentence. */
export const PART_NAMES: Record<Part, string> = {
  'valve-low': W.lowValve,
  'valve-high': W.highValve,
  'coupler-low': W.lowCoupler,
  'coupler-high': W.highCoupler,
  'centre-hose': W.centreHose,
  'exhaust-cap': W.exhaustCap,
  pump: W.pump,
  ballast: W.gasBallast,
  'container-valve': W.containerValve,
  'container-pose': W.container,
  engine: W.engine,
  cores: W.valveCores,
  'gauge-valve': W.gaugesValve,
  line: W.chargingLine,
}

/** One turn of one part: `{ part, state }`, refused when that part has no such state. */
export const PartSet = z
  .strictObject({ part: z.enum(Object.keys(PARTS) as [Part, ...Part[]]), state: verbatim(40) })
  .refine((set) => (PARTS[set.part] as readonly string[]).includes(set.state), {
    path: ['state'],
    error: W.thisPartHasNoSuch,
  })
export type PartSet = z.infer<typeof PartSet>

/** True while gas can pass from the car to the centre hose. */
export function carIsOpen(rig: RigState): boolean {
  const low = rig['valve-low'] === 'open' && rig['coupler-low'] === 'open'
  const high = rig['valve-high'] === 'open' && rig['coupler-high'] === 'open'
  return low || high
}
