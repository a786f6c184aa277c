import { parseArgs } from 'node:util'
import { requireFreePort } from './cluster'
import { dropLock, takeLock } from './lock'
import { placesOf } from './places'
import { DEMO_PLACES, type DemoPlace } from './prepare-database'
import { endLeftovers, readRunFile } from './run-file'
import { Stop, say } from './say'
import { Supervisor } from './supervisor'

/** Starts everything and stays until it is told to stop. */
export async function up(args: string[]): Promise<void> {
  const { values } = parseArgs({
    args,
    options: {
      port: { type: 'string', default: '4600' },
      host: { type: 'string', default: '127.0.0.1' },
      name: { type: 'string', default: 'main' },
      place: { type: 'string', default: 'cerro-lumen' },
    },
  })
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(`--port ${values.port}: give a port from 1 to 65535`)
  if (!(values.place in DEMO_PLACES))
    throw new Stop(`--place ${values.place}: the demo places are ${Object.keys(DEMO_PLACES).join(', ')}`)
  const places = placesOf(values.name)
  if (takeLock(places.lockFile)) {
    const running = readRunFile(places.runFile)
    throw new Stop(
      running
        ? `it is running already at ${running.address}; end it with ./yperos stop`
        : 'it is being started already; wait for it, or end it with ./yperos stop',
    )
  }
  try {
    for (const name of await endLeftovers(places.runFile)) say(`ended the ${name} an earlier run left behind`)
    await requireFreePort(values.host, port)
    await new Supervisor(places, values.host, port, values.place as DemoPlace).run()
  } finally {
    dropLock(places.lockFile)
  }
}
