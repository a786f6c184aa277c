import { parseArgs } from 'node:util'
import { requireFreePort } from './cluster'
import { dropLock, takeLock } from './lock'
import { placesOf } from './places'
import { DEMO_PLACES, type DemoPlace } from './prepare-database'
import { lanOf, requireCaddy } from './proxy'
import { endLeftovers, readRunFile } from './run-file'
import { Stop, say } from './say'
import { Supervisor } from './supervisor'

/** Where the demo answers, and a shop of one's own beside it. */
const DEMO_PORT = 4600
const OWN_PORT = 4601
/** The installation of a shop of one's own: state folder, database and cookie have its name. */
const OWN = 'own'

/** Starts everything and stays until it is told to stop. */
export async function up(args: string[]): Promise<void> {
  const { values } = parseArgs({
    args,
    options: {
      port: { type: 'string' },
      host: { type: 'string', default: '127.0.0.1' },
      name: { type: 'string' },
      place: { type: 'string' },
      own: { type: 'boolean', default: false },
      lan: { type: 'boolean', default: false },
    },
  })
  if (values.own && values.place !== undefined)
    throw new Stop('--own opens an empty shop, --place a demo place: give one of them')
  const place = values.place ?? 'cerro-lumen'
  const port = Number(values.port ?? (values.own ? OWN_PORT : DEMO_PORT))
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(`--port ${values.port}: give a port from 1 to 65535`)
  if (!(place in DEMO_PLACES))
    throw new Stop(`--place ${place}: the demo places are ${Object.keys(DEMO_PLACES).join(', ')}`)
  const places = placesOf(values.name ?? (values.own ? OWN : 'main'))
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
    const lan = values.lan ? lanOf(port) : null
    // what cannot be had is said before anything is started
    if (lan) requireCaddy(places.root)
    if (lan) for (const p of [lan.tlsPort, lan.plainPort]) await requireFreePort('0.0.0.0', p)
    await new Supervisor(places, values.host, port, values.own ? null : (place as DemoPlace), lan).run()
  } finally {
    dropLock(places.lockFile)
  }
}
