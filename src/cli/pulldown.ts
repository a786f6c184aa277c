import { RigEvents, RigFile } from '@/core/rig/rig-file'
import { type Simulation, SimulationFailed, simulate } from '@/core/rig/simulate'
import { PA_PER_MICRON } from '@/core/units/constants'
import { BadInput, type Command, emit, numberOf, readArgs, readJsonFile } from './command'

/** `pulldown rig.json --seconds 1800`: the pressures of every node of a rig over time. */
export const pulldown: Command = {
  usage: 'rig.json --seconds N [--every N] [--until-micron N --at GAUGE] [--events events.json]',
  does:
    'Simulates a rig from its start and gives pressures and water of every node, ' +
    'the time to a target and the effective speeds at the end.',
  options: {
    '--seconds N': 'length of the run, s, up to 1000000',
    '--every N': 'time between samples, s (1)',
    '--until-micron N': 'end when the true pressure at --at is at or below this, micron',
    '--at GAUGE': 'gauge whose node is meant',
    '--events FILE': 'what happens when: valves, pump, ballast, heat',
  },
  run: (args) => {
    const { values, positionals } = readArgs(args, {
      seconds: { type: 'string' },
      every: { type: 'string' },
      'until-micron': { type: 'string' },
      at: { type: 'string' },
      events: { type: 'string' },
    })
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('pulldown takes one rig file')
    if (values.seconds === undefined) throw new BadInput('--seconds is missing: say how long to run')
    const seconds = within('--seconds', values.seconds as string, 0, 1e6)
    const everyS = values.every === undefined ? 1 : within('--every', values.every as string, 0.001, 1e6)
    if (seconds / everyS > 200_000)
      throw new BadInput(`--every ${everyS} gives more than 200000 samples over ${seconds} s; take a longer one`)
    const rig = readJsonFile(file, RigFile)
    const eventsFile = values.events as string | undefined
    const events = eventsFile === undefined ? [] : readJsonFile(eventsFile, RigEvents)
    for (const [i, event] of events.entries()) checkEvent(eventsFile as string, rig, event, i)
    const until = untilOf(rig, values['until-micron'] as string | undefined, values.at as string | undefined)
    try {
      const result = output(simulate(rig, { seconds, everyS, events, ...(until && { until }) }))
      emit(values.json === true, result, summary)
      return 0
    } catch (error) {
      if (error instanceof SimulationFailed) throw new BadInput(`${file}: ${error.message}`)
      throw error
    }
  },
}

function within(name: string, text: string, low: number, high: number): number {
  const value = numberOf(name, text)
  if (!(value >= low && value <= high)) throw new BadInput(`${name} is ${text}; it must lie between ${low} and ${high}`)
  return value
}

function checkEvent(file: string, rig: RigFile, event: ReturnType<typeof RigEvents.parse>[number], i: number): void {
  const link = 'open' in event ? event.open : 'close' in event ? event.close : undefined
  if (link !== undefined && !rig.links.some((l) => l.id === link)) {
    throw new BadInput(
      `${file}: $[${i}].${'open' in event ? 'open' : 'close'}: there is no link "${link}"; ` +
        `links are ${rig.links.map((l) => l.id).join(', ')}`,
    )
  }
  if ('heat' in event && !rig.nodes.some((n) => n.id === event.heat))
    throw new BadInput(`${file}: $[${i}].heat: there is no node "${event.heat}"`)
}

function untilOf(rig: RigFile, micron: string | undefined, at: string | undefined) {
  if (micron === undefined && at === undefined) return undefined
  if (micron === undefined || at === undefined)
    throw new BadInput('--until-micron and --at belong together: a target and the gauge that shows it')
  const gauge = rig.gauges.find((g) => g.id === at)
  if (!gauge)
    throw new BadInput(
      `--at ${at}: there is no such gauge; gauges are ${rig.gauges.map((g) => g.id).join(', ') || 'none'}`,
    )
  return { node: gauge.at, pressurePa: within('--until-micron', micron, 0, 1e6) * PA_PER_MICRON }
}

function output(run: Simulation) {
  const byNode = (values: ArrayLike<number>) =>
    Object.fromEntries(run.nodes.map((node, k) => [node, values[k] as number]))
  return {
    series: run.samples.map((s) => ({ t_s: s.tS, pressure_Pa: byNode(s.totalPa), water_Pa: byNode(s.waterPa) })),
    reached_s: run.reachedS,
    effective_speed_L_s: byNode(run.effectiveSpeedM3S.map((v) => v * 1000)),
  }
}

function summary(result: ReturnType<typeof output>): string {
  const last = result.series[result.series.length - 1]
  const lines = Object.entries(last?.pressure_Pa ?? {}).map(
    ([node, pa]) =>
      `${node.padEnd(16)} ${(pa / PA_PER_MICRON).toFixed(0).padStart(9)} micron   ` +
      `${(result.effective_speed_L_s[node] ?? 0).toPrecision(3)} L/s`,
  )
  const reached = result.reached_s === null ? '' : `\nreached after ${result.reached_s.toFixed(1)} s`
  return `after ${last?.t_s ?? 0} s\n${lines.join('\n')}${reached}`
}
