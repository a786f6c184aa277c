import { waterSaturationPa } from '../fluids/water'
import { W } from '../language/rig'
import {
  AIR_KG_MOL,
  AIR_VISCOSITY_PA_S,
  BALLAST_FLOOR_PA,
  CUBIC_METRES_S_PER_CFM,
  GAS_CONSTANT,
  HOUR_S,
  METRES_PER_MM,
  OIL_PA_PER_G,
  PA_PER_MICRON,
  WATER_KG_MOL,
} from '../units/constants'
import { kelvin } from '../units/temperature'
import { DYING_POWER, OUTGASSING, OUTGASSING_FLOOR_S } from './outgassing'
import type { RigEvent, RigFile } from './rig-file'

/** Constants of model.md section 4; those marked there as assumed are assumed here. */
const CHOKE_M_S = 200
const EVAPORATION_M3_S = 0.5e-3
const WARMING_W_K = 0.4
const LEAST_WETTED_G = 20
const WATER_HEAT_J_G_K = 4.19
const LATENT_J_G = 2500

type Link = {
  id: string
  i: number
  j: number
  open: boolean
  viscous: number
  molecular: number
  choke: number
  air: number
  water: number
  /** what its walls give at first and always, Pa m3/s a metre */
  first: number
  steady: number
  lengthM: number
}
/** Water by where it is, g: liquid, bound in oil and drier of the car, in the pump's oil. */
export type WaterLeft = { liquidG: number; boundG: number; inOilG: number }

type Water = { node: number; at: number; gone: boolean; surroundingsK: number }
type Bound = { node: number; at: number; grams: number; tauS: number }

/**
 * The balance of a rig as ordinary differential equations, compiled once.
 *
 * State, in order: partial pressures of air and water of each node (Pa), for each liquid water its mass (g) and
 * temperature (K), for each bound water its mass (g), water in the pump's oil (g), time (s), and the throughputs air
 * in, air out and water out (Pa m3), which nothing depends on and which only keep the books.
 */
export class Network {
  readonly size: number
  /** where the slopes of the balance may be other than zero, row-major */
  readonly pattern: Uint8Array
  readonly nodes: readonly string[]
  private readonly volumes: Float64Array
  private readonly temperatures: Float64Array
  private readonly saturation: Float64Array
  private readonly links: Link[]
  private readonly leaks: { node: number; air: number }[]
  private readonly waters: Water[]
  private readonly bounds: Bound[]
  private readonly pumpNode: number
  private readonly speedM3S: number
  private readonly ultimatePa: number
  private readonly barometerPa: number
  private pumping = true
  private ballast: boolean
  private readonly oilAt: number
  private readonly timeAt: number
  private readonly booksAt: number
  // flows of the last link looked at, kept here so that the inner loop makes no garbage
  private flowAir = 0
  private flowWater = 0
  /** both together, if nothing choked them */
  private freeFlow = 0
  private readonly slopes = new Float64Array(8)

  constructor(rig: RigFile) {
    this.nodes = rig.nodes.map((n) => n.id)
    const at = (id: string) => this.nodes.indexOf(id)
    const n = rig.nodes.length
    this.volumes = Float64Array.from(rig.nodes, (node) => node.volume_L / 1000)
    this.temperatures = Float64Array.from(rig.nodes, (node) => kelvin(node.temperature_C))
    this.saturation = this.temperatures.map(waterSaturationPa)
    this.links = rig.links.map((link) => this.compileLink(link, at(link.from), at(link.to)))
    this.leaks = rig.sources.leaks.map((leak) => ({ node: at(leak.at), air: leak.air_Pa_m3_s }))
    const ambientK = kelvin(rig.ambient_C)
    this.waters = rig.sources.water.map((w, k) => ({
      node: at(w.at),
      at: 2 * n + 2 * k,
      gone: w.grams === 0,
      surroundingsK: ambientK,
    }))
    const boundAt = 2 * n + 2 * this.waters.length
    this.bounds = rig.sources.bound
      .filter((b) => b.grams > 0)
      .map((b, k) => ({ node: at(b.at), at: boundAt + k, grams: b.grams, tauS: b.tau_s }))
    this.pumpNode = at(rig.pump.at)
    this.speedM3S = rig.pump.speed_cfm * CUBIC_METRES_S_PER_CFM
    this.ultimatePa = rig.pump.ultimate_micron * PA_PER_MICRON
    this.ballast = rig.pump.ballast
    this.barometerPa = rig.barometer_Pa
    this.oilAt = boundAt + this.bounds.length
    this.timeAt = this.oilAt + 1
    this.booksAt = this.timeAt + 1
    this.size = this.booksAt + 3
    this.pattern = this.coupled()
  }

