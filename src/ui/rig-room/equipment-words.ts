import type { Equipment, EquipmentDeed, EquipmentKind } from '@/core/equipment/equipment'
import type { Say } from '@/core/units/say'
import { cfmText } from '../format'
import { KIND_WORDS } from './rig-drawing'

export const KINDS_WORDS: Record<EquipmentKind, { one: string; many: string }> = {
  pump: { one: 'pump', many: 'Pumps' },
  hose: { one: 'hose', many: 'Hoses' },
  gauge: { one: 'gauge', many: 'Vacuum gauges' },
  scale: { one: 'scale', many: 'Scales' },
  container: { one: 'container', many: 'Containers' },
}

/** What matters of a piece of equipment, in one line. */
export function specWords(item: Equipment, say: Say): string {
  switch (item.kind) {
    case 'pump':
      return (
        `${cfmText(item.spec.speedM3S)} CFM, ${item.spec.stages === 2 ? 'two stages' : 'one stage'}, ` +
        `plate ${say.vacuum(item.spec.ultimatePa)}`
      )
    case 'hose':
      return `${say.length(item.spec.boreM)} bore, ${item.spec.lengthM} m, ${KIND_WORDS[item.spec.hoseKind]}, bought ${item.spec.boughtOn}`
    case 'gauge':
      return item.spec.gaugeKind === 'needle'
        ? 'needle, reads to about half an inch of mercury'
        : `electronic, steps of ${say.moved(item.spec.resolutionPa)}`
    case 'scale':
      return `steps of ${say.units.mass === 'g' ? `${item.spec.stepG} g` : say.roughMass(item.spec.stepG, 2)}`
    case 'container':
      return (
        `${item.spec.containerKind}, ${item.spec.refrigerant}, gross ${say.mass(item.spec.grossG)}, ` +
        `empty ${say.mass(item.spec.tareG)}: ${say.mass(item.spec.grossG - item.spec.tareG)} inside`
      )
    default: {
      const unknown: never = item
      return unknown
    }
  }
}

export const DEED_WORDS: Record<EquipmentDeed['kind'], string> = {
  'oil-changed': 'Oil changed',
  'seals-renewed': 'Seals renewed',
  calibrated: 'Calibrated',
  'blank-off': 'Blank-off test',
  'hose-hold': 'Held alone',
}
