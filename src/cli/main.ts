import { BadInput, helpText } from './command'

const COMMANDS: Record<string, () => Promise<import('./command').Command>> = {
  convert: async () => (await import('./convert')).convert,
  saturation: async () => (await import('./saturation')).saturation,
  pulldown: async () => (await import('./pulldown')).pulldown,
  hold: async () => (await import('./hold')).hold,
  pull: async () => (await import('./pull')).pull,
  day: async () => (await import('./day')).day,
  week: async () => (await import('./week')).week,
  charge: async () => (await import('./charge')).charge,
  proving: async () => (await import('./proving')).proving,
  'set-up': async () => (await import('./set-up')).setUp,
  bridge: async () => (await import('./bridge')).bridge,
  verify: async () => (await import('./verify')).verify,
}

async function run(argv: string[]): Promise<number> {
  const [name = '', ...args] = argv
  const load = COMMANDS[name]
  if (!load) {
    process.stderr.write(
      `yperos up · test · stop · perf · backup · restore · ${Object.keys(COMMANDS).join(' · ')}\nEach has --help.\n`,
    )
    return name === '' || name === 'help' || name === '--help' ? 0 : 2
  }
  const command = await load()
  if (args.includes('--help')) {
    process.stdout.write(helpText(name, command))
    return 0
  }
  return command.run(args)
}

try {
  process.exitCode = await run(process.argv.slice(2))
} catch (error) {
  const bad = error instanceof BadInput
  process.stderr.write(`yperos: ${bad ? error.message : ((error as Error).stack ?? error)}\n`)
  process.exitCode = bad ? 2 : 1
}
