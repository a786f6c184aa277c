import { playWeek, type WeekFigures } from '@/core/proving/week'
import { BadInput, type Command, emit, readArgs } from './command'

const whole = (text: string | undefined, usual: number, most: number, what: string): number => {
  const value = text === undefined ? usual : Number(text)
  if (!Number.isInteger(value) || value < 1 || value > most)
    throw new BadInput(`--${what}: a whole number from 1 to ${most} is expected`)
  return value
}

/** `week`: a week of the demo place played on the simulated bench, with the day's plan followed and not followed. */
export const week: Command = {
  usage: '[--seed N] [--days N]',
  does:
    'Plays a week of Cerro Lumen, 6 to 14 cars a day, on the simulated bench: by the day’s plan, first come ' +
    'first served, ' +
    'and one car after the other. How long cars waited for hands and rigs, and how late they were.',
  options: { seed: 'NUMBER  the first day’s seed; 1 where left out', days: 'NUMBER  days, 5 where left out' },
  run: (args) => {
    const { values, positionals } = readArgs(args, { seed: { type: 'string' }, days: { type: 'string' } })
    if (positionals.length > 0) throw new BadInput('week takes no file')
    const seed = whole(values.seed as string | undefined, 1, 1_000_000, 'seed')
    const days = whole(values.days as string | undefined, 5, 20, 'days')
    const figures = playWeek(seed, days)
    emit(values.json === true, { seed, days, ways: figures }, () => figures.map(line).join('\n'))
    return 0
  },
}

const line = (f: WeekFigures): string =>
  `${f.way.padEnd(20)} ${f.cars} cars waited ${Math.round(f.waitedMin)} min each; of ${f.promised} promises ` +
  `${f.missed} missed, ` +
  `${Math.round(f.lateMin)} min late in all; the last of a day done ${(f.lastMin / 60).toFixed(1)} h after opening`
