'use client'

import { cheapest, type OnSale, USUAL_SIZES } from '@/core/charge/buy'
import { usualChoices } from '@/core/charge/plan-for-job'
import { hoseContentG } from '@/core/fluids/hose'
import { withinTablesC } from '@/core/fluids/refrigerant'
import { chargedG, type JobState } from '@/core/job/state'
import { WAY_WORDS } from '@/core/job/ways'
import { W } from '@/core/language/screen/job-charge'
import { Fold } from '../../form/fold'
import { useSay } from '../../units'

/** Which full cans and cylinders land this car for the least money, and how much stays over. */
export function WhatToBuy({ state, onSale }: { state: JobState; onSale: readonly OnSale[] }) {
  const say = useSay()
  const { targetG, hose, purgeEachG, way } = usualChoices(state)
  const need = Math.max(0, targetG - chargedG(state))
  const own = onSale.length > 0
  const buy = cheapest(need, own ? onSale : USUAL_SIZES, {
    refrigerant: state.opened.label.refrigerant,
    ambientC: withinTablesC(state.opened.place.ambientC),
    purgeEachG,
    hoseG: hose.drawnDown ? 0 : hoseContentG({ ...hose, phase: WAY_WORDS[way].phase }),
  })
  const cost = buy !== null && buy.cost > 0 ? W.together(buy.cost.toFixed(2)) : ''
  return (
    <Fold title={W.whatToBuyForIt} className="mt-3 border-t border-rule">
      <p className="max-w-[760px] pb-2 text-lead leading-snug">
        {buy === null
          ? W.noneOfTheSizesOn(say.mass(need))
          : W.enoughForWithPurgesAnd(
              buy.pieces.map((p) => `${p.count} × ${p.size.name}`).join(' and '),
              cost,
              say.mass(need),
              say.mass(buy.leftG),
            )}
      </p>
      {!own && <p className="pb-2 text-small text-ink-2">{W.reckonedWithUsualSizesAnd}</p>}
    </Fold>
  )
}
