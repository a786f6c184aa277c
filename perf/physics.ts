import { createRequire } from 'node:module'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import { Network } from '@/core/rig/network'
import { simulate } from '@/core/rig/simulate'
import { HOUR_S } from '../src/core/units/constants'
import { atMost, type Measure, percentile } from './measure'
import { EIGHT_NODES } from './rigs'

type OdexSolver = {
  solve: (f: (x: number, y: number[]) => number[], x: number, y: number[], xEnd: number) => { y: number[] }
}
// the package ships its TypeScript source, which our stricter settings would check as ours if it were imported
const { Solver } = createRequire(import.meta.url)('odex') as { Solver: new (n: number) => OdexSolver }

const RUNS = 40
/**
 * The reference package follows the stiff start by tiny steps, so it gets this much of the pull, s, and ours the same.
 */
const COMPARED_S = 20

/** The physics: one pull, three hundred in a worker, and the same system in a general package. */
export async function measurePhysics(): Promise<Measure[]> {
  for (let i = 0; i < 30; i++) simulate(EIGHT_NODES, { seconds: HOUR_S, everyS: 60 })
  const times = Array.from({ length: RUNS }, () => timed(() => simulate(EIGHT_NODES, { seconds: HOUR_S, everyS: 60 })))
  const pull = {
    ...atMost('a 60 minute pull of an 8-node rig, median of 40', percentile(times, 0.5), 'ms', 10),
    ...compare(),
  }
  return [pull, atMost('300 pulls of that rig with drawn water, in a worker', await inWorker(), 's', 3)]
}

function timed(work: () => void): number {
  const began = performance.now()
  work()
  return performance.now() - began
}

/** Our integrator against odex on the same equations at about the same accuracy; the ratio is odex's time over ours. */
function compare(): Pick<Measure, 'reference' | 'ratio'> {
  const exact = final(() => simulate(EIGHT_NODES, { seconds: COMPARED_S, everyS: COMPARED_S, relativeTolerance: 1e-8 }))
  const own = { ms: 0, error: 0 }
  own.ms = timed(() => {
    own.error = worst(
      final(() => simulate(EIGHT_NODES, { seconds: COMPARED_S, everyS: COMPARED_S })),
      exact,
    )
  })
  const other = { ms: 0, error: 0 }
  other.ms = timed(() => {
    other.error = worst(odexFinal(COMPARED_S), exact)
  })
  const note = `odex 2.0, explicit, the first ${COMPARED_S} s of it: worst error ${(other.error * 100).toPrecision(2)} %, ours ${(own.error * 100).toPrecision(2)} %; times as long`
  return { reference: note, ratio: other.ms / own.ms }
}

const final = (run: () => ReturnType<typeof simulate>): Float64Array =>
  (run().samples.at(-1) as { totalPa: Float64Array }).totalPa
const worst = (a: ArrayLike<number>, b: Float64Array): number =>
  Math.max(...b.map((pa, k) => Math.abs((a[k] as number) / pa - 1)))

function odexFinal(seconds: number): number[] {
  const network = new Network(EIGHT_NODES)
  const from = network.initial(EIGHT_NODES)
  const dy = new Float64Array(network.size)
  const derivative = (_t: number, y: number[]): number[] => {
    network.derivative(Float64Array.from(y), dy)
    return [...dy]
  }
  const solver = new Solver(network.size)
  Object.assign(solver, { relativeTolerance: 3e-4, absoluteTolerance: 1e-3, maxSteps: 10_000_000 })
  const end = Float64Array.from(solver.solve(derivative, 0, [...from], seconds).y)
  return network.nodes.map((_, k) => network.totalPa(end, k))
}

/** Seconds for 300 pulls in a worker thread, its progress received. */
function inWorker(): Promise<number> {
  const began = performance.now()
  return new Promise((resolve, reject) => {
    const worker = new Worker(fileURLToPath(new URL('./physics-worker.mjs', import.meta.url)))
    let told = 0
    worker.on('message', (message: { done: boolean }) => {
      told += 1
      if (!message.done) return
      if (told < 10) reject(new Error('the worker told no progress'))
      resolve((performance.now() - began) / 1000)
      void worker.terminate()
    })
    worker.on('error', reject)
  })
}
