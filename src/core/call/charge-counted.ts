import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { cansGive, countAgainst } from '../charge/unweighed'
import { withinTablesC } from '../fluids/refrigerant'
import { valveOf } from '../job/sides'
import type { JobState } from '../job/state'
import type { Say } from '../units/say'
import { turnDeeds } from './turns'
import { type Call, type Deed, finish, record, set } from './types'

type Counted = NonNullable<JobState['counted']>

/** What would make a part of a can knowable. */
export const KNOWABLE =
  'A part of a can cannot be known without a scale: a kitchen scale in steps of 1 g under the can makes it knowable.'

/** What so many whole cans come to against the label, in a sentence. */
export function countWords(state: JobState, count: number, netG: number, say: Say): string {
  const { label, place } = state.opened
  const gives = cansGive(count, netG, label.refrigerant, withinTablesC(place.ambientC))
  const band =
    `${count} whole ${count === 1 ? 'can brings' : 'cans bring'} about ${say.mass(gives.middleG)}, ` +
    `between ${say.massText(gives.lowG)} and ${say.mass(gives.highG)}`
  const [target, allows] = [labelTargetG(state), toleranceG(state)]
  const asks = `the label asks for ${say.mass(target)} ±${say.mass(allows)}`
  return {
    lands: `${band}; ${asks}: it lands.`,
    'may-miss': `${band}; ${asks}: it may miss it, and nobody will know without a scale.`,
    short: `${band}; ${asks}: too little for certain. ${KNOWABLE}`,
    over: `${band}; ${asks}: too much for certain. ${KNOWABLE}`,
  }[countAgainst(gives, target, allows)]
}

/** The estimate of one can that was emptied, as its deed keeps it. */
export function canEmptied(state: JobState, { netG }: Pick<Counted, 'netG'>): Deed {
  const { label, place } = state.opened
  const { middleG, lowG, highG } = cansGive(1, netG, label.refrigerant, withinTablesC(place.ambientC))
  return {
    kind: 'can-emptied',
    payload: { netG, estimateG: middleG, plusMinusG: Math.max(highG - middleG, middleG - lowG) },
  }
}

/** The charge where nothing is weighed: whole cans, one after the other, each until it is empty. */
export function callCounted(state: JobState, counted: Counted, say: Say): Call {
  const { rig } = state
  const done = counted.emptied.length
  if (done >= counted.count) return callCountedFull(state, counted, say)
  const name = `Can ${done + 1} of ${counted.count}`
  const low = valveOf('low')
  if (rig['container-valve'] !== 'open' || rig[low] !== 'open') {
    return {
      sentence: `${name} on. Purge, then open.`,
      why: [
        'The tap’s needle backed out before it goes on the can; then pierce it, and open.',
        'A short hiss at the manifold end first: the line holds air.',
        done === 0 && rig.engine === 'off'
          ? 'Into the vacuum first, engine off, until the flow stops; then engine on, low side only.'
          : 'Low side only, vapour, upright.',
      ],
      watch: ['High side stays shut while the engine runs: the can would burst.', 'Eye protection and gloves on.'],
      action: {
        label: 'It is open',
        key: 'O',
        does: record(
          set('centre-hose', 'container'),
          set('gauge-valve', 'closed'),
          set('container-valve', 'open'),
          set(low, 'open'),
        ),
      },
      plain: [],
      after: 'Then until it is empty: light, no longer cold, nothing moves in it.',
    }
  }
  return {
    sentence: `${name}: until it is empty.`,
    why: [
      ...(rig.engine === 'off'
        ? ['The flow stops when the pressures have met: then engine on, cooling at maximum.']
        : []),
      'Empty is light, no longer cold, and nothing moves when it is shaken; warm water brings the rest, 50 °C (122 °F) at most.',
      KNOWABLE,
    ],
    watch: ['High side stays shut while the engine runs: the can would burst.'],
    action: {
      label: `Can ${done + 1} is empty`,
      key: 'E',
      does: record(set(low, 'closed'), set('container-valve', 'closed'), canEmptied(state, counted)),
    },
    plain: rig.engine === 'off' ? [{ label: 'Engine is on', key: 'N', does: record(set('engine', 'on')) }] : [],
    after: done + 1 < counted.count ? 'Then the next can.' : 'Then prove it.',
  }
}

function callCountedFull(state: JobState, { count, netG }: Counted, say: Say): Call {
  const [target, allows] = [labelTargetG(state), toleranceG(state)]
  const { label, place } = state.opened
  const over =
    countAgainst(cansGive(count, netG, label.refrigerant, withinTablesC(place.ambientC)), target, allows) === 'over'
  return {
    sentence: `${count} ${count === 1 ? 'can is' : 'cans are'} in. Prove it.`,
    why: [
      countWords(state, count, netG, say),
      'Nothing was weighed: the readings of the proof say more here than where a scale spoke.',
    ],
    watch: [],
    action: { label: 'Go on to the proof', key: 'P', does: record(finish('charge')) },
    plain: over
      ? [
          {
            label: 'Recover it, begin again',
            key: 'B',
            does: record(...turnDeeds(state, 'zero', 'too much by the count')),
          },
        ]
      : [],
    after: 'Both sides and the vent, after five to ten minutes.',
  }
}
