import fc from 'fast-check'
import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { GAS_CONSTANT, L_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { RigFile } from './rig-file'
import { simulate } from './simulate'

type Input = Parameters<typeof RigFile.parse>[0]
const node = (id: string, volume_L: number, temperature_C = 25) => ({ id, volume_L, temperature_C })
const link = (
  id: string,
  from: string,
  to: string,
  bore_mm: number,
  length_m: number,
  kind = 'metal',
  open = true,
) => ({ id, from, to, bore_mm, length_m, kind, open })
const pump = (at: string, speed_cfm: number, ultimate_micron = 0, ballast = false) => ({
  at,
  speed_cfm,
  ultimate_micron,
  ballast,
})
const DRY = { relative_humidity: 0 }
const rigOf = (input: object) => RigFile.parse({ gauges: [], ...input } as Input)
const at = (run: ReturnType<typeof simulate>, tS: number, id: string) =>
  run.samples.find((s) => s.tS === tS)?.totalPa[run.nodes.indexOf(id)] ?? Number.NaN
/** Conductance of a tube for air in molecular flow at 25 C, m3/s, by Knudsen's formula with the end's aperture. */
const molecular = (boreM: number, lengthM: number) => {
  const area = (Math.PI / 4) * boreM ** 2
  const speed = Math.sqrt((8 * GAS_CONSTANT * 298.15) / (Math.PI * 0.02896))
  return ((area * speed) / 4) * (1 / (1 + (3 * lengthM) / (4 * boreM)))
}

test('one volume pumps down exponentially to the ultimate', () => {
  const run = simulate(rigOf({ nodes: [node('car', 2.5)], links: [], pump: pump('car', 1, 50), start: DRY }), {
    seconds: 60,
    everyS: 5,
  })
  const floor = 50 * PA_PER_MICRON
  for (const t of [5, 20, 40]) {
    const exact = floor + (101_325 - floor) * Math.exp((-(L_S_PER_CFM / 1000) * t) / 0.0025)
    expect(at(run, t, 'car') / exact).toBeCloseTo(1, 2.7)
  }
})

test('a leak into a shut volume rises straight: V dp/dt is the inflow', () => {
  const rig = rigOf({
    nodes: [node('car', 2.5)],
    links: [],
    pump: pump('car', 0),
    sources: { leaks: [{ at: 'car', air_Pa_m3_s: 1e-4 }] },
    start: { pressure_Pa: 20, relative_humidity: 0 },
  })
  const run = simulate(rig, { seconds: 3600, everyS: 600 })
  expect((at(run, 3600, 'car') - 20) / ((1e-4 * 3600) / 0.0025)).toBeCloseTo(1, 3)
})

test('two volumes meet at their mean, at the rate of the tube between them', () => {
  const conductance = molecular(0.008, 1)
  const rig = rigOf({
    nodes: [node('a', 2), node('b', 1), node('pump', 0.1)],
    links: [link('tube', 'a', 'b', 8, 1), link('off', 'b', 'pump', 8, 1, 'metal', false)],
    pump: pump('pump', 0),
    sources: { leaks: [] },
    start: { pressure_Pa: 0.01, relative_humidity: 0 },
  })
  // a puff of air into one side: a large leak for a second, then the two are left to themselves
  const puffed = { ...rig, sources: { ...rig.sources, leaks: [{ at: 'a', air_Pa_m3_s: 1e-6 }] } }
  const run = simulate(puffed, { seconds: 100, everyS: 1 })
  // steady difference while air flows in at Q: the flow through the tube is Q times b's share of the volume
  const difference = at(run, 100, 'a') - at(run, 100, 'b')
  expect(difference / (1e-6 / 3 / conductance)).toBeCloseTo(1, 1)
  expect((2 * at(run, 100, 'a') + at(run, 100, 'b')) / 3).toBeCloseTo(0.01 + (1e-6 * 100) / 0.003, 4)
})

test('tubes in series and the pump add as resistances', () => {
  const [d1, l1, d2, l2] = [0.0095, 1.2, 0.0048, 0.3]
  const rig = rigOf({
    nodes: [node('far', 1), node('middle', 0.05), node('pump', 0.05)],
    links: [link('one', 'far', 'middle', d2 * 1000, l2), link('two', 'middle', 'pump', d1 * 1000, l1)],
    pump: pump('pump', 2),
    sources: { leaks: [{ at: 'far', air_Pa_m3_s: 1e-7 }] },
    start: { pressure_Pa: 0.01, relative_humidity: 0 },
  })
  const run = simulate(rig, { seconds: 20_000, everyS: 1000 })
  const speed = 1 / (1 / molecular(d1, l1) + 1 / molecular(d2, l2) + 1000 / (2 * L_S_PER_CFM))
  expect((run.effectiveSpeedM3S[0] as number) / speed).toBeCloseTo(1, 2)
  expect(at(run, 20_000, 'far') / (1e-7 / speed)).toBeCloseTo(1, 2)
})

test('boiling water holds a plateau where pump, evaporation and warmth balance', () => {
  const speed = (0.2 * L_S_PER_CFM) / 1000
  const rig = rigOf({
    nodes: [node('car', 2.5)],
    links: [],
    pump: pump('car', 0.2, 0, true),
    sources: { water: [{ at: 'car', grams: 60 }] },
    start: DRY,
  })
  const run = simulate(rig, { seconds: 3000, everyS: 100 })
  // the ballast keeps the ultimate at 40 Pa; by bisection on the water's temperature: what evaporates is pumped, and
  // its heat flows in
  const perPaM3 = (0.018015 * 1000) / (GAS_CONSTANT * 298.15)
  const vapour = (k: number) => (5e-4 * waterSaturationPa(k) + speed * 40) / (5e-4 + speed)
  let [low, high] = [270, 298.15]
  for (let i = 0; i < 60; i++) {
    const k = (low + high) / 2
    const boiled = 5e-4 * (waterSaturationPa(k) - vapour(k)) * perPaM3
    if (0.4 * (298.15 - k) > 2500 * boiled) low = k
    else high = k
  }
  expect(at(run, 3000, 'car') / vapour(low)).toBeCloseTo(1, 2)
})

test('water left in a shut volume brings it to saturation at ambient, ballast or not', () => {
  const rig = rigOf({
    nodes: [node('car', 2.5)],
    links: [],
    pump: pump('car', 0),
    sources: { water: [{ at: 'car', grams: 2 }] },
    start: { pressure_Pa: 1, relative_humidity: 0 },
  })
  const run = simulate(rig, { seconds: 3600, everyS: 3600 })
  expect(at(run, 3600, 'car') / (waterSaturationPa(298.15) + 1)).toBeCloseTo(1, 3)
})

/** The same equations once more, for two nodes and one hose, written plainly and stepped blindly. */
function plainly(seconds: number, stepS: number): [number, number] {
  const [V, vp, d, L] = [0.0025, 0.0002, 0.0048, 1.5]
  const area = (Math.PI / 4) * d * d
  const speed = (4 * L_S_PER_CFM) / 1000
  const perPaM3 = 18.015 / (GAS_CONSTANT * 298.15)
  let [ac, wc, ap, wp, oil, m, k] = [
    101_325 - 0.5 * waterSaturationPa(298.15),
    0.5 * waterSaturationPa(298.15),
    0,
    0,
    0,
    0.4,
    298.15,
  ]
  ap = ac
  wp = wc
  for (let t = 0; t < seconds; t += stepS) {
    const [pc, pp] = [ac + wc, ap + wp]
    const visc = (Math.PI * d ** 4 * ((pc + pp) / 2) * (pc - pp)) / (128 * 1.82e-5 * L)
    const mol = (M: number) =>
      ((area * Math.sqrt((8 * GAS_CONSTANT * 298.15) / (Math.PI * M))) / 4) * (1 / (1 + (3 * L) / (4 * d)))
    let qa = ((pc >= pp ? ac : ap) / Math.max(pc, pp)) * visc + mol(0.02896) * (ac - ap)
    let qw = ((pc >= pp ? wc : wp) / Math.max(pc, pp)) * visc + mol(0.018015) * (wc - wp)
    const cap = Math.min(1, (200 * area * Math.max(pc, pp)) / Math.abs(qa + qw))
    qa *= cap
    qw *= cap
    const s = speed * Math.max(0, 1 - (40 * PA_PER_MICRON + 15 * oil) / pp)
    const boil = m > 0 ? 5e-4 * (waterSaturationPa(k) - wc) : 0
    k += (stepS * (0.4 * (298.15 - k) - 2500 * boil * perPaM3)) / (4.19 * Math.max(20, m))
    m -= stepS * boil * perPaM3
    oil += stepS * s * wp * perPaM3
    ac += (stepS * (1e-5 * (1 - (pc / 101_325) ** 2) - qa)) / V
    wc += (stepS * (boil - qw)) / V
    ap += (stepS * (qa - s * ap)) / vp
    wp += (stepS * (qw - s * wp)) / vp
  }
  return [ac + wc, ap + wp]
}

test('a wet pull agrees with the same equations stepped blindly', () => {
  const rig = rigOf({
    nodes: [node('car', 2.5), node('pump', 0.2)],
    links: [link('hose', 'car', 'pump', 4.8, 1.5)],
    pump: pump('pump', 4, 40),
    sources: { leaks: [{ at: 'car', air_Pa_m3_s: 1e-5 }], water: [{ at: 'car', grams: 0.4 }] },
  })
  const run = simulate(rig, { seconds: 900, everyS: 60 })
  for (const t of [120, 900]) {
    const [car, atPump] = plainly(t, 2e-3)
    expect(at(run, t, 'car') / car, `car at ${t} s`).toBeCloseTo(1, 1.7)
    expect(at(run, t, 'pump') / atPump, `pump at ${t} s`).toBeCloseTo(1, 1.7)
  }
})

const CAR = {
  nodes: [node('low', 0.8), node('evap', 0.6, 20), node('high', 1.1, 30), node('manifold', 0.05), node('pump', 0.1)],
  links: [
    link('pipe', 'low', 'evap', 8, 1),
    link('orifice', 'evap', 'high', 1.5, 0.04),
    link('hose-low', 'manifold', 'low', 4.8, 1.5, 'rubber-old'),
    link('hose-high', 'manifold', 'high', 4.8, 1.5, 'rubber-old'),
    link('hose-pump', 'manifold', 'pump', 4.8, 1.5, 'barrier-new'),
  ],
  pump: pump('pump', 5, 40),
  sources: {
    leaks: [{ at: 'high', air_Pa_m3_s: 1e-5 }],
    water: [{ at: 'evap', grams: 1 }],
    bound: [{ at: 'low', grams: 0.3, tau_s: 1800 }],
  },
}

test('air and water balance to a millionth through valves, ballast, heat and a stopped pump', () => {
  const events = [
    { t_s: 300, heat: 'evap', temperature_C: 45 },
    { t_s: 600, ballast: true },
    { t_s: 900, close: 'hose-high' },
    { t_s: 1200, open: 'hose-high' },
    { t_s: 1500, ballast: false },
    { t_s: 1800, pump: 'off' as const },
  ]
  // heat moves the gas temperature that turns grams into throughput, so the books are kept without it
  for (const list of [events.slice(1), []]) {
    const { imbalance } = simulate(rigOf(CAR), { seconds: 3600, everyS: 600, events: list })
    expect(imbalance.air).toBeLessThan(1e-6)
    expect(imbalance.water).toBeLessThan(1e-6)
  }
})

test('a tighter tolerance moves no pressure by more than half a percent', () => {
  const coarse = simulate(rigOf(CAR), { seconds: 3600, everyS: 60 })
  const fine = simulate(rigOf(CAR), { seconds: 3600, everyS: 60, relativeTolerance: 1e-6 })
  for (const [i, sample] of fine.samples.entries()) {
    for (const [k, pa] of sample.totalPa.entries())
      expect((coarse.samples[i]?.totalPa[k] as number) / pa).toBeCloseTo(1, 2)
  }
})

test('the time to a target is where the curve crosses it, and the run ends there', () => {
  const rig = rigOf(CAR)
  const whole = simulate(rig, { seconds: 7200, everyS: 1 })
  const run = simulate(rig, { seconds: 7200, everyS: 1, until: { node: 'high', pressurePa: 300 } })
  const reached = run.reachedS ?? Number.NaN
  expect(at(whole, Math.floor(reached), 'high')).toBeGreaterThanOrEqual(300 * 0.999)
  expect(at(whole, Math.ceil(reached), 'high')).toBeLessThanOrEqual(300 * 1.001)
  expect(run.samples[run.samples.length - 1]?.tS).toBeLessThanOrEqual(reached)
  expect(simulate(rig, { seconds: 60, everyS: 60, until: { node: 'high', pressurePa: 1 } }).reachedS).toBeNull()
})

test('warming the wet place ends the plateau sooner; the pump’s gauge reads below the far side all the while', () => {
  const target = { node: 'evap', pressurePa: 500 }
  const cold = simulate(rigOf(CAR), { seconds: 20_000, everyS: 100, until: target })
  const warm = simulate(rigOf(CAR), {
    seconds: 20_000,
    everyS: 100,
    until: target,
    events: [{ t_s: 60, heat: 'evap', temperature_C: 45 }],
  })
  expect(warm.reachedS as number).toBeLessThan(cold.reachedS as number)
  for (const s of cold.samples.slice(1)) expect(s.totalPa[4] as number).toBeLessThan(s.totalPa[1] as number)
})

test('rigs nobody has seen end, with every pressure finite and not negative', () => {
  const rigs = fc.record({
    volumes: fc.array(fc.double({ min: 0.002, max: 8, noNaN: true }), { minLength: 2, maxLength: 7 }),
    bores: fc.array(fc.double({ min: 0.3, max: 30, noNaN: true }), { minLength: 6, maxLength: 6 }),
    grams: fc.double({ min: 0, max: 20, noNaN: true }),
    leak: fc.double({ min: 0, max: 1e-2, noNaN: true }),
    cold: fc.double({ min: -30, max: 60, noNaN: true }),
    cfm: fc.double({ min: 0, max: 20, noNaN: true }),
  })
  fc.assert(
    fc.property(rigs, ({ volumes, bores, grams, leak, cold, cfm }) => {
      const rig = rigOf({
        nodes: volumes.map((v, i) => node(`n${i}`, v, i % 2 ? cold : 25)),
        links: volumes
          .slice(1)
          .map((_, i) => link(`l${i}`, `n${i}`, `n${i + 1}`, bores[i] as number, 0.02 + i * 0.4, 'rubber-old')),
        pump: pump('n0', cfm, 30),
        sources: { leaks: [{ at: 'n1', air_Pa_m3_s: leak }], water: [{ at: `n${volumes.length - 1}`, grams }] },
      })
      const run = simulate(rig, {
        seconds: 1800,
        everyS: 30,
        events: [
          { t_s: 700, close: 'l0' },
          { t_s: 900, open: 'l0' },
        ],
      })
      for (const s of run.samples) for (const pa of s.totalPa) expect(pa >= 0 && Number.isFinite(pa)).toBe(true)
      expect(Math.max(run.imbalance.air, run.imbalance.water)).toBeLessThan(1e-6)
    }),
    { numRuns: 60 },
  )
}, 60_000)

test.each([
  ['a missing node', { links: [link('h', 'low', 'nowhere', 5, 1)] }, 'links.0.to', /no node "nowhere"/],
  ['a zero bore', { links: [link('h', 'low', 'pump', 0, 1)] }, 'links.0.bore_mm', /./],
  ['a negative volume', { nodes: [node('low', -1), node('pump', 1)] }, 'nodes.0.volume_L', /./],
  ['not a number', { nodes: [node('low', Number.NaN), node('pump', 1)] }, 'nodes.0.volume_L', /./],
  ['an id twice', { nodes: [node('low', 1), node('low', 1), node('pump', 1)] }, 'nodes.1.id', /stands twice/],
  ['a stray field', { colour: 'red' }, '', /colour/],
  [
    'a ring of closed links',
    {
      nodes: [node('low', 1), node('pump', 1), node('x', 1)],
      links: [
        link('a', 'low', 'pump', 5, 1, 'metal', false),
        link('b', 'pump', 'x', 5, 1, 'metal', false),
        link('c', 'x', 'low', 5, 1, 'metal', false),
      ],
    },
    'links.2.open',
    /ring of closed links/,
  ],
])('%s is refused with its path', (_name, change, path, message) => {
  const base = {
    nodes: [node('low', 1), node('pump', 1)],
    links: [link('h', 'low', 'pump', 5, 1)],
    pump: pump('pump', 4),
    gauges: [],
  }
  const issue = RigFile.safeParse({ ...base, ...change }).error?.issues[0]
  expect(issue?.path.join('.')).toBe(path)
  expect(issue?.message).toMatch(message)
})
