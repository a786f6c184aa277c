import { type Figure, proveJudge, type RuleFigure } from '@/core/proving/figures'
import { provePairs } from '@/core/proving/pairs'
import { provePulls } from '@/core/proving/pulls'
import { proveWatched } from '@/core/proving/watched'
import { BadInput, type Command, emit, readArgs } from './command'

/** `proving`: the judge on records of known truth, beside the schools' rules. */
export const proving: Command = {
  usage: '[--records N] [--from SEED] [--pulls | --watched | --pairs] [--json]',
  does:
    'Measures the judge on records whose truth is known, made by the rig model with seeded instruments, ' +
    'and the schools’ rules on the same.',
  options: {
    '--records N':
      '20 to 5000 electronic records (200); needles, spoilt records and times to a decision are in proportion',
    '--from SEED': 'first seed (1)',
    '--pulls':
      'instead: predictions of running pulls on pulls of known truth, and the schools’ fixed minutes beside them',
    '--pairs': 'instead: two holds of one car in a row, half an hour pulled between them (200 pairs)',
    '--watched':
      'instead: tight and damp holds watched for four hours, judged every minute (20 records, some ten seconds each)',
  },
  run: (args) => {
    const { values } = readArgs(args, {
      records: { type: 'string' },
      from: { type: 'string' },
      pulls: { type: 'boolean' },
      watched: { type: 'boolean' },
      pairs: { type: 'boolean' },
    })
    if (values.pulls === true) {
      const figures = provePulls(whole(values.records, 'records', 60, 5, 2000), whole(values.from, 'from', 1, 1, 1e9))
      emit(values.json === true, { figures }, () => figures.map(lineOf).join('\n'))
      return 0
    }
    if (values.pairs === true) {
      const figures = provePairs(whole(values.records, 'records', 200, 5, 5000), whole(values.from, 'from', 1, 1, 1e9))
      emit(values.json === true, { figures }, () => figures.map(lineOf).join('\n'))
      return 0
    }
    if (values.watched === true) {
      const figures = proveWatched(whole(values.records, 'records', 20, 1, 2000), whole(values.from, 'from', 1, 1, 1e9))
      emit(values.json === true, { figures }, () => figures.map(lineOf).join('\n'))
      return 0
    }
    const { figures, rules } = proveJudge(
      whole(values.records, 'records', 200, 20, 5000),
      whole(values.from, 'from', 1, 1, 1e9),
    )
    emit(values.json === true, { figures, rules }, () =>
      [...figures.map(lineOf), '', 'The schools’ rules on the same records:', ...rules.map(ruleLine)].join('\n'),
    )
    return 0
  },
}

function whole(value: unknown, name: string, usual: number, least: number, most: number): number {
  if (value === undefined) return usual
  const n = Number(value)
  if (!Number.isInteger(n) || n < least || n > most)
    throw new BadInput(`--${name} is "${value}"; a whole number from ${least} to ${most} is expected`)
  return n
}

const lineOf = (f: Figure): string => {
  const bounds = [f.least === undefined ? '' : `at least ${f.least}`, f.most === undefined ? '' : `at most ${f.most}`]
    .filter(Boolean)
    .join(', ')
  return (
    `${f.holds ? '  ' : '! '}${f.name}: ` +
    (`${f.value.toFixed(f.unit === '' ? 3 : 1)}${f.unit === '' ? '' : ` ${f.unit}`} of ` +
      `${f.of}${bounds ? ` (${bounds})` : ''}`)
  )
}

const wrongs = (r: RuleFigure): string =>
  Number.isFinite(r.leaksPassed)
    ? `${r.leaksPassed.toFixed(0)} % of tellable leaks pass, ${r.cleanFailed.toFixed(0)} % of leak-free cars fail`
    : 'never heard'

const ruleLine = (r: RuleFigure): string =>
  `  ${r.rule}: ${wrongs(r)}, ` + `says something of ${r.judgedOf.toFixed(0)} %`
