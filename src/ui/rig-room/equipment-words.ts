import type { Equipment, EquipmentDeed, EquipmentKind } from '@/core/equipment/equipment'
import { cfmText, micronText, mmText } from '../format'
import { KIND_WORDS } from './rig-drawing'

export const KINDS_WORDS: Record<EquipmentKind, { one: string; many: string }> = {
  pump: { one: 'pump', many: 'Pumps' },
  hose: { one: 'hose', many: 'Hoses' },
  gauge: { one: 'gauge', many: 'Vacuum gauges' },
  scale: { one: 'scale', many: 'Scales' },
  container: { one: 'container', many: 'Containers' },
}

/** What matters of a piece of equipment, in one line. */
export function specWords(item: Equipment): string {
  switch (item.kind) {
    case 'pump':
      return `${cfmText(item.spec.speedM3S)} CFM, ${item.spec.stages === 2 ? 'two stages' : 'one stage'}, plate ${micronText(item.spec.ultimatePa)} micron`
    case 'hose':
      return `${mmText(item.spec.boreM)} mm bore, ${item.spec.lengthM} m, ${KIND_WORDS[item.spec.hoseKind]}, bought ${item.spec.boughtOn}`
    case 'gauge':
      return item.spec.gaugeKind === 'needle'
        ? 'needle, reads to about half an inch of mercury'
        : `electronic, steps of ${micronText(item.spec.resolutionPa)} micron`
    case 'scale':
      return `steps of ${item.spec.stepG} g`
    case 'container':
      return `${item.spec.containerKind}, ${item.spec.refrigerant}, gross ${item.spec.grossG} g, empty ${item.spec.tareG} g: ${item.spec.grossG - item.spec.tareG} g inside`
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
