import { say } from '@/ops/say'
import { measureBrowser } from './browser'
import { measureCommandLine } from './cli-start'
import { measureIngest } from './ingest'
import { measureJudge } from './judge'
import { atMost, type Measure, tableOf } from './measure'
import { measurePhysics } from './physics'
import { startShop, throwAway } from './running-shop'

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
    const measures = [...physics, ...judge, ...commands, atMost('second start, from the command to the first answer', shop.startS, 's', 15)]
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

const args = process.argv.slice(2)
if (args.includes('--help')) process.stdout.write('yperos perf [--json]\n\nMeasures the speeds and sizes this product promises; about two minutes.\n')
else {
  const measures = await perf()
  process.stdout.write(args.includes('--json') ? `${JSON.stringify({ measures })}\n` : `${tableOf(measures)}\n`)
}
process.exit(0)
