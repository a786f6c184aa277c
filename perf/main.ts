import { say } from '@/ops/say'
import { measureBrowser } from './browser'
import { measureCommandLine } from './cli-start'
import { measureIngest } from './ingest'
import { measureJudge } from './judge'
import { atMost, type Measure, tableOf } from './measure'
import { measurePhysics } from './physics'
import { startShop, throwAway } from './running-shop'
import { measureScripts } from './script-sizes'
import { soak, wordsOf } from './soak'

/** Measures everything the issues call a speed or a size, on a shop of its own that is thrown away. */
async function perf(): Promise<Measure[]> {
  say('measuring the physics')
  const physics = await measurePhysics()
  say('measuring the judge')
  const judge = measureJudge()
  say('measuring the command line')
  const commands = measureCommandLine(process.env.YPEROS_ROOT ?? process.cwd())
  throwAway()
  say('starting a shop to measure')
  await (await startShop()).stop()
  const shop = await startShop()
  try {
    const measures = [
      ...physics,
      ...judge,
      ...commands,
      atMost('second start, from the command to the first answer', shop.startS, 's', 15),
    ]
    say('measuring what a view weighs')
    measures.push(...(await measureScripts(shop)))
    say('measuring what a person waits for')
    measures.push(...(await measureBrowser(shop)))
    say('measuring the ingest')
    measures.push(...(await measureIngest(shop)))
    return measures
  } finally {
    await shop.stop()
    throwAway()
  }
}

const HELP = `yperos perf [--json] [--soak MINUTES]

Measures the speeds and sizes this product promises; about two minutes.
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
  const measures = await perf()
  process.stdout.write(args.includes('--json') ? `${JSON.stringify({ measures })}\n` : `${tableOf(measures)}\n`)
}
process.exit(0)
