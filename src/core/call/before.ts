import { sidesOf } from '../job/sides'
import type { JobState } from '../job/state'
import { type RestFinding, readRest } from '../prove/rest-pressure'
import { type Call, finish, type Live, record, sayOf } from './types'

/** What the zero check of a state says; undefined before it was read. */
export function restFinding(state: JobState): RestFinding | undefined {
  const { zero, opened } = state
  if (!zero) return undefined
  return readRest(
    zero.lowPaG,
    zero.highPaG,
    zero.errorPa,
    opened.label.refrigerant,
    opened.place.ambientC,
    opened.place.barometerPa,
  )
}

export function callZero(state: JobState, live: Live): Call {
  const finding = restFinding(state)
  const one = sidesOf(state.opened.rig).length === 1
  if (!finding) {
    return {
      sentence: one ? 'Read the gauge at rest.' : 'Read both gauges at rest.',
      why: [
        'Anything but zero means refrigerant inside, or a needle off its zero.',
        'Engine off, car standing since it was driven in.',
      ],
      form: 'zero',
      watch: ['Gloves and eye protection on: liquid freezes skin and blinds.'],
      action: { label: one ? 'It is read' : 'Both are read', key: 'B', does: { do: 'send', form: 'zero' } },
      plain: [],
      after: 'Then log what was opened and renewed.',
    }
  }
  if (finding.kind === 'refrigerant') return callRecover(state, finding, live)
  if (finding.kind === 'below-zero' && !state.zeroAnswer) return callBelowZero()
  return {
    sentence: 'Nothing inside. Go on.',
    why: [
      state.zeroAnswer === 'needle-off-zero'
        ? 'The needle stands below its zero at rest: set it, and read it with that in mind.'
        : 'Both gauges stand at zero within their error.',
    ],
    watch: [],
    action: { label: 'Log the repair', key: 'L', does: record(finish('zero')) },
    plain: [],
  }
}

function callRecover(state: JobState, finding: Extract<RestFinding, { kind: 'refrigerant' }>, live: Live): Call {
  const say = sayOf(live)
  const { label, place } = state.opened
  const full = `${label.refrigerant} with liquid left stands at ${say.pressure(finding.saturationPaG)} at ${say.celsius(place.ambientC)}.`
  const means = {
    likely: 'So there is liquid inside: most of a charge may still be there.',
    none: 'It stands well below: only vapour is left.',
    'too-high': 'It stands above that: air inside, or a part warmer than the air around it.',
  }[finding.liquid]
  return {
    sentence: 'Recover it first.',
    why: [
      full,
      means,
      'Certified recovery equipment only. Venting on purpose is illegal in most places; local law decides.',
    ],
    form: 'recovered',
    watch: [
      'No pump on this car before it reads zero: pressure breaks its vanes.',
      ...(label.refrigerant === 'R-1234yf' ? ['R-1234yf burns mildly: ventilate, no flame, rated equipment.'] : []),
    ],
    action: { label: 'Recovered, at zero', key: 'R', does: { do: 'send', form: 'recovered' } },
    plain: [],
    after: 'The grams recovered and the last charge give the size of the leak.',
  }
}

function callBelowZero(): Call {
  return {
    sentence: 'Below zero: which is it?',
    why: [
      'Either the system is already under vacuum, or the needle stands off its zero.',
      'Take the gauge off: if it still reads below zero, it is the needle.',
    ],
    watch: [],
    action: {
      label: 'Already under vacuum',
      key: 'U',
      does: record({ kind: 'zero-explained', payload: { answer: 'already-under-vacuum' } }),
    },
    plain: [
      {
        label: 'Needle off zero',
        key: 'N',
        does: record({ kind: 'zero-explained', payload: { answer: 'needle-off-zero' } }),
      },
    ],
  }
}

export function callFix(state: JobState): Call {
  const wet = state.opened.story.openHours >= 12 && !state.opened.story.drierReplaced
  return {
    sentence: 'Log what was renewed.',
    why: [
      wet
        ? 'Open for long and the drier is the old one: expect bound water, a slow pull.'
        : 'It feeds the pull and the record.',
      'Oil left with a part goes back by the part’s table. Never without a reason.',
    ],
    form: 'fix',
    watch: state.opened.car.hybrid
      ? ['High-voltage compressor: only the maker’s non-conducting oil, only trained staff.']
      : [
          'No sealers, no stop-leak.',
          'Valve cores come in two sizes: hold the new one beside the old before it goes in.',
        ],
    action: { label: 'Repair is logged', key: 'L', does: { do: 'send', form: 'fix' } },
    plain: [
      {
        label: 'Look for the leak',
        key: 'F',
        does: record({ kind: 'search-begun', payload: { why: state.holds.length > 0 ? 'hold' : 'empty' } }),
      },
    ],
    after: 'Then rig up.',
  }
}
