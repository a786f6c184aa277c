import type { ChildProcess } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { database } from '@/server/db/pool'
import { DEMO_SIGN_INS } from '@/server/demo/sign-ins'
import { selectShop } from '@/server/shop/shop'
import { buildWeb } from './build'
import { type Cluster, startCluster, stopChild } from './cluster'
import { startBenchProcess, startWeb, waitForWeb } from './parts'
import { type Places, placesOf } from './places'
import { DEMO_PLACES, type DemoPlace, prepareDatabase } from './prepare-database'
import { endLeftovers, isAlive, type Mark, markOf, readRunFile, writeRunFile } from './run-file'
import { Stop, say } from './say'

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
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Stop(`--port ${values.port}: give a port from 1 to 65535`)
  if (!(values.place in DEMO_PLACES)) throw new Stop(`--place ${values.place}: the demo places are ${Object.keys(DEMO_PLACES).join(', ')}`)
  const places = placesOf(values.name)
  const running = readRunFile(places.runFile)
  if (running && isAlive(running.supervisor)) throw new Stop(`it is running already at ${running.address}; end it with ./yperos stop`)
  for (const name of await endLeftovers(places.runFile)) say(`ended the ${name} an earlier run left behind`)
  await new Supervisor(places, values.host, port, values.place as DemoPlace).run()
}

/** Keeps database, web server and bench running, restarts one that dies, and ends all of them together. */
class Supervisor {
  private readonly places: Places
  private readonly host: string
  private readonly port: number
  private readonly demo: DemoPlace
  private readonly address: string
  private readonly parts = new Map<string, ChildProcess>()
  private cluster: Cluster | undefined
  private stopping = false
  private deaths = 0

  constructor(places: Places, host: string, port: number, demo: DemoPlace) {
    this.demo = demo
    this.places = places
    this.host = host
    this.port = port
    this.address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`
  }

  async run(): Promise<void> {
    const stopped = this.onSignals()
    try {
      await this.start()
    } catch (error) {
      if (!this.stopping) await this.end()
      throw error
    }
    await stopped
  }

  private async start(): Promise<void> {
    const url = await this.startDatabase()
    const { benchToken } = await prepareDatabase(this.places, url, this.demo)
    const shop = await selectShop(database())
    await database().end()
    buildWeb(this.places.root)
    await this.keep('web', () => startWeb(this.places, url, this.host, this.port))
    await waitForWeb(this.address, this.parts.get('web') as ChildProcess, join(this.places.state, 'web.log'))
    await this.keep('bench', () => startBenchProcess(this.places, this.address, benchToken))
    say(`${shop.name} is open at ${this.address}`)
    if (shop.demo) for (const { signIn, password, role } of DEMO_SIGN_INS) say(`  sign in as ${signIn} (${role}), password ${password}`)
    say('Ctrl-C or ./yperos stop ends it')
  }

  private async startDatabase(): Promise<string> {
    const given = process.env.DATABASE_URL || undefined
    if (given) {
      say('using the database of DATABASE_URL')
      return given
    }
    say('starting the database')
    this.cluster = await startCluster(this.places)
    this.note('database', this.cluster.process, () => void this.restartDatabase())
    return this.cluster.url
  }

  private async restartDatabase(): Promise<void> {
    if (!this.mayRestart('database')) return
    this.cluster = await startCluster(this.places)
    this.note('database', this.cluster.process, () => void this.restartDatabase())
  }

  private async keep(name: string, start: () => ChildProcess): Promise<void> {
    this.note(name, start(), () => {
      if (this.mayRestart(name)) void this.keep(name, start)
    })
  }

  private mayRestart(name: string): boolean {
    if (this.stopping) return false
    this.deaths += 1
    if (this.deaths > 10) {
      say(`${name} died again; giving up after ${this.deaths} deaths. Its log is in ${this.places.state}`)
      void this.end()
      return false
    }
    say(`${name} died, starting it again`)
    return true
  }

  private note(name: string, child: ChildProcess, onDeath: () => void): void {
    this.parts.set(name, child)
    child.once('exit', () => setTimeout(onDeath, 300))
    const marks = [...this.parts].flatMap(([part, process]) => {
      const mark = process.pid === undefined ? null : markOf(process.pid)
      return mark ? [[part, mark] as [string, Mark]] : []
    })
    const supervisor = markOf(process.pid)
    if (supervisor) writeRunFile(this.places.runFile, { supervisor, address: this.address, parts: Object.fromEntries(marks) })
  }

  private onSignals(): Promise<void> {
    return new Promise((resolve) => {
      for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
        process.on(signal, () => {
          if (this.stopping) return
          say('stopping')
          void this.end().then(resolve)
        })
      }
    })
  }

  private async end(): Promise<void> {
    this.stopping = true
    // the writers first, the database last
    for (const name of ['bench', 'web', 'database']) {
      const child = this.parts.get(name)
      if (child) await stopChild(child)
    }
    rmSync(this.places.runFile, { force: true })
  }
}
