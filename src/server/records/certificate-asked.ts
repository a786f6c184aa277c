import type { JobEvent } from '@/core/job/events'
import type { RecordPicture } from '@/core/record/picture'
import type { Units } from '@/core/units/shown'

/** All a certificate is made of, as it goes to the thread that lays it out. */
export type CertificateAsked = {
  events: readonly JobEvent[]
  picture: RecordPicture
  head: string
  shopName: string
  timeZone: string
  fingerprint: string
  /** what the code on the paper opens */
  checkUrl: string
  /** of whoever asked for it */
  units: Units
}
