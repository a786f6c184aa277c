import type { ChildProcess } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { toString as qrOf } from 'qrcode'
import { claimBench, releaseBench } from '@/server/bench/claim'
import { database } from '@/server/db/pool'
import { scopeOf } from '@/server/db/scope'
import { DEMO_SIGN_INS } from '@/server/demo/sign-ins'
import { findShop } from '@/server/shop/shop'
import { buildWeb } from './build'
import { type Cluster, startCluster } from './cluster'
import { Keeper, type Trouble } from './keeper'
import { cutLog } from './log-file'
import { healthOf, startBenchProcess, startWeb, waitForWeb } from './parts'
import type { Places } from './places'
import { benchToken, type DemoPlace, prepareDatabase } from './prepare-database'
import { type Lan, lanAddress, startProxy } from './proxy'
import { type Mark, markOf, writeRunFile } from './run-file'
import { say } from './say'

/** Time between two looks at the parts, ms; a look waits so long for an answer. */
const ROUND_MS = 5000
const ANSWER_MS = 15_000
/**
 * Looks without an answer, or with one that finds no database where there is one, before the web server is started
 * anew.
 */
const MOST_SILENT = 3
const MOST_WITHOUT_DATABASE = 6
/** A bench that is not heard of for so long is started anew, ms. */
const BENCH_SILENCE_MS = 60_000
/** Time a part gets to end by itself when everything stops, ms. */
const PATIENCE_MS = { proxy: 1000, web: 1800, bench: 1500, database: 15_000 } as const

type Part = 'database' | 'web' | 'bench' | 'proxy'

/**
 * Keeps database, web server and bench running whatever happens to them, says what is wrong meanwhile, and ends all of
 * them together.
 */
export class Supervisor {
  private readonly places: Places
  private readonly host: string
  private readonly port: number
  /** null for a shop of one's own: nothing is simulated there */
  private readonly demo: DemoPlace | null
  private readonly address: string
  /** null where nobody asked for TLS on the shop's own network */
  private readonly lan: Lan | null
  private readonly keepers = new Map<Part, Keeper>()
  private readonly troubles = new Map<string, Trouble>()
  private cluster: Cluster | undefined
  private url = ''
  private shopId = 0
  private stopping = false
  private silent = 0
  private withoutDatabase = 0
  private benchHeardMs = Date.now()

