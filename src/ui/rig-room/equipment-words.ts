import type { Equipment, EquipmentDeed, EquipmentKind } from '@/core/equipment/equipment'
import { W } from '@/core/language/screen/rig-room'
import type { Say } from '@/core/units/say'
import { cfmText } from '../format'
import { KIND_WORDS } from './rig-drawing'

export const KINDS_WORDS: Record<EquipmentKind, { one: string; many: string }> = {
  pump: { one: W.pump2, many: W.pumps },
  hose: { one: W.hose, many: W.hoses },
  gauge: { one: W.gauge, many: W.vacuumGauges },
  scale: { one: W.scale2, many: W.scales },
  container: { one: W.container2, many: W.containers },
}

/** What matters of a piece of equipment, in one line. */
export function specWords(item: Equipment, say: Say): string {
  switch (item.kind) {
    case 'pump':
      return (
        W.cfm(cfmText(item.spec.speedM3S), item.spec.stages === 2 ? W.twoStages : W.oneStage) +
        W.plate(say.vacuum(item.spec.ultimatePa))
      )
    case 'hose':
      return W.boreMBought(
        say.length(item.spec.boreM),
        item.spec.lengthM,
        KIND_WORDS[item.spec.hoseKind],
        item.spec.boughtOn,
      )
    case 'gauge':
      return item.spec.gaugeKind === 'needle'
        ? W.needleReadsToAboutHalf
        : W.electronicStepsOf(say.moved(item.spec.resolutionPa))
    case 'scale':
      return W.stepsOf(say.units.mass === 'g' ? `${item.spec.stepG} g` : say.roughMass(item.spec.stepG, 2))
    case 'container':
      return W.grossEmptyInside(
        item.spec.containerKind,
        item.spec.refrigerant,
        say.mass(item.spec.grossG),
        say.mass(item.spec.tareG),
        say.mass(item.spec.grossG - item.spec.tareG),
      )
    default: {
      const unknown: never = item
      return unknown
    }
  }
}

export const DEED_WORDS: Record<EquipmentDeed['kind'], string> = {
  'oil-changed': W.oilChanged,
  'seals-renewed': W.sealsRenewed,
  calibrated: W.calibrated,
  'blank-off': W.blankOffTest,
  'hose-hold': W.heldAlone,
}
