import { W } from '../language/book/people'
/** What is told of one person in a period, plainly; no points, no order. */
export type PersonFigures = {
  id: string | null
  name: string
  signed: number
  /**
   * charges that were weighed or counted, and how far from what was planned, g: middle of the amounts, and the
   * largest
   */
  charges: number
  offMedianG: number | null
  offMostG: number | null
  skipped: number
  shortened: number
  cautions: number
  /** alarms of this person's cars, and those nobody answered */
  alarms: number
  unanswered: number
}

/** The figures of a person in one sentence. */
export function personWords(p: PersonFigures): string {
  if (p.signed + p.charges + p.skipped + p.cautions + p.alarms === 0) return W.nothingInThisTime
  const charges =
    p.offMedianG === null
      ? ''
      : W.halfOfChargesLieWithin(p.charges, Math.round(p.offMedianG), Math.round(p.offMostG ?? 0))
  const alarms = p.alarms === 0 ? '' : W.ofAlarmsWereAnsweredBy(p.unanswered, p.alarms)
  return W.signed2(p.signed, p.signed === 1 ? W.record : W.records, charges, alarms)
}
