import * as z from 'zod'
import { verbatim } from '../entry/text'
import { LINK_KINDS } from '../job/link-kinds'
import { STANDARD_ATMOSPHERE_PA } from '../units/constants'

const Id = verbatim(60)
const Positive = z.number().finite().positive()
const NotNegative = z.number().finite().min(0)
const Celsius = z.number().finite().min(-60).max(95)

const RigShape = z.strictObject({
  nodes: z
    .array(z.strictObject({ id: Id, volume_L: Positive.max(1000), temperature_C: Celsius }))
    .min(1)
    .max(60),
  links: z
    .array(
      z.strictObject({
        id: Id,
        from: Id,
        to: Id,
        bore_mm: Positive.max(200),
        length_m: Positive.max(100),
        kind: z.enum(LINK_KINDS),
        open: z.boolean().default(true),
      }),
    )
    .max(120),
  pump: z.strictObject({
    at: Id,
    speed_cfm: NotNegative.max(1000),
    ultimate_micron: NotNegative.max(100_000),
    ballast: z.boolean(),
  }),
  gauges: z.array(z.strictObject({ id: Id, at: Id, kind: z.enum(['electronic', 'needle', 'transducer']) })).max(20),
  sources: z
    .strictObject({
      leaks: z.array(z.strictObject({ at: Id, air_Pa_m3_s: NotNegative.max(10) })).default([]),
      water: z.array(z.strictObject({ at: Id, grams: NotNegative.max(10_000) })).default([]),
      bound: z.array(z.strictObject({ at: Id, grams: NotNegative.max(10_000), tau_s: Positive })).default([]),
    })
    .default({ leaks: [], water: [], bound: [] }),
  barometer_Pa: z.number().finite().min(30_000).max(120_000).default(STANDARD_ATMOSPHERE_PA),
  ambient_C: Celsius.default(25),
  start: z
    .strictObject({
      pressure_Pa: Positive.max(1e6).optional(),
      relative_humidity: z.number().min(0).max(1).default(0.5),
    })
    .default({ relative_humidity: 0.5 }),
})

/**
 * A rig as its file describes it: nodes that hold gas, links that carry it, pump, gauges, sources. Units are in the
 * names. Beyond the shape it is refused, with the path, when an id stands twice, a place names no node, a link ends
 * where it began, or links that are all closed form a ring (nothing could ever tell its parts apart).
 */
export const RigFile = RigShape.superRefine((rig, context) => {
  const fault = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message })
  const nodes = new Set<string>()
  for (const [i, node] of rig.nodes.entries()) {
    if (nodes.has(node.id)) fault(['nodes', i, 'id'], `"${node.id}" stands twice`)
    nodes.add(node.id)
  }
  const place = (path: (string | number)[], id: string) => {
    if (!nodes.has(id)) fault(path, `there is no node "${id}"; nodes are ${[...nodes].join(', ')}`)
  }
  const links = new Set<string>()
  const ring = new Rings()
  for (const [i, link] of rig.links.entries()) {
    if (links.has(link.id)) fault(['links', i, 'id'], `"${link.id}" stands twice`)
    links.add(link.id)
    place(['links', i, 'from'], link.from)
    place(['links', i, 'to'], link.to)
    if (link.from === link.to) fault(['links', i, 'to'], `"${link.id}" ends at the node it begins at`)
    if (!link.open && !ring.join(link.from, link.to))
      fault(['links', i, 'open'], `"${link.id}" closes a ring of closed links: open one of them or leave one out`)
  }
  place(['pump', 'at'], rig.pump.at)
  for (const [i, gauge] of rig.gauges.entries()) place(['gauges', i, 'at'], gauge.at)
  for (const kind of ['leaks', 'water', 'bound'] as const) {
    for (const [i, source] of rig.sources[kind].entries()) place(['sources', kind, i, 'at'], source.at)
  }
})
export type RigFile = z.infer<typeof RigFile>

/** Nodes joined so far, to find the link that closes a ring. */
class Rings {
  private readonly parent = new Map<string, string>()

  private root(id: string): string {
    let at = id
    while (this.parent.has(at)) at = this.parent.get(at) as string
    return at
  }

  /** False when the two were joined already. */
  join(a: string, b: string): boolean {
    const [ra, rb] = [this.root(a), this.root(b)]
    if (ra === rb) return false
    this.parent.set(ra, rb)
    return true
  }
}

/** What happens to a rig at a time: a valve, the pump, the ballast, or heat at a node. */
export const RigEvents = z.array(
  z.union([
    z.strictObject({ t_s: NotNegative, open: Id }),
    z.strictObject({ t_s: NotNegative, close: Id }),
    z.strictObject({ t_s: NotNegative, pump: z.enum(['on', 'off']) }),
    z.strictObject({ t_s: NotNegative, ballast: z.boolean() }),
    z.strictObject({ t_s: NotNegative, heat: Id, temperature_C: Celsius }),
  ]),
)
export type RigEvent = z.infer<typeof RigEvents>[number]
