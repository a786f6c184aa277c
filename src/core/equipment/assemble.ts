import * as z from 'zod'
import { Id } from '../entry/id'
import type { Rig } from '../job/written'
import { W } from '../language/equipment/assemble'
import { PA_PER_MICRON } from '../units/constants'
import { judgeBlankOff, judgeHoseHold } from './checks'
import type { EquipmentDeed, EquipmentKind, Shelved } from './equipment'

/** Which things from the shelf make a rig, and how they are put together. */
export const RigParts = z.strictObject({
  pump: Id,
  lowHose: Id,
  /** null: only the low side is connected */
  highHose: Id.nullable(),
  /** null: both hoses end at the pump's own tee */
  pumpHose: Id.nullable(),
  gauge: Id,
  gaugeAt: z.enum(['far', 'pump']),
  scale: Id,
  cores: z.enum(['in', 'out']),
  /** couplers turned by hand, or ones that open by themselves; by hand when it is not said */
  couplers: z.enum(['turned', 'auto']).optional(),
  /** the gauge hangs behind a valve of its own */
  gaugeValve: z.literal(true).optional(),
  /** a manifold with a port for the container, which hangs from the start */
  fourPort: z.literal(true).optional(),
})
export type RigParts = z.infer<typeof RigParts>

/** A part of a rig that is not on the shelf, or not what it should be. */
export class PartMissing extends Error {
  readonly part: keyof RigParts
  constructor(part: keyof RigParts, message: string) {
    super(message)
    this.part = part
  }
}

/**
 * The rig these parts make, with what the checks have found: the pump's ultimate by its last blank-off test since the
 * oil was changed, the hoses' own gas by their last hold alone.
 * @throws PartMissing naming the part
 */
export function assembleRig(name: string, parts: RigParts, shelf: readonly Shelved[]): Rig {
  const take = <K extends EquipmentKind>(part: keyof RigParts, kind: K, id: string): Extract<Shelved, { kind: K }> => {
    const found = shelf.find((s) => s.id === id)
    if (found?.kind !== kind) throw new PartMissing(part, W.thereIsNoSuchOn(kind))
    if (found.retired) throw new PartMissing(part, W.isRetiredTakeAnother(found.name, kind))
    return found as Extract<Shelved, { kind: K }>
  }
  const pump = take('pump', 'pump', parts.pump)
  const low = take('lowHose', 'hose', parts.lowHose)
  const high = parts.highHose === null ? null : take('highHose', 'hose', parts.highHose)
  const toPump = parts.pumpHose === null ? null : take('pumpHose', 'hose', parts.pumpHose)
  const gauge = take('gauge', 'gauge', parts.gauge)
  const scale = take('scale', 'scale', parts.scale)
  for (const [part, hose] of [
    ['lowHose', low],
    ['highHose', high],
    ['pumpHose', toPump],
  ] as const)
    if (hose?.spec.use === 'recovery') throw new PartMissing(part, W.isKeptForTheRecovery(hose.name))
  const ids = [low.id, ...(high ? [high.id] : []), ...(toPump ? [toPump.id] : [])]
  if (new Set(ids).size !== ids.length) throw new PartMissing('highHose', W.theSameHoseCannotBe)
  const baseline = [low, ...(high ? [high] : [])].map(baselineOf)
  return {
    name,
    boreM: low.spec.boreM,
    lengthM: low.spec.lengthM,
    hoses: high ? 2 : 1,
    pumpM3S: pump.spec.speedM3S,
    ultimatePa: ultimateOf(pump),
    gauge: gauge.spec.gaugeKind,
    scaleStepG: scale.spec.stepG,
    hoseKind: low.spec.hoseKind,
    ...(high && { highHose: { boreM: high.spec.boreM, lengthM: high.spec.lengthM, kind: high.spec.hoseKind } }),
    ...(toPump && {
      pumpHose: { boreM: toPump.spec.boreM, lengthM: toPump.spec.lengthM, kind: toPump.spec.hoseKind },
    }),
    cores: parts.cores,
    ...(parts.couplers && { couplers: parts.couplers }),
    ...(parts.fourPort && { fourPort: parts.fourPort }),
    ...(parts.gaugeValve && { gaugeValve: parts.gaugeValve }),
    gaugeAt: parts.gaugeAt,
    resolutionPa: gauge.spec.resolutionPa,
    // only when every hose in the hold was measured is their sum known
    ...(baseline.every((b) => b !== null) && {
      hoseBaselinePaM3S: baseline.reduce<number>((sum, b) => sum + (b as number), 0),
    }),
    equipment: { pump: pump.id, hoses: ids, gauge: gauge.id, scale: scale.id },
  }
}

const last = <K extends EquipmentDeed['kind']>(
  item: Shelved,
  kind: K,
): Extract<EquipmentDeed, { kind: K }> | undefined =>
  item.deeds
    .filter((d): d is Extract<EquipmentDeed, { kind: K }> => d.kind === kind)
    .sort((a, b) => b.happenedAt.localeCompare(a.happenedAt))[0]

/** What a pump reaches now, Pa: by its last settled blank-off test since the oil was changed, else by its plate. */
export function ultimateOf(pump: Extract<Shelved, { kind: 'pump' }>): number {
  const test = last(pump, 'blank-off')
  const oil = last(pump, 'oil-changed')
  if (!test || (oil && oil.happenedAt > test.happenedAt)) return pump.spec.ultimatePa
  const { settled, ultimatePa } = judgeBlankOff(test.payload.readings, pump.spec)
  return settled ? Math.max(PA_PER_MICRON, ultimatePa) : pump.spec.ultimatePa
}

/** Gas a hose was found to give by itself, Pa m3/s, since its seals were renewed; null when it was never held alone. */
export function baselineOf(hose: Extract<Shelved, { kind: 'hose' }>): number | null {
  const test = last(hose, 'hose-hold')
  const seals = last(hose, 'seals-renewed')
  if (!test || (seals && seals.happenedAt > test.happenedAt)) return null
  return Math.max(0, judgeHoseHold(test.payload.readings, test.payload.volumeL, hose.spec).gasPaM3S.value)
}
