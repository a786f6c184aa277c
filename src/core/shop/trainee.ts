import * as z from 'zod'
import { W } from '../language/shop/trainee'

/** What a trainee may do beside running a job: each a switch of the lead's. `safe` is how it stands until it is set. */
export const TRAINEE_RIGHTS = {
  takeIn: { safe: true, label: W.takesCarsIn, refused: W.aTechnicianTakesCarsIn },
  hangInstruments: {
    safe: true,
    label: W.hangsInstrumentsOn,
    refused: W.aTechnicianHangsInstrumentsOn,
  },
  chargeAlone: {
    safe: false,
    label: W.chargesWithoutATechniciansNod,
    refused: W.aTechnicianNodsToThe,
  },
  skipHold: {
    safe: false,
    label: W.skipsAHoldOrEnds,
    refused: W.aTechnicianSkipsAHold,
  },
  bookByHand: {
    safe: false,
    label: W.booksInTheLedgerBy,
    refused: W.aTraineeBooksNothingBy,
  },
  correctOthers: {
    safe: false,
    label: W.correctsWhatOthersEntered,
    refused: W.aTraineeCorrectsOnlyWhat,
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