  /** Which state moves which, whatever is open and running: row-major, the moved one's row. */
  private coupled(): Uint8Array {
    const pattern = new Uint8Array(this.size * this.size)
    const couple = (rows: readonly number[], columns: readonly number[]) => {
      for (const row of rows) for (const column of columns) pattern[row * this.size + column] = 1
    }
    const gas = (node: number) => [2 * node, 2 * node + 1]
    const [airIn, airOut, waterOut] = [this.booksAt, this.booksAt + 1, this.booksAt + 2]
    for (const { i, j } of this.links) {
      couple([...gas(i), ...gas(j)], [...gas(i), ...gas(j)])
      couple([2 * i, 2 * j, airIn], [this.timeAt])
    }
    for (const { node } of this.leaks) couple([2 * node, airIn], gas(node))
    for (const { node, at } of this.waters) couple([2 * node + 1, at, at + 1], [2 * node + 1, at, at + 1])
    for (const { node, at } of this.bounds) couple([2 * node + 1, at], [2 * node + 1, at])
    const pump = [...gas(this.pumpNode), this.oilAt]
    couple([...pump, airOut, waterOut], pump)
    return pattern
  }

  private compileLink(link: RigFile['links'][number], i: number, j: number): Link {
    const d = link.bore_mm * METRES_PER_MM
    const area = (Math.PI / 4) * d * d
    const viscous = (Math.PI * d ** 4) / (128 * AIR_VISCOSITY_PA_S * link.length_m)
    const molecular = area / 4 / (1 + (3 * link.length_m) / (4 * d))
    return {
      id: link.id,
      i,
      j,
      open: link.open,
      viscous,
      molecular,
      choke: CHOKE_M_S * area,
      ...this.speeds(molecular, i, j),
      first: OUTGASSING[link.kind][0],
      steady: OUTGASSING[link.kind][1],
      lengthM: link.length_m,
    }
  }

  /** Molecular conductance of a link for air and for water, at the mean temperature of its ends. */
  private speeds(molecular: number, i: number, j: number): { air: number; water: number } {
    const meanK = ((this.temperatures[i] as number) + (this.temperatures[j] as number)) / 2
    const speed = Math.sqrt((8 * GAS_CONSTANT * meanK) / Math.PI)
    return { air: molecular * speed * INV_SQRT_AIR, water: molecular * speed * INV_SQRT_WATER }
  }

  /** The state at the start: every node at the same pressure and relative humidity. */
  initial(rig: RigFile): Float64Array {
    const y = new Float64Array(this.size)
    const startPa = rig.start.pressure_Pa ?? rig.barometer_Pa
    for (let k = 0; k < this.nodes.length; k++) {
      const waterPa = Math.min(startPa, rig.start.relative_humidity * (this.saturation[k] as number))
      y[2 * k] = startPa - waterPa
      y[2 * k + 1] = waterPa
    }
    for (const [k, water] of this.waters.entries()) {
      y[water.at] = rig.sources.water[k]?.grams ?? 0
      y[water.at + 1] = this.temperatures[water.node] as number
    }
    for (const bound of this.bounds) y[bound.at] = bound.grams
    return y
  }

