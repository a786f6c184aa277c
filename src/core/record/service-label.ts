import { massWords } from '../charge/working'
import { chargedG, type JobState } from '../job/state'
import { W } from '../language/record/service-label'

/** What goes under the hood, line by line: a name and what stands behind it. */
export type ServiceLabelLine = { name: string; value: string }

/**
 * The label of a service: refrigerant, grams, oil, date, who, certificate.
 * @param made - shop, the day as it is written there, and whose certificate vouches until the record is signed
 */
export function serviceLabel(
  state: JobState,
  made: { shop: string; day: string; by: string; certificate: string },
): ServiceLabelLine[] {
  const { car, label } = state.opened
  const inside = chargedG(state)
  const oil = state.fix && state.fix.oilOwedMl > 0 ? W.mlAdded(state.fix.oilOwedMl, state.fix.oilReason) : W.noneAdded
  return [
    { name: W.car, value: [car.name, car.model, car.plate].filter(Boolean).join(', ') },
    { name: W.refrigerant, value: label.refrigerant },
    { name: W.charged, value: massWords(inside) },
    { name: W.labelAsksFor, value: `${label.typed}${label.line ? `, ${label.line}` : ''}` },
    { name: W.oil, value: `${label.oilKind}, ${oil}` },
    ...(car.hybrid ? [{ name: W.highVoltage, value: W.onlyTheMakersNonConducting }] : []),
    { name: W.day, value: made.day },
    { name: W.by, value: `${state.signed?.by ?? made.by}, ${made.shop}` },
    { name: W.certificate, value: (state.signed?.certificate ?? made.certificate) || W.noneGiven },
  ]
}

/** The label as plain text, a line each, for another program or a label printer. */
export const serviceLabelText = (lines: readonly ServiceLabelLine[]): string =>
  lines.map((l) => `${l.name}: ${l.value}`).join('\n')
