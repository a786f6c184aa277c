import { ChargeFile, inputOfFile, planAsFile } from '@/core/charge/charge-file'
import { planCharge } from '@/core/charge/plan'
import { workingOf } from '@/core/charge/working'
import { BadInput, type Command, emit, readArgs, readJsonFile } from './command'

/** `charge plan.json`: what to weigh out of which container, where to stop, and what the car gets. */
export const charge: Command = {
  usage: 'plan.json',
  does:
    'Works out a charge: the gross weight to stop at for each container, purges, heels and hose, ' +
    'the band of the total, and whether the tolerance can be met.',
  options: {},
  run: (args) => {
    const { values, positionals } = readArgs(args, {})
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('charge takes one plan file')
    const input = inputOfFile(readJsonFile(file, ChargeFile))
    const plan = planCharge(input)
    emit(values.json === true, planAsFile(plan), () =>
      [...workingOf(input, plan), ...plan.warnings.map((w) => `! ${w}`)].join('\n'),
    )
    return 0
  },
}