  /**
   * The state of another rig on the same car as this rig's: what is in a place of the same name, the water where it
   * lies, the oil and the time under vacuum. A place the other has not is as the one its first link leads to.
   */
  carriedFrom(other: Network, state: Float64Array): Float64Array {
    const y = new Float64Array(this.size)
    const known = (k: number): number => other.nodes.indexOf(this.nodes[k] as string)
    for (let k = 0; k < this.nodes.length; k++) {
      const next = this.links.flatMap((l) => (l.i === k ? [l.j] : l.j === k ? [l.i] : [])).find((n) => known(n) >= 0)
      const from = known(k) >= 0 ? known(k) : known(next ?? this.pumpNode)
      y[2 * k] = state[2 * from] as number
      y[2 * k + 1] = state[2 * from + 1] as number
    }
    for (const [k, water] of this.waters.entries()) {
      const at = other.waters[k]?.at
      if (at !== undefined) y.set(state.subarray(at, at + 2), water.at)
    }
    for (const [k, bound] of this.bounds.entries()) y[bound.at] = state[other.bounds[k]?.at ?? 0] as number
    y[this.oilAt] = state[other.oilAt] as number
    y[this.timeAt] = state[other.timeAt] as number
    this.recall(y)
    return y
  }

  /** The pump's oil is changed: what it had taken is gone with it. */
  freshOil(y: Float64Array): void {
    y[this.oilAt] = 0
  }

  /** Sets the inflow of a leak, Pa m3/s at hard vacuum: a line opened to the air is one. */
  setLeak(index: number, air: number): void {
    const leak = this.leaks[index]
    if (!leak) throw new RangeError(W.thereIsNoLeak(index))
    leak.air = air
  }

  /** Does what an event says; false when it names a link or node that is not there. */
  apply(event: RigEvent): boolean {
    if ('open' in event || 'close' in event) {
      const link = this.links.find((l) => l.id === ('open' in event ? event.open : event.close))
      if (link) link.open = 'open' in event
      return link !== undefined
    }
    if ('pump' in event) this.pumping = event.pump === 'on'
    if ('ballast' in event) this.ballast = event.ballast
    if ('heat' in event) return this.heat(this.nodes.indexOf(event.heat), kelvin(event.temperature_C))
    return true
  }

  /** Heat changes the node's gas and what the water there is warmed by; the pressure itself is left alone. */
  private heat(node: number, temperatureK: number): boolean {
    if (node < 0) return false
    this.temperatures[node] = temperatureK
    this.saturation[node] = waterSaturationPa(temperatureK)
    for (const water of this.waters) if (water.node === node) water.surroundingsK = temperatureK
    for (const link of this.links)
      if (link.i === node || link.j === node) Object.assign(link, this.speeds(link.molecular, link.i, link.j))
    return true
  }

  /** Total pressure of a node, Pa. */
  totalPa(y: Float64Array, node: number): number {
    return (y[2 * node] as number) + (y[2 * node + 1] as number)
  }

  /** Water still liquid or bound anywhere, g. */
  waterLeftG(y: Float64Array): number {
    return [...this.waters, ...this.bounds].reduce((sum, w) => sum + Math.max(0, y[w.at] as number), 0)
  }

  /** Largest share by which air or water fails to balance; `start` is the state the books began at. */
  imbalance(start: Float64Array, y: Float64Array): { air: number; water: number } {
    const held = (state: Float64Array, species: number) =>
      this.volumes.reduce((sum, v, k) => sum + v * (state[2 * k + species] as number), 0)
    const stored = (state: Float64Array) =>
      this.waters.reduce((sum, w) => sum + (state[w.at] as number) / this.gramsPerPaM3(w.node), 0) +
      this.bounds.reduce((sum, b) => sum + (state[b.at] as number) / this.gramsPerPaM3(b.node), 0)
    const airIn = y[this.booksAt] as number
    const airOut = y[this.booksAt + 1] as number
    const waterOut = y[this.booksAt + 2] as number
    const air = held(y, 0) + airOut - airIn - held(start, 0)
    const water = held(y, 1) + stored(y) + waterOut - held(start, 1) - stored(start)
    return {
      air: Math.abs(air) / (held(start, 0) + airIn),
      water: Math.abs(water) / Math.max(1e-12, held(start, 1) + stored(start)),
    }
  }

  /** Water that has not become gas yet, and what the pump's oil has taken, g. */
  waterLeft(y: Float64Array): WaterLeft {
    return {
      liquidG: this.waters.reduce((sum, w) => sum + Math.max(0, w.gone ? 0 : (y[w.at] as number)), 0),
      boundG: this.bounds.reduce((sum, b) => sum + Math.max(0, y[b.at] as number), 0),
      inOilG: y[this.oilAt] as number,
    }
  }

