import { DayFile, dayOf, planAsFile } from '@/core/day/day-file'
import { brokenRow, planDay } from '@/core/day/plan-day'
import { lateBy } from '@/core/day/search'
import { whyOf } from '@/core/day/why'
import { MINUTE_MS } from '@/core/units/constants'
import { dayWords } from '@/core/words/day-words'
import { BadInput, type Command, emit, readArgs, readJsonFile } from './command'

/** `day day.json`: who does what on which car when, with which rig and scale. */
export const day: Command = {
  usage: 'day.json',
  does:
    'Plans a day: least lateness against what was promised, then the least sum of the cars’ ends; among plans as ' +
    'good, ' +
    'the one late in fewest of 200 drawn days.',
  options: {},
  run: (args) => {
    const { values, positionals } = readArgs(args, {})
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('day takes one file')
    const told = readJsonFile(file, DayFile)
    const asked = dayOf(told)
    const { plan } = planDay(asked)
    if (plan.cost.broken > 0.51) {
      const broken = brokenRow(asked, plan)
      const at = broken && new Date(Date.parse(told.now) + broken.ready * MINUTE_MS).toISOString()
      throw new BadInput(
        `${file}: $.fixed${broken ? `[${broken.fixed}].from` : ''}: cannot stand; expected no earlier than ` +
          `${at ?? `${Math.round(plan.cost.broken)} min later`}, when its car and its rig can be there`,
      )
    }
    const late = lateBy(asked, plan)
    emit(values.json === true, planAsFile(told, asked, plan, whyOf(asked, plan, late).map(dayWords)), words)
    return 0
  },
}

function words(told: ReturnType<typeof planAsFile>): string {
  const time = (iso: string) => iso.slice(11, 16)
  const rows = told.plan.map((r) => {
    const who = [r.person, r.rig, r.scale].filter((part) => part !== null).join(', ')
    return `${time(r.from)}–${time(r.to)}  ${r.car.padEnd(18)} ${r.step.padEnd(8)} ${who}`
  })
  const late = Object.entries(told.late_min).filter(([, m]) => m > 0)
  const ends = late.length > 0 ? `late: ${late.map(([car, m]) => `${car} ${m} min`).join(', ')}` : 'nothing is late'
  return [...rows, `${ends}; the last car is done after ${told.makespan_min} min`, ...told.why].join('\n')
}
