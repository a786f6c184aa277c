import { Stop, say } from './say'

const COMMANDS: Record<string, () => Promise<(args: string[]) => Promise<void>>> = {
  up: async () => (await import('./up')).up,
  stop: async () => (await import('./stop')).stop,
  test: async () => (await import('./test')).test,
  backup: async () => (await import('./backup')).backup,
  restore: async () => (await import('./restore')).restore,
  rooms: async () => async () => (await import('./rooms')).redraw(process.env.YPEROS_ROOT ?? process.cwd()),
}

const [command = '', ...args] = process.argv.slice(2)

try {
  const load = COMMANDS[command]
  if (!load) throw new Stop(`unknown command ${command}`)
  await (await load())(args)
  process.exit(0)
} catch (error) {
  say(error instanceof Stop ? error.message : String((error as Error).stack ?? error))
  process.exit(error instanceof Stop ? 2 : 1)
}
