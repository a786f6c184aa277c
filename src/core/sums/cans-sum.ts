import { cheapest, USUAL_SIZES } from '../charge/buy'
import { type Container, planCharge } from '../charge/plan'
import { Unreadable } from '../errors'
import { W } from '../language/sums/cans'
import { METRES_PER_MM } from '../units/constants'
import { parseMass } from '../units/mass'
import { type Choice, celsius, type Field, mass, metres } from './fields'
import { even } from './picture'
import { FLUID, fluidOf } from './refrigerant-sum'
import { figure, type Given, type Sum } from './sum'

const MOST = 4
const PHASE: Choice = {
  key: 'phase',
  label: W.itGoesInAs,
  like: 'vapour',
  options: [
    { value: 'vapour', label: W.vapour },
    { value: 'liquid', label: W.liquid },
  ],
}
const CHARGING_BORE_M = 4.8 * METRES_PER_MM

/** A container as it is typed: what it weighs, and its net, or its tare where it was used. */
function readContainer(typed: string, id: string): Container | null {
  if (typed.trim() === '') return null
  const parts = typed.split(/[,;]/).map((p) => p.trim().toLowerCase())
  const massIn = (part: string | undefined) => parseMass((part ?? '').replace(/gross|net|tare|empty/g, '').trim()).grams
  if (parts.length !== 2) throw new Unreadable(W.twoWeightsSuchAs474(id))
  const grossG = massIn(parts[0])
  const used = /tare|empty/.test(parts[1] ?? '')
  const other = massIn(parts[1])
  if (other >= grossG) throw new Unreadable(W.whatIsInItAnd(id))
  return used ? { id, kind: 'cylinder', grossG, tareG: other } : { id, kind: 'can', grossG, netG: other }
}

/** The containers of this sum, as far as any are typed. */
export const containersIn = ({ c }: Given): Container[] =>
  Array.from({ length: MOST }, (_, i) => readContainer(c[`can${i + 1}`] ?? '', `container ${i + 1}`)).filter(
    (container) => container !== null,
  )

const wanted: Field = mass({ key: 'target', label: W.itShallGet, like: '540 g', least: 20, most: 5000 })

export const CANS_SUM: Sum = {
  id: 'cans',
  name: W.cans,
  question: W.whatToBuyAndAt,
  asks: [
    wanted,
    ...Array.from({ length: MOST }, (_, i) => ({
      key: `can${i + 1}`,
      label: W.container(i + 1),
      like: i === 0 ? '474 g, net 340 g' : i === 1 ? '476 g, net 340 g' : '',
      words: true as const,
      hint: W.grossThenNetOrTare,
    })),
    FLUID,
    PHASE,
    metres({ key: 'hose', label: W.chargingHose, like: '1.5 m' }),
    mass({ key: 'purge', label: W.eachPurge, like: '3 g', most: 50 }),
    celsius({ key: 'ambient', label: W.airAround, like: '22 C', least: -20, most: 55 }),
  ],
  formula: W.stopWeightGrossWhatIs,
  source: W.aCansVolumeIs1,
  answer: (given) => {
    const { say } = given
    const [target, ambientC, purgeEachG] = [figure(given, 'target'), figure(given, 'ambient'), figure(given, 'purge')]
    const hose = {
      boreM: CHARGING_BORE_M,
      lengthM: figure(given, 'hose'),
      phase: given.c.phase === 'liquid' ? 'liquid' : 'vapour',
      drawnDown: false,
    } as const
    const plan = planCharge({
      refrigerant: fluidOf(given),
      target: { lowG: target, highG: target },
      toleranceG: 15,
      ambientC,
      scaleStepG: 2,
      hose,
      purgeEachG,
      containers: containersIn(given),
    })
    const buy = cheapest(target, USUAL_SIZES, {
      refrigerant: fluidOf(given),
      ambientC,
      purgeEachG,
      hoseG: plan.hoseHoldUpG,
    })
    const toBuy = buy ? buy.pieces.map((p) => `${p.count} × ${p.size.name}`).join(' and ') : W.moreThanSixCansA
    const stops = plan.steps.map((s) => `${s.id} at ${say.mass(s.stopGrossG)}`)
    const top = Math.max(target, ...plan.steps.map((s) => s.startGrossG)) * 1.05
    let inG = 0
    return {
      main: plan.shortG > 0 ? W.shortBy(say.mass(plan.shortG)) : (stops.at(-1) ?? toBuy),
      line: W.ofFullOnesToBuy(
        say.mass(target),
        fluidOf(given),
        stops.length > 0 ? W.shut(stops.join(', ')) : W.noContainer,
        plan.shortG > 0 ? W.shortBy2(say.mass(plan.shortG)) : '',
        toBuy,
      ),
      facts: [
        ...plan.steps.map((s) => ({
          name: W.shutAt(s.id),
          text: `${say.mass(s.stopGrossG)}${s.emptied ? W.emptyButForItsVapour : ''}`,
        })),
        { name: W.inTheCar95Of, text: `${say.massText(plan.bandG[0])} to ${say.mass(plan.bandG[1])}` },
        { name: W.staysInTheHose, text: say.mass(plan.hoseHoldUpG) },
        { name: W.fullOnesToBuy, text: toBuy },
        ...plan.warnings.map((text) => ({ name: W.mind, text })),
      ],
      picture: {
        kind: 'bars',
        axis: {
          from: 0,
          to: Math.max(top, 1.2 * target),
          name: 'g',
          ticks: even(0, Math.max(top, 1.2 * target), top > 3000 ? 2000 : 100, (v) => say.massShort(v)),
        },
        rows: [
          ...plan.steps.flatMap((s) => [
            { name: s.id, from: s.stopGrossG, to: s.startGrossG, text: W.shutAt2(say.mass(s.stopGrossG)) },
          ]),
          ...plan.steps.map((s) => {
            const from = inG
            inG += s.takenG - s.purgeG - s.inHoseG
            return { name: W.inTheCarAfter(s.id), from, to: inG, text: say.mass(inG), pale: true }
          }),
        ],
        target: { at: target, low: target - 15, high: target + 15, text: W.shallGet },
        handles: [{ field: 'target', name: W.shallGet, at: target }],
      },
    }
  },
}