  /** Index of the liquid water that is used up at `y` but not marked gone, with its mass below zero; -1 for none. */
  overdrawn(y: Float64Array): number {
    return this.waters.findIndex((w) => !w.gone && (y[w.at] as number) < 0)
  }

  waterMassG(y: Float64Array, index: number): number {
    return y[(this.waters[index] as Water).at] as number
  }

  /**
   * From now on this liquid water is gone; the last trace of it, or what was overdrawn, is booked into the gas of its
   * node.
   */
  exhaust(y: Float64Array, index: number): void {
    const water = this.waters[index] as Water
    water.gone = true
    this.add(
      y,
      2 * water.node + 1,
      (y[water.at] as number) / this.gramsPerPaM3(water.node) / (this.volumes[water.node] as number),
    )
    y[water.at] = 0
  }

  /** Takes from a state which liquid water is still there, after going back to it. */
  recall(y: Float64Array): void {
    for (const water of this.waters) {
      water.gone = (y[water.at] as number) <= 0
    }
  }

  /** Adds water to the pump's oil, g: oil that was used before it came to this rig. */
  wetOil(y: Float64Array, grams: number): void {
    this.add(y, this.oilAt, grams)
  }

  /** Net flow out of a node over its pressure: effective speed towards the pump, m3/s. */
  effectiveSpeed(y: Float64Array, node: number): number {
    let out = node === this.pumpNode ? this.pumpSpeed(y, this.totalPa(y, node)) * this.totalPa(y, node) : 0
    for (const link of this.links) {
      if (!link.open || (link.i !== node && link.j !== node)) continue
      this.linkFlow(link, y)
      out += (link.i === node ? 1 : -1) * (this.flowAir + this.flowWater)
    }
    return out / this.totalPa(y, node)
  }

  private gramsPerPaM3(node: number): number {
    return (WATER_KG_MOL * 1000) / (GAS_CONSTANT * (this.temperatures[node] as number))
  }

  private pumpSpeed(y: Float64Array, pa: number): number {
    if (!this.pumping) return 0
    const own = this.ultimatePa + OIL_PA_PER_G * (y[this.oilAt] as number)
    const ultimate = this.ballast ? Math.max(own, BALLAST_FLOOR_PA) : own
    return this.speedM3S * Math.max(0, 1 - ultimate / pa)
  }

  private linkFlow(link: Link, y: Float64Array): void {
    this.flow(
      link,
      y[2 * link.i] as number,
      y[2 * link.i + 1] as number,
      y[2 * link.j] as number,
      y[2 * link.j + 1] as number,
    )
  }

  private flow(link: Link, ai: number, wi: number, aj: number, wj: number): void {
    const pi = ai + wi
    const pj = aj + wj
    const up = Math.max(pi, pj)
    const viscous = up > 0 ? (link.viscous * ((pi + pj) / 2) * (pi - pj)) / up : 0
    const air = viscous * (pi >= pj ? ai : aj) + link.air * (ai - aj)
    const water = viscous * (pi >= pj ? wi : wj) + link.water * (wi - wj)
    const limit = link.choke * up
    this.freeFlow = air + water
    const total = Math.abs(this.freeFlow)
    const scale = total > limit ? limit / total : 1
    this.flowAir = air * scale
    this.flowWater = water * scale
  }

  private outgassing(link: Link, decay: number): number {
    return link.first === 0 ? 0 : link.lengthM * (link.first * decay + link.steady)
  }

