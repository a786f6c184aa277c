import { sidesOf } from '../job/sides'
import type { JobState } from '../job/state'
import { W } from '../language/call/before'
import { type RestFinding, readRest } from '../prove/rest-pressure'
import { type Call, finish, type Live, record, sayOf } from './types'

/** What the zero check of a state says; undefined before it was read. */
export function restFinding(state: JobState): RestFinding | undefined {
  const { zero, opened } = state
  if (!zero) return undefined
  return readRest(
    zero.lowPaG,
    zero.highPaG,
    zero.errorPa,
    opened.label.refrigerant,
    opened.place.ambientC,
    opened.place.barometerPa,
  )
}

export function callZero(state: JobState, live: Live): Call {
  const finding = restFinding(state)
  const one = sidesOf(state.opened.rig).length === 1
  if (!finding) {
    return {
      sentence: one ? W.readTheGaugeAtRest : W.readBothGaugesAtRest,
      why: [W.anythingButZeroMeansRefrigerant, W.engineOffCarStandingSince],
      form: 'zero',
      watch: [W.glovesAndEyeProtectionOn],
      action: { label: one ? W.itIsRead : W.bothAreRead, key: 'B', does: { do: 'send', form: 'zero' } },
      plain: [],
      after: W.thenLogWhatWasOpened,
    }
  }
  if (finding.kind === 'refrigerant') return callRecover(state, finding, live)
  if (finding.kind === 'below-zero' && !state.zeroAnswer) return callBelowZero()
  return {
    sentence: W.nothingInsideGoOn,
    why: [state.zeroAnswer === 'needle-off-zero' ? W.theNeedleStandsBelowIts : W.bothGaugesStandAtZero],
    watch: [],
    action: { label: W.logTheRepair, key: 'L', does: record(finish('zero')) },
    plain: [],
  }
}

function callRecover(state: JobState, finding: Extract<RestFinding, { kind: 'refrigerant' }>, live: Live): Call {
  const say = sayOf(live)
  const { label, place } = state.opened
  const full = W.withLiquidLeftStandsAt(
    label.refrigerant,
    say.pressure(finding.saturationPaG),
    say.celsius(place.ambientC),
  )
  const means = {
    likely: W.soThereIsLiquidInside,
    none: W.itStandsWellBelowOnly,
    'too-high': W.itStandsAboveThatAir,
  }[finding.liquid]
  return {
    sentence: W.recoverItFirst,
    why: [full, means, W.certifiedRecoveryEquipmentOnlyVenting],
    form: 'recovered',
    watch: [W.noPumpOnThisCar, ...(label.refrigerant === 'R-1234yf' ? [W.r1234yfBurnsMildlyVentilate] : [])],
    action: { label: W.recoveredAtZero, key: 'R', does: { do: 'send', form: 'recovered' } },
    plain: [],
    after: W.theGramsRecoveredAndThe,
  }
}

function callBelowZero(): Call {
  return {
    sentence: W.belowZeroWhichIsIt,
    why: [W.eitherTheSystemIsAlready, W.takeTheGaugeOffIf],
    watch: [],
    action: {
      label: W.alreadyUnderVacuum,
      key: 'U',
      does: record({ kind: 'zero-explained', payload: { answer: 'already-under-vacuum' } }),
    },
    plain: [
      {
        label: W.needleOffZero,
        key: 'N',
        does: record({ kind: 'zero-explained', payload: { answer: 'needle-off-zero' } }),
      },
    ],
  }
}

export function callFix(state: JobState): Call {
  const wet = state.opened.story.openHours >= 12 && !state.opened.story.drierReplaced
  return {
    sentence: W.logWhatWasRenewed,
    why: [wet ? W.openForLongAndThe : W.itFeedsThePullAnd, W.oilLeftWithAPart],
    form: 'fix',
    watch: state.opened.car.hybrid ? [W.highVoltageCompressorOnlyThe] : [W.noSealersNoStopLeak, W.valveCoresComeInTwo],
    action: { label: W.repairIsLogged, key: 'L', does: { do: 'send', form: 'fix' } },
    plain: [
      {
        label: W.lookForTheLeak,
        key: 'F',
        does: record({ kind: 'search-begun', payload: { why: state.holds.length > 0 ? 'hold' : 'empty' } }),
      },
    ],
    after: W.thenRigUp,
  }
}
