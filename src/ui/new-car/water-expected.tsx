'use client'

import { scaleLog } from 'd3-scale'
import { area, curveBasis } from 'd3-shape'
import type { JobOpened } from '@/core/job/events'
import { W } from '@/core/language/screen/new-car'
import { liquidRangeG, Z95 } from '@/core/pull/water-inventory'

const WIDTH = 640
const HEIGHT = 74
const BASE = 52
const LEAST_G = 0.003
const MOST_G = 20
const TICKS_G = [0.01, 0.1, 1, 10]
/** Points the hill is drawn through. */
const POINTS = 80

/** What the story costs: the water that is to be expected, as a hill over grams. */
export function WaterExpected({ opened }: { opened: JobOpened['story']['opened'] }) {
  const [low, high] = liquidRangeG(opened)
  const middle = Math.sqrt(low * high)
  const spread = Math.log(high / low) / (2 * Z95)
  const x = scaleLog([LEAST_G, MOST_G], [0, WIDTH])
  const height = (g: number) => Math.exp(-0.5 * (Math.log(g / middle) / spread) ** 2)
  const hill = area<number>()
    .x((g) => x(g))
    .y0(BASE)
    .y1((g) => BASE - 44 * height(g))
    .curve(curveBasis)
  const grams = Array.from({ length: POINTS + 1 }, (_, i) => LEAST_G * (MOST_G / LEAST_G) ** (i / POINTS))
  const words = W.aboutGOfWaterInside(Number(middle.toPrecision(1)), low, high)
  return (
    <figure className="mt-3">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-[640px]" role="img" aria-label={words}>
        <path d={hill(grams) ?? ''} className="fill-deep stroke-ink" strokeWidth={1.2} />
        <line x1={0} x2={WIDTH} y1={BASE} y2={BASE} className="stroke-ink" strokeWidth={1.5} />
        {TICKS_G.map((g) => (
          <text key={g} x={x(g)} y={BASE + 17} textAnchor="middle" className="fill-ink-2 text-[14px]">
            {g}
            {g === TICKS_G[0] ? ' g' : ''}
          </text>
        ))}
      </svg>
      <figcaption className="text-small leading-snug text-ink-2">{words}</figcaption>
    </figure>
  )
}
