import { W } from '../language/job/photos'
/** What a photograph shows. */
export const PHOTO_OF = ['label', 'dial', 'oil', 'other'] as const
export type PhotoOf = (typeof PHOTO_OF)[number]

/** Photographs of one job at most, and the largest taken, bytes. */
export const MOST_PHOTOS = 30
export const LARGEST_PHOTO = 1024 * 1024
/** The longer side a photograph is kept at, px: a label is read at it. */
export const PHOTO_SIDE_PX = 1600

export const PHOTO_WORDS: Record<PhotoOf, string> = {
  label: W.labelUnderTheHood,
  dial: W.dial,
  oil: W.oilStain,
  other: W.somethingElse,
}
