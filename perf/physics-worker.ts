import { parentPort } from 'node:worker_threads'
import { simulate } from '@/core/rig/simulate'
import { normalPair, seededRandom } from '@/core/units/seeded'
import { EIGHT_NODES } from './rigs'

const PULLS = 300
const random = seededRandom(11)

for (let i = 0; i < PULLS; i++) {
  const grams = 0.3 * Math.exp(0.7 * normalPair(random)[0])
  simulate(
    { ...EIGHT_NODES, sources: { ...EIGHT_NODES.sources, water: [{ at: 'evap', grams }] } },
    { seconds: 3600, everyS: 60 },
  )
  if (i % 20 === 19) parentPort?.postMessage({ done: false, share: (i + 1) / PULLS })
}
parentPort?.postMessage({ done: true })
