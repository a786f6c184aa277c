import * as z from 'zod'

/** What a trainee may do beside running a job: each a switch of the lead's. `safe` is how it stands until it is set. */
export const TRAINEE_RIGHTS = {
  takeIn: { safe: true, label: 'takes cars in', refused: 'A technician takes cars in here.' },
  hangInstruments: {
    safe: true,
    label: 'hangs instruments on',
    refused: 'A technician hangs instruments on here.',
  },
  chargeAlone: {
    safe: false,
    label: 'charges without a technician’s nod',
    refused: 'A technician nods to the plan before a trainee charges.',
  },
  skipHold: {
    safe: false,
    label: 'skips a hold or ends it early',
    refused: 'A technician skips a hold, or ends it before its time.',
  },
  bookByHand: {
    safe: false,
    label: 'books in the ledger by hand',
    refused: 'A trainee books nothing by hand: a technician does.',
  },
  correctOthers: {
    safe: false,
    label: 'corrects what others entered',
    refused: 'A trainee corrects only what they entered themselves.',
  },
} as const
export type TraineeRight = keyof typeof TRAINEE_RIGHTS
export const TRAINEE_RIGHT_NAMES = Object.keys(TRAINEE_RIGHTS) as TraineeRight[]

export const TraineeRights = z.strictObject(
  Object.fromEntries(TRAINEE_RIGHT_NAMES.map((name) => [name, z.boolean()])) as Record<TraineeRight, z.ZodBoolean>,
)
export type TraineeRights = z.infer<typeof TraineeRights>

/** The switches as they count: what was never set stands safe. */
export const rightsOf = (set: Partial<TraineeRights>): TraineeRights =>
  Object.fromEntries(TRAINEE_RIGHT_NAMES.map((name) => [name, set[name] ?? TRAINEE_RIGHTS[name].safe])) as TraineeRights
