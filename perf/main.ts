import { say } from '@/ops/say'
import { measureBook, seedBook } from './book'
import { measureBrowser } from './browser'
import { measureCommandLine } from './cli-start'
import { measureDay } from './day'
import { measureIngest } from './ingest'
import { measureJudge } from './judge'
import { atMost, type Measure, tableOf } from './measure'
import { measurePhysics } from './physics'
import { measurePull } from './pull'
import { startShop, throwAway } from './running-shop'
import { measureScripts } from './script-sizes'
import { soak, wordsOf } from './soak'
import { measureWatch } from './watch'

const PARTS = [
  'physics',
  'judge',
  'pull',
  'day',
  'commands',
  'start',
  'weights',
  'views',
  'ingest',
  'watch',
  'book',
] as const
type Part = (typeof PARTS)[number]
const IN_A_SHOP: readonly string[] = ['start', 'weights', 'views', 'ingest', 'watch']

/** Measures everything the issues call a speed or a size, on a shop of its own that is thrown away. */
async function perf(only: string | undefined): Promise<Measure[]> {
  const measures: Measure[] = []
  const measure = async (part: Part, words: string, work: () => Measure[] | Promise<Measure[]>) => {
    if (only !== undefined && only !== part) return
    say(`measuring ${words}`)
    measures.push(...(await work()))
  }
  await measure('physics', 'the physics', measurePhysics)
  await measure('judge', 'the judge', measureJudge)
  await measure('pull', 'the forecast of a running pull', measurePull)
  await measure('day', 'the plan of a day', measureDay)
  await measure('commands', 'the command line', () => measureCommandLine(process.env.YPEROS_ROOT ?? process.cwd()))
  await measure('book', 'the book of 100,000 jobs', measureBook)
  if (only !== undefined && !IN_A_SHOP.includes(only)) return measures
  throwAway()
  say('starting a shop to measure')
  await (await startShop()).stop()
  const shop = await startShop()
  try {
    await measure('start', 'its start', () => [
      atMost('second start, from the command to the first answer', shop.startS, 's', 15),
    ])
    await measure('weights', 'what a view weighs', () => measureScripts(shop))
    await measure('views', 'what a person waits for', () => measureBrowser(shop))
    await measure('ingest', 'the ingest', () => measureIngest(shop))
  } finally {
    await shop.stop()
  }
  try {
    // watched by a process that can be measured by itself
    process.env.YPEROS_WATCH = 'elsewhere'
    await measure('watch', 'the watch', async () => {
      const watched = await startShop()
      try {
        return await measureWatch(watched)
      } finally {
        await watched.stop()
      }
    })
    return measures
  } finally {
    throwAway()
  }
}

const HELP = `yperos perf [PART] [--json] [--soak MINUTES]

Measures the speeds and sizes this product promises; under twelve minutes. PART measures one alone:
${PARTS.join(', ')}.
seed            makes the shop of 100,000 jobs and 10 million lines and readings the book is measured on, and keeps it (as the part book does where it is missing)
--soak MINUTES  instead: load for so long while a part is killed every few seconds, then counts what was acknowledged against what is stored; exit 3 when anything is lost or doubled
`

const args = process.argv.slice(2)
const soakAt = args.indexOf('--soak')
if (args.includes('--help')) process.stdout.write(HELP)
else if (soakAt >= 0) {
  const minutes = Number(args[soakAt + 1])
  if (!(minutes > 0 && minutes <= 24 * 60)) {
    process.stderr.write(`perf: --soak ${args[soakAt + 1] ?? ''}: give minutes, above 0 and at most 1440\n`)
    process.exit(2)
  }
  const soaked = await soak(minutes)
  process.stdout.write(args.includes('--json') ? `${JSON.stringify(soaked)}\n` : wordsOf(soaked))
  process.exit(soaked.lost + soaked.doubled + soaked.brokenChains === 0 ? 0 : 3)
} else {
  const only = args.find((a) => !a.startsWith('-'))
  if (only === 'seed') {
    await seedBook()
    process.exit(0)
  }
  if (only !== undefined && !(PARTS as readonly string[]).includes(only)) {
    process.stderr.write(`perf: there is no part ${only}; parts are ${PARTS.join(', ')}\n`)
    process.exit(2)
  }
  const measures = await perf(only)
  process.stdout.write(args.includes('--json') ? `${JSON.stringify({ measures })}\n` : `${tableOf(measures)}\n`)
}
process.exit(0)