  /** Time derivative of the state. */
  derivative(y: Float64Array, dy: Float64Array): void {
    dy.fill(0)
    const books = this.booksAt
    const decay = (Math.max(OUTGASSING_FLOOR_S, y[this.timeAt] as number) / HOUR_S) ** -DYING_POWER
    for (const link of this.links) {
      const half = this.outgassing(link, decay) / 2
      if (half > 0) {
        this.add(dy, 2 * link.i, half)
        this.add(dy, 2 * link.j, half)
        this.add(dy, books, 2 * half)
      }
      if (!link.open) continue
      this.linkFlow(link, y)
      this.add(dy, 2 * link.i, -this.flowAir)
      this.add(dy, 2 * link.j, this.flowAir)
      this.add(dy, 2 * link.i + 1, -this.flowWater)
      this.add(dy, 2 * link.j + 1, this.flowWater)
    }
    for (const leak of this.leaks) {
      const inflow = this.leakInflow(leak.air, this.totalPa(y, leak.node))
      this.add(dy, 2 * leak.node, inflow)
      this.add(dy, books, inflow)
    }
    for (const water of this.waters) this.evaporate(water, y, dy)
    for (const bound of this.bounds) {
      const rate = this.boundRate(bound, y)
      this.add(dy, 2 * bound.node + 1, rate)
      this.add(dy, bound.at, -rate * this.gramsPerPaM3(bound.node))
    }
    const pump = this.pumpNode
    const speed = this.pumpSpeed(y, this.totalPa(y, pump))
    this.add(dy, 2 * pump, -speed * (y[2 * pump] as number))
    this.add(dy, 2 * pump + 1, -speed * (y[2 * pump + 1] as number))
    this.add(dy, books + 1, speed * (y[2 * pump] as number))
    this.add(dy, books + 2, speed * (y[2 * pump + 1] as number))
    if (!this.ballast) this.add(dy, this.oilAt, speed * (y[2 * pump + 1] as number) * this.gramsPerPaM3(pump))
    dy[this.timeAt] = 1
    for (let k = 0; k < this.nodes.length; k++) {
      dy[2 * k] = (dy[2 * k] as number) / (this.volumes[k] as number)
      dy[2 * k + 1] = (dy[2 * k + 1] as number) / (this.volumes[k] as number)
    }
  }

  private add(dy: Float64Array, at: number, value: number): void {
    dy[at] = (dy[at] as number) + value
  }

  private leakInflow(air: number, pa: number): number {
    return (air * (this.barometerPa ** 2 - pa ** 2)) / this.barometerPa ** 2
  }

  private boundRate(bound: Bound, y: Float64Array): number {
    const share =
      (y[bound.at] as number) / bound.grams -
      (y[2 * bound.node + 1] as number) / (this.saturation[bound.node] as number)
    return (bound.grams / this.gramsPerPaM3(bound.node) / bound.tauS) * Math.max(0, share)
  }

  private evaporate(water: Water, y: Float64Array, dy: Float64Array): void {
    const waterK = y[water.at + 1] as number
    const rate = water.gone ? 0 : EVAPORATION_M3_S * (saturationSafe(waterK) - (y[2 * water.node + 1] as number))
    const grams = rate * this.gramsPerPaM3(water.node)
    this.add(dy, 2 * water.node + 1, rate)
    this.add(dy, water.at, -grams)
    const heat = WATER_HEAT_J_G_K * Math.max(LEAST_WETTED_G, y[water.at] as number)
    this.add(dy, water.at + 1, (WARMING_W_K * (water.surroundingsK - waterK) - LATENT_J_G * grams) / heat)
  }

  /**
   * Derivatives of `derivative` by the state, row-major `size` x `size`. Each number goes to both ends of a link and to
   * the books alike, so that what is conserved stays conserved to rounding.
   */
  jacobian(y: Float64Array, jac: Float64Array): void {
    jac.fill(0)
    for (const link of this.links) this.linkJacobian(link, y, jac)
    for (const leak of this.leaks) {
      const slope = (-2 * leak.air * this.totalPa(y, leak.node)) / this.barometerPa ** 2
      for (let species = 0; species < 2; species++) {
        this.putGas(jac, 2 * leak.node, 2 * leak.node + species, slope)
        this.put(jac, this.booksAt, 2 * leak.node + species, slope)
      }
    }
    for (const water of this.waters) this.evaporationJacobian(water, y, jac)
    for (const bound of this.bounds) {
      if (this.boundRate(bound, y) <= 0) continue
      const grams = this.gramsPerPaM3(bound.node)
      const byMass = 1 / grams / bound.tauS
      const byPressure = -bound.grams / grams / bound.tauS / (this.saturation[bound.node] as number)
      const pressure = 2 * bound.node + 1
      this.putGas(jac, pressure, bound.at, byMass)
      this.putGas(jac, pressure, pressure, byPressure)
      this.put(jac, bound.at, bound.at, -byMass * grams)
      this.put(jac, bound.at, pressure, -byPressure * grams)
    }
    this.pumpJacobian(y, jac)
  }

