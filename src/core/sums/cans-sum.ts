import { cheapest, USUAL_SIZES } from '../charge/buy'
import { type Container, planCharge } from '../charge/plan'
import { Unreadable } from '../errors'
import { METRES_PER_MM } from '../units/constants'
import { parseMass } from '../units/mass'
import { type Choice, celsius, type Field, mass, metres } from './fields'
import { even } from './picture'
import { FLUID, fluidOf } from './refrigerant-sum'
import { figure, type Given, type Sum } from './sum'

const MOST = 4
const PHASE: Choice = {
  key: 'phase',
  label: 'It goes in as',
  like: 'vapour',
  options: [
    { value: 'vapour', label: 'vapour' },
    { value: 'liquid', label: 'liquid' },
  ],
}
const CHARGING_BORE_M = 4.8 * METRES_PER_MM

/** A container as it is typed: what it weighs, and its net, or its tare where it was used. */
function readContainer(typed: string, id: string): Container | null {
  if (typed.trim() === '') return null
  const parts = typed.split(/[,;]/).map((p) => p.trim().toLowerCase())
  const massIn = (part: string | undefined) => parseMass((part ?? '').replace(/gross|net|tare|empty/g, '').trim()).grams
  if (parts.length !== 2)
    throw new Unreadable(`${id}: two weights, such as “474 g, net 340 g” or “9120 g, tare 3410 g”`)
  const grossG = massIn(parts[0])
  const used = /tare|empty/.test(parts[1] ?? '')
  const other = massIn(parts[1])
  if (other >= grossG)
    throw new Unreadable(`${id}: what is in it and its empty weight are both less than its gross weight`)
  return used ? { id, kind: 'cylinder', grossG, tareG: other } : { id, kind: 'can', grossG, netG: other }
}

/** The containers of this sum, as far as any are typed. */
export const containersIn = ({ c }: Given): Container[] =>
  Array.from({ length: MOST }, (_, i) => readContainer(c[`can${i + 1}`] ?? '', `container ${i + 1}`)).filter(
    (container) => container !== null,
  )

const wanted: Field = mass({ key: 'target', label: 'It shall get', like: '540 g', least: 20, most: 5000 })

export const CANS_SUM: Sum = {
  id: 'cans',
  name: 'Cans',
  question: 'What to buy, and at which weight is each container shut?',
  asks: [
    wanted,
    ...Array.from({ length: MOST }, (_, i) => ({
      key: `can${i + 1}`,
      label: `Container ${i + 1}`,
      like: i === 0 ? '474 g, net 340 g' : i === 1 ? '476 g, net 340 g' : '',
      words: true as const,
      hint: 'gross, then net or tare',
    })),
    FLUID,
    PHASE,
    metres({ key: 'hose', label: 'Charging hose', like: '1.5 m' }),
    mass({ key: 'purge', label: 'Each purge', like: '3 g', most: 50 }),
    celsius({ key: 'ambient', label: 'Air around', like: '22 C', least: -20, most: 55 }),
  ],
  formula:
    'stop weight = gross − what is taken; taken = what the car shall get + purge + what stays in the hose; a can keeps its volume times the vapour’s density',
  source: 'a can’s volume is 1.18 mL per gram of net, the hose 4.8 mm wide (assumed)',
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
    const toBuy = buy
      ? buy.pieces.map((p) => `${p.count} × ${p.size.name}`).join(' and ')
      : 'more than six cans: a cylinder'
    const stops = plan.steps.map((s) => `${s.id} at ${say.mass(s.stopGrossG)}`)
    const top = Math.max(target, ...plan.steps.map((s) => s.startGrossG)) * 1.05
    let inG = 0
    return {
      main: plan.shortG > 0 ? `short by ${say.mass(plan.shortG)}` : (stops.at(-1) ?? toBuy),
      line: `${say.mass(target)} of ${fluidOf(given)}: ${stops.length > 0 ? `shut ${stops.join(', ')}` : 'no container'}${plan.shortG > 0 ? `; short by ${say.mass(plan.shortG)}` : ''}. Full ones to buy: ${toBuy}.`,
      facts: [
        ...plan.steps.map((s) => ({
          name: `Shut ${s.id} at`,
          text: `${say.mass(s.stopGrossG)}${s.emptied ? ', empty but for its vapour' : ''}`,
        })),
        { name: 'In the car, 95 of 100', text: `${say.massText(plan.bandG[0])} to ${say.mass(plan.bandG[1])}` },
        { name: 'Stays in the hose', text: say.mass(plan.hoseHoldUpG) },
        { name: 'Full ones to buy', text: toBuy },
        ...plan.warnings.map((text) => ({ name: 'Mind', text })),
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
            { name: s.id, from: s.stopGrossG, to: s.startGrossG, text: `shut at ${say.mass(s.stopGrossG)}` },
          ]),
          ...plan.steps.map((s) => {
            const from = inG
            inG += s.takenG - s.purgeG - s.inHoseG
            return { name: `in the car after ${s.id}`, from, to: inG, text: say.mass(inG), pale: true }
          }),
        ],
        target: { at: target, low: target - 15, high: target + 15, text: 'shall get' },
        handles: [{ field: 'target', name: 'shall get', at: target }],
      },
    }
  },
}
