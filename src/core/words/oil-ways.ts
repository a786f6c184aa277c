import type { OIL_WAYS } from '../job/events'
import { W } from '../language/said/oil-ways'

type OilWay = (typeof OIL_WAYS)[number]

export const OIL_WAY_WORDS: Record<OilWay, string> = {
  'into-part': W.intoTheOpenPart,
  injector: W.byInjectorBeforeTheVacuum,
  'by-vacuum': W.drawnInByTheVacuum,
  can: W.outOfACanThat,
}

/** What a hand has to know of the way it chose. */
export const OIL_WAY_TELLS: Record<OilWay, string> = {
  'into-part': W.intoTheNewPartBefore,
  injector: W.intoTheLowSideBefore,
  'by-vacuum': W.drawnInThroughTheLow,
  can: W.theGramsOfRefrigerantIn,
}