  private put(jac: Float64Array, row: number, column: number, value: number): void {
    const at = row * this.size + column
    jac[at] = (jac[at] as number) + value
  }

  /** What flows into a node's gas: `row` is the state of the gas there. */
  private putGas(jac: Float64Array, row: number, column: number, value: number): void {
    this.put(jac, row, column, value / (this.volumes[row >> 1] as number))
  }

  private linkJacobian(link: Link, y: Float64Array, jac: Float64Array): void {
    const time = y[this.timeAt] as number
    if (link.first > 0 && time > OUTGASSING_FLOOR_S) {
      const half = (-DYING_POWER * link.lengthM * link.first * (time / HOUR_S) ** (-DYING_POWER - 1)) / HOUR_S / 2
      this.putGas(jac, 2 * link.i, this.timeAt, half)
      this.putGas(jac, 2 * link.j, this.timeAt, half)
      this.put(jac, this.booksAt, this.timeAt, 2 * half)
    }
    if (!link.open) return
    this.linkFlow(link, y)
    const slopes = this.flowSlopes(link, y)
    for (let k = 0; k < 4; k++) {
      const column = k < 2 ? 2 * link.i + k : 2 * link.j + k - 2
      const byAir = slopes[k] as number
      const byWater = slopes[4 + k] as number
      this.putGas(jac, 2 * link.i, column, -byAir)
      this.putGas(jac, 2 * link.j, column, byAir)
      this.putGas(jac, 2 * link.i + 1, column, -byWater)
      this.putGas(jac, 2 * link.j + 1, column, byWater)
    }
  }

  /**
   * Slopes of a link's flow, which was worked out just before: of its air, then of its water, each by air and water at
   * its one end and at its other.
   */
  private flowSlopes(link: Link, y: Float64Array): Float64Array {
    const out = this.slopes
    const [atI, atJ] = [2 * link.i, 2 * link.j]
    const forward = (y[atI] as number) + (y[atI + 1] as number) >= (y[atJ] as number) + (y[atJ + 1] as number)
    const [upAt, downAt] = forward ? [atI, atJ] : [atJ, atI]
    const up = (y[upAt] as number) + (y[upAt + 1] as number)
    const down = (y[downAt] as number) + (y[downAt + 1] as number)
    const sign = forward ? 1 : -1
    // the viscous part is v = G (up^2 - down^2) / (2 up) of what stands upstream
    const ratio = up > 0 ? down / up : 1
    const v = 0.5 * link.viscous * (up - down) * (1 + ratio)
    const byUp = 0.5 * link.viscous * (1 + ratio * ratio)
    const byDown = -link.viscous * ratio
    const [first, second] = forward ? [0, 2] : [2, 0]
    for (let species = 0; species < 2; species++) {
      const there = y[upAt + species] as number
      const molecular = species === 0 ? link.air : link.water
      for (let by = 0; by < 2; by++) {
        out[4 * species + first + by] = sign * (byUp * there + (by === species ? v + molecular : 0))
        out[4 * species + second + by] = sign * (byDown * there - (by === species ? molecular : 0))
      }
    }
    if (Math.abs(this.freeFlow) > link.choke * up) this.choked(out, first, up)
    return out
  }

  /** What the choke leaves of the slopes: the mixture flows at the speed of the choke, whatever drives it. */
  private choked(out: Float64Array, first: number, up: number): void {
    const total = this.flowAir + this.flowWater
    const free = this.freeFlow
    const scale = total / free
    for (let k = 0; k < 4; k++) {
      const of = (out[k] as number) + (out[4 + k] as number)
      const upstream = k === first || k === first + 1 ? 1 / up : 0
      const rate = upstream - of / free
      out[k] = scale * (out[k] as number) + this.flowAir * rate
      out[4 + k] = scale * (out[4 + k] as number) + this.flowWater * rate
    }
  }

