import { massWords } from '../charge/working'
import { chargedG, type JobState } from '../job/state'

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
  const oil =
    state.fix && state.fix.oilOwedMl > 0 ? `${state.fix.oilOwedMl} mL added, ${state.fix.oilReason}` : 'none added'
  return [
    { name: 'Car', value: [car.name, car.model, car.plate].filter(Boolean).join(', ') },
    { name: 'Refrigerant', value: label.refrigerant },
    { name: 'Charged', value: massWords(inside) },
    { name: 'Label asks for', value: `${label.typed}${label.line ? `, ${label.line}` : ''}` },
    { name: 'Oil', value: `${label.oilKind}, ${oil}` },
    ...(car.hybrid ? [{ name: 'High voltage', value: 'only the maker’s non-conducting oil' }] : []),
    { name: 'Day', value: made.day },
    { name: 'By', value: `${state.signed?.by ?? made.by}, ${made.shop}` },
    { name: 'Certificate', value: (state.signed?.certificate ?? made.certificate) || 'none given' },
  ]
}

/** The label as plain text, a line each, for another program or a label printer. */
export const serviceLabelText = (lines: readonly ServiceLabelLine[]): string =>
  lines.map((l) => `${l.name}: ${l.value}`).join('\n')
