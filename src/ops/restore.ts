import { execFile } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs, promisify } from 'node:util'
import { openClient } from '@/server/db/pool'
import { factsOf, INSTALLATION, logSql, oneFile, passphraseOf } from './backup'
import { type BackupHeader, openBackup, readBackup } from './backup-file'
import { startCluster } from './cluster'
import { dropLock, takeLock } from './lock'
import { requirePostgres } from './packages'
import { placesOf } from './places'
import { Stop, say } from './say'

const run = promisify(execFile)
const MOST_SAID = 16 * 1024 * 1024
/** Where a backup is put together, before it takes the place of what was there. */
const ASIDE = 'yperos_restoring'

/**
 * `restore FILE`: the installation as it was. Put together beside what is there and counted; only then it takes its
 * place.
 * @throws Stop for a file that is none, is cut short, was changed or is of a newer version; for an installation that
 *   runs, or has jobs and nobody said `--over`
 */
export async function restore(args: string[]): Promise<void> {
  const options = { ...INSTALLATION, over: { type: 'boolean', default: false } } as const
  const { values, positionals } = parseArgs({ args, options, allowPositionals: true })
  const file = oneFile('restore', positionals)
  const places = placesOf(values.name ?? (values.own ? 'own' : 'main'))
  const { header } = await readBackup(file)
  refuseNewer(file, header, join(places.root, 'db/migrations'))
  if (takeLock(places.lockFile))
    throw new Stop(`${places.name} runs: end it first with ./yperos stop --name ${places.name}`)
  const folder = mkdtempSync(join(tmpdir(), 'yperos-restore-'))
  try {
    const dump = join(folder, 'dump')
    await openBackup(file, dump, passphraseOf(values['passphrase-file']))
    const cluster = await startCluster(places)
    try {
      await replace(cluster.url, dump, header, values.over)
    } finally {
      await cluster.stop()
    }
    say(
      `restored ${header.shops.join(', ')} as of ${header.made}: ${header.jobs} jobs, ` +
        `${header.readings.toLocaleString('en')} readings`,
    )
  } finally {
    rmSync(folder, { recursive: true, force: true })
    dropLock(places.lockFile)
  }
}

function refuseNewer(file: string, { migrations }: BackupHeader, folder: string): void {
  const known = new Set(readdirSync(folder).map((name) => name.replace(/\.sql$/, '')))
  const unknown = migrations.filter((name) => !known.has(name))
  if (unknown.length > 0)
    throw new Stop(
      `${file}: was made by a newer version of the program (${unknown.join(', ')}): restore it with that version`,
    )
}

async function replace(url: string, dump: string, header: BackupHeader, over: boolean): Promise<void> {
  const admin = new URL(url)
  admin.pathname = '/postgres'
  const aside = new URL(url)
  aside.pathname = `/${ASIDE}`
  if (!over) await refuseJobs(url)
  const client = await openClient(admin.href)
  try {
    await client.query(`drop database if exists ${ASIDE}`)
    await client.query(`create database ${ASIDE}`)
    await run(
      join(requirePostgres(), 'pg_restore'),
      ['--exit-on-error', '--no-owner', `--dbname=${aside.href}`, dump],
      { maxBuffer: MOST_SAID },
    ).catch((error) => {
      throw new Stop(
        `the backup cannot be put together again: ${(error as { stderr?: string }).stderr?.trim().split('\n').pop()}`,
      )
    })
    await checkCounts(aside.href, header)
    await client.query('drop database yperos')
    await client.query(`alter database ${ASIDE} rename to yperos`)
    await logRestored(url, header)
  } finally {
    await client.end()
  }
}

/** A backup of a version before the log has none yet: then nothing is written down. */
async function logRestored(url: string, header: BackupHeader): Promise<void> {
  const client = await openClient(url)
  try {
    const { rows } = await client.query<{ kept: boolean }>(`select to_regclass('shop_log') is not null as kept`)
    if (rows[0]?.kept) await client.query(logSql, ['restored', `as of ${header.made}`])
  } finally {
    await client.end()
  }
}

async function refuseJobs(url: string): Promise<void> {
  const client = await openClient(url)
  try {
    const { rows } = await client.query<{ there: boolean }>(`select to_regclass('job') is not null as there`)
    if (!rows[0]?.there) return
    const { jobs, shops } = await factsOf(client)
    if (jobs > 0)
      throw new Stop(
        `${shops.join(', ')} has ${jobs} jobs here: back it up first, then say --over to put the backup in its place`,
      )
  } finally {
    await client.end()
  }
}

async function checkCounts(url: string, header: BackupHeader): Promise<void> {
  const client = await openClient(url)
  try {
    const found = await factsOf(client)
    for (const what of ['jobs', 'events', 'readings'] as const)
      if (found[what] !== header[what])
        throw new Stop(`of ${header[what]} ${what} ${found[what]} came back: nothing was put in place of what is there`)
  } finally {
    await client.end()
  }
}
