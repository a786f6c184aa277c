'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import { Figure } from '../../form/figure'
import { useSay } from '../../units'

/** Whole cans that are in, and what they come to: an estimate with its ends, since nothing was weighed. */
export function CountedFigures({ counted }: { counted: NonNullable<JobState['counted']> }) {
  const say = useSay()
  const estimate = counted.emptied.reduce((sum, c) => sum + c.estimateG, 0)
  const half = Math.sqrt(counted.emptied.reduce((sum, c) => sum + c.plusMinusG ** 2, 0))
  return (
    <section aria-label={W.charge} className="mt-3 flex flex-wrap items-end gap-x-10 gap-y-2">
      <Figure
        big
        text={W.ofWord(counted.emptied.length, counted.count)}
        unit=""
        below={W.wholeCansOf(say.mass(counted.netG))}
      />
      <Figure
        text={W.about(say.massText(estimate))}
        unit={say.units.mass === 'g' ? 'g' : ''}
        below={W.inTheCarByThe(say.mass(half))}
      />
    </section>
  )
}