  private evaporationJacobian(water: Water, y: Float64Array, jac: Float64Array): void {
    const waterK = y[water.at + 1] as number
    const mass = y[water.at] as number
    const heat = WATER_HEAT_J_G_K * Math.max(LEAST_WETTED_G, mass)
    this.put(jac, water.at + 1, water.at + 1, -WARMING_W_K / heat)
    if (water.gone) return
    const grams = this.gramsPerPaM3(water.node)
    const pressure = 2 * water.node + 1
    const byPressure = -EVAPORATION_M3_S
    const byTemperature = (EVAPORATION_M3_S * (saturationSafe(waterK + 0.01) - saturationSafe(waterK - 0.01))) / 0.02
    this.putGas(jac, pressure, pressure, byPressure)
    this.putGas(jac, pressure, water.at + 1, byTemperature)
    this.put(jac, water.at, pressure, -byPressure * grams)
    this.put(jac, water.at, water.at + 1, -byTemperature * grams)
    this.put(jac, water.at + 1, pressure, (-LATENT_J_G * grams * byPressure) / heat)
    this.put(jac, water.at + 1, water.at + 1, (-LATENT_J_G * grams * byTemperature) / heat)
    if (mass > LEAST_WETTED_G) {
      const rate = EVAPORATION_M3_S * (saturationSafe(waterK) - (y[pressure] as number)) * grams
      const warms = WARMING_W_K * (water.surroundingsK - waterK) - LATENT_J_G * rate
      this.put(jac, water.at + 1, water.at, -warms / heat / mass)
    }
  }

  private pumpJacobian(y: Float64Array, jac: Float64Array): void {
    const pump = this.pumpNode
    const pa = this.totalPa(y, pump)
    const speed = this.pumpSpeed(y, pa)
    if (speed <= 0) return
    const grams = this.ballast ? 0 : this.gramsPerPaM3(pump)
    // S = S0 (1 - u / p): dS/dp = S0 u / p^2, dS/du = -S0 / p
    const byPressure = (this.speedM3S - speed) / pa
    const own = this.ultimatePa + OIL_PA_PER_G * (y[this.oilAt] as number)
    const byOil = this.ballast && own < BALLAST_FLOOR_PA ? 0 : (-this.speedM3S / pa) * OIL_PA_PER_G
    for (let species = 0; species < 2; species++) {
      const part = y[2 * pump + species] as number
      this.putPumped(jac, species, 2 * pump, byPressure * part + (species === 0 ? speed : 0), grams)
      this.putPumped(jac, species, 2 * pump + 1, byPressure * part + (species === 1 ? speed : 0), grams)
      this.putPumped(jac, species, this.oilAt, byOil * part, grams)
    }
  }

  private putPumped(jac: Float64Array, species: number, column: number, value: number, grams: number): void {
    this.putGas(jac, 2 * this.pumpNode + species, column, -value)
    this.put(jac, this.booksAt + 1 + species, column, value)
    if (species === 1) this.put(jac, this.oilAt, column, value * grams)
  }

  /** Allowed error of each state: relative, and absolute in its own unit; nothing is asked of time and books. */
  tolerances(relative: number): { relative: Float64Array; absolute: Float64Array } {
    const r = new Float64Array(this.size).fill(relative)
    const a = new Float64Array(this.size).fill(1e-3)
    for (const water of this.waters) {
      a[water.at] = 1e-5
      r[water.at + 1] = relative / 100
      a[water.at + 1] = 0.02
    }
    for (const bound of this.bounds) a[bound.at] = 1e-5
    a[this.oilAt] = 1e-5
    for (let k = this.timeAt; k < this.size; k++) a[k] = Number.POSITIVE_INFINITY
    return { relative: r, absolute: a }
  }

  /**
   * First pressure below zero beyond rounding, or not a number; -1 for none. Tiny negatives are set to zero, their
   * throughput booked as pumped.
   */
  settle(y: Float64Array): number {
    for (let k = 0; k < 2 * this.nodes.length; k++) {
      const p = y[k] as number
      if (!(p >= -1e-3)) return k
      if (p < 0) {
        this.add(y, this.booksAt + 1 + (k % 2), p * (this.volumes[k >> 1] as number))
        y[k] = 0
      }
    }
    return -1
  }
}

const INV_SQRT_AIR = 1 / Math.sqrt(AIR_KG_MOL)
const INV_SQRT_WATER = 1 / Math.sqrt(WATER_KG_MOL)

/**
 * Saturation pressure with the temperature held to where water can be in a car: the integrator may look a little
 * outside.
 */
function saturationSafe(waterK: number): number {
  return waterSaturationPa(Math.min(370, Math.max(150, waterK)))
}
