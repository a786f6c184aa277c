'use client'

import type { Picture } from '@/core/sums/picture'
import { useWidth } from '../hooks/use-width'
import { BarsDrawn } from './bars-drawn'
import { CurveDrawn } from './curve-drawn'
import type { Drawn } from './drawing'
import { ScaleDrawn } from './scale-drawn'

/** A sum as a picture whose figures are moved by dragging. */
export function SumPicture({ picture, label, onMove }: Omit<Drawn<Picture>, 'width'>) {
  const [ref, width] = useWidth<HTMLDivElement>(800)
  const shared = { label, onMove, width }
  return (
    <div ref={ref} className="min-w-0 select-none">
      {picture.kind === 'scale' && <ScaleDrawn picture={picture} {...shared} />}
      {picture.kind === 'curve' && <CurveDrawn picture={picture} {...shared} />}
      {picture.kind === 'bars' && <BarsDrawn picture={picture} {...shared} />}
    </div>
  )
}