  constructor(places: Places, host: string, port: number, demo: DemoPlace | null, lan: Lan | null = null) {
    this.lan = lan
    this.places = places
    this.host = host
    this.port = port
    this.demo = demo
    this.address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`
  }

  /** Starts everything and returns when it was told to stop and has stopped. */
  async run(): Promise<void> {
    const stopped = this.onSignals()
    try {
      await this.start()
    } catch (error) {
      if (!this.stopping) await this.end()
      throw error
    }
    const rounds = setInterval(
      () => void this.round().catch((error: Error) => say(`a look at the parts failed: ${error.message}`)),
      ROUND_MS,
    )
    await stopped
    clearInterval(rounds)
  }

  private async start(): Promise<void> {
    this.url = await this.startDatabase()
    const benchIsOurs = await prepareDatabase(this.places, this.url, {
      demo: this.demo,
      alone: this.cluster !== undefined,
    })
    const shop = await findShop(database())
    this.shopId = shop?.id ?? 0
    await database().end()
    await buildWeb(this.places.root)
    await this.keep('web', (born) => this.web(born)).first()
    if (shop?.demo) await this.startBench(benchIsOurs)
    if (this.lan) await this.startLan(this.lan)
    say(shop ? `${shop.name} is open at ${this.address}` : `an empty shop waits to be set up at ${this.address}`)
    if (shop?.demo)
      for (const { signIn, password, role } of DEMO_SIGN_INS)
        say(`  sign in as ${signIn} (${role}), password ${password}`)
    say(`Ctrl-C or ./yperos stop${this.places.name === 'main' ? '' : ` --name ${this.places.name}`} ends it`)
  }

  private async startLan(lan: Lan): Promise<void> {
    await this.keep('proxy', (born) => startProxy(this.places, lan, this.port, born)).first()
    const address = lanAddress(lan)
    say(
      `on the shop’s own network at ${address}; a phone trusts it once it has ` +
        `http://${lan.hosts[0]}:${lan.plainPort}/ca.crt`,
    )
    process.stderr.write(await qrOf(address, { type: 'terminal', small: true }))
  }

  private async startBench(benchIsOurs: boolean): Promise<void> {
    const bench = this.keep('bench', () => this.bench())
    if (benchIsOurs) await bench.first()
    else bench.begin()
  }

  private async startDatabase(): Promise<string> {
    const given = process.env.DATABASE_URL || undefined
    if (given) {
      say('using the database of DATABASE_URL')
      return given
    }
    say('starting the database')
    await this.keep('database', async (born) => {
      // the web server knows one address: it comes back there or not at all
      this.cluster = await startCluster(this.places, this.cluster?.port, born)
      return this.cluster.process
    }).first()
    return (this.cluster as Cluster | undefined)?.url ?? ''
  }

  private async web(born: (child: ChildProcess) => void): Promise<ChildProcess> {
    // a shop of one's own beside the demo: signing in at one leaves the other signed in
    const cookie = this.demo === null ? this.places.name : undefined
    const child = startWeb(this.places, this.url, this.host, this.port, { cookie, lan: this.lan?.hosts })
    born(child)
    await waitForWeb(this.loopback(), child, join(this.places.state, 'web.log'))
    return child
  }

  private async bench(): Promise<ChildProcess> {
    const token = benchToken(this.places)
    if (!(await this.ask((db) => claimBench(scopeOf(this.shopId, db), token, this.cluster !== undefined))))
      throw new Error('the bench of another start on this database plays the cars')
    const child = startBenchProcess(this.places, this.loopback(), token)
    this.benchHeardMs = Date.now()
    child.on('message', () => {
      this.benchHeardMs = Date.now()
    })
    return child
  }

  /** This very machine's address of the web server, also where it listens on all of them. */
  private loopback(): string {
    return this.host === '0.0.0.0' || this.host === '::' ? `http://127.0.0.1:${this.port}` : this.address
  }

  private async ask<T>(question: (db: pg.Client) => Promise<T>): Promise<T> {
    const client = new pg.Client({ connectionString: this.url, connectionTimeoutMillis: 3000, query_timeout: 3000 })
    client.on('error', () => undefined)
    await client.connect()
    try {
      return await question(client)
    } finally {
      await client.end().catch(() => undefined)
    }
  }

  private keep(name: Part, start: (born: (child: ChildProcess) => void) => Promise<ChildProcess>): Keeper {
    const keeper = new Keeper({
      name,
      start,
      tell: (part, trouble) => this.tell(part, trouble),
      note: () => this.note(),
    })
    this.keepers.set(name, keeper)
    return keeper
  }

  /** Says on the console and to the pages what is wrong; each change once. */
  private tell(name: string, trouble: Trouble | null): void {
    const before = this.troubles.get(name)
    if (trouble) this.troubles.set(name, trouble)
    else this.troubles.delete(name)
    if (trouble && before?.words !== trouble.words) {
      const seconds = Math.max(1, Math.round((trouble.againMs - Date.now()) / 1000))
      say(`${name}: ${trouble.words}; trying again${seconds > 1 ? ` in ${seconds} s, and on until it works` : ''}`)
    }
    if (!trouble && before) say(`${name}: works again`)
    this.tellPages()
  }

  private tellPages(): void {
    const trouble = this.troubles.get('database')
    const words = trouble?.words.split(' (more in')[0]?.slice(0, 300)
    const wrong =
      trouble && words !== undefined
        ? { part: 'database', words: words, againAt: new Date(trouble.againMs).toISOString() }
        : null
    const web = this.keepers.get('web')?.process
    // a web server that is just dying hears it from the one that follows
    if (web?.connected) web.send({ wrong }, () => undefined)
  }

  private note(): void {
    const marks = [...this.keepers].flatMap(([part, { spawned }]) => {
      const mark = spawned?.pid === undefined ? null : markOf(spawned.pid)
      return mark ? [[part, mark] as [string, Mark]] : []
    })
    const supervisor = markOf(process.pid)
    try {
      if (supervisor && !this.stopping)
        writeRunFile(this.places.runFile, { supervisor, address: this.address, parts: Object.fromEntries(marks) })
    } catch (error) {
      say(
        `${this.places.runFile} could not be written (${(error as Error).message}): ./yperos stop knows the ` +
          `parts of before`,
      )
    }
  }

  /** Looks after parts that live and do not work, and after the logs. */
  private async round(): Promise<void> {
    for (const log of ['web', 'bench', 'database', 'proxy']) cutLog(join(this.places.state, `${log}.log`))
    const bench = this.keepers.get('bench')
    if (bench?.process && Date.now() - this.benchHeardMs > BENCH_SILENCE_MS) {
      say('bench: it is not heard of; starting it anew')
      await bench.renew()
    }
    const web = this.keepers.get('web')
    if (!web?.process) return
    const health = await healthOf(this.loopback(), ANSWER_MS)
    this.silent = health === 'silent' ? this.silent + 1 : 0
    const databaseThere =
      health === 'no-database' && (await this.ask((db) => db.query('select 1')).then(Boolean, () => false))
    this.withoutDatabase = databaseThere ? this.withoutDatabase + 1 : 0
    if (this.stopping || (this.silent < MOST_SILENT && this.withoutDatabase < MOST_WITHOUT_DATABASE)) return
    say(
      `web: it ${this.silent > 0 ? 'does not answer' : 'cannot reach the database, which is there'}; starting it anew`,
    )
    this.silent = 0
    this.withoutDatabase = 0
    await web.renew()
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

  /** The writers first, the database last. */
  private async end(): Promise<void> {
    this.stopping = true
    await Promise.all(
      (['proxy', 'bench', 'web'] as const).map((name) => this.keepers.get(name)?.end(PATIENCE_MS[name])),
    )
    if (this.keepers.has('bench'))
      await this.ask((db) => releaseBench(scopeOf(this.shopId, db), benchToken(this.places))).catch(() => undefined)
    await this.keepers.get('database')?.end(PATIENCE_MS.database)
    rmSync(this.places.runFile, { force: true })
  }
}
