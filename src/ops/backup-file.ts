import { createCipheriv, createDecipheriv, createHash, randomBytes, scryptSync } from 'node:crypto'
import {
  closeSync,
  createReadStream,
  createWriteStream,
  openSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs'
import { pipeline } from 'node:stream/promises'
import * as z from 'zod'
import { Stop } from './say'

const MAGIC = 'yperos-backup 1\n'
/** A header is no longer than this, bytes: migrations and names. */
const LONGEST_HEADER = 65_536
/**
 * scrypt as Node has it by default but for twice the memory: a passphrase is tried once, not a thousand times a
 * second.
 */
const SCRYPT = { N: 32_768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
const KEY_BYTES = 32
const CIPHER = 'aes-256-gcm'

const Header = z.strictObject({
  made: z.iso.datetime(),
  /** migrations the database had: one that knows fewer cannot read it */
  migrations: z.array(z.string()),
  shops: z.array(z.string()),
  jobs: z.number().int(),
  events: z.number().int(),
  readings: z.number().int(),
  bytes: z.number().int(),
  sha256: z.string().length(64),
  cipher: z.strictObject({ salt: z.string(), iv: z.string(), tag: z.string() }).nullable(),
})
/** What a backup says of itself, before anything of it is opened. */
export type BackupHeader = z.infer<typeof Header>
export type BackupFacts = Omit<BackupHeader, 'bytes' | 'sha256' | 'cipher'>

/**
 * Writes a backup: a line that says what it is, a line of facts, and the dump, encrypted where there is a passphrase.
 * Readable by its owner only, and there whole or not at all.
 * @param dump - file of the dump; it is consumed
 */
export async function writeBackup(
  file: string,
  dump: string,
  facts: BackupFacts,
  passphrase: string | null,
): Promise<void> {
  const sealed = passphrase === null ? null : await encrypt(dump, passphrase)
  const payload = sealed?.file ?? dump
  const header: BackupHeader = {
    ...facts,
    bytes: statSync(payload).size,
    sha256: await sha256Of(payload),
    cipher: sealed?.cipher ?? null,
  }
  const partial = `${file}.partial`
  const out = openSync(partial, 'w', 0o600)
  writeSync(out, `${MAGIC}${JSON.stringify(header)}\n`)
  closeSync(out)
  await pipeline(createReadStream(payload), createWriteStream(partial, { flags: 'a', flush: true }))
  renameSync(partial, file)
  if (sealed) rmSync(sealed.file)
}

/**
 * Reads a backup's header and checks that all of it is there.
 * @throws Stop for a file that is none, is cut short or was changed, with what is wrong
 */
export async function readBackup(file: string): Promise<{ header: BackupHeader; from: number }> {
  const head = Buffer.alloc(LONGEST_HEADER)
  let read = 0
  try {
    const opened = openSync(file, 'r')
    read = readSync(opened, head, 0, head.length, 0)
    closeSync(opened)
  } catch (error) {
    throw new Stop(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code})`)
  }
  if (!head.subarray(0, MAGIC.length).equals(Buffer.from(MAGIC)))
    throw new Stop(
      `${file}: is no backup of this ` +
        `program${head.toString('utf8', 0, 14) === MAGIC.slice(0, 14) ? ' in a version it knows' : ''}`,
    )
  const end = head.subarray(0, read).indexOf('\n', MAGIC.length)
  const header = end < 0 ? null : Header.safeParse(parse(head.toString('utf8', MAGIC.length, end)))
  if (!header?.success)
    throw new Stop(`${file}: its second line is not the one a backup has: it was cut short or changed`)
  const from = end + 1
  const bytes = statSync(file).size - from
  if (bytes !== header.data.bytes)
    throw new Stop(
      `${file}: is cut short: ${bytes.toLocaleString('en')} of ${header.data.bytes.toLocaleString('en')} bytes ` +
        `are there`,
    )
  if ((await sha256Of(file, from)) !== header.data.sha256) throw new Stop(`${file}: was changed since it was made`)
  return { header: header.data, from }
}

/** Writes the dump inside a backup to `dump`. @throws Stop for a passphrase that is missing or not the one */
export async function openBackup(file: string, dump: string, passphrase: string | null): Promise<BackupHeader> {
  const { header, from } = await readBackup(file)
  const { cipher } = header
  const out = createWriteStream(dump, { mode: 0o600 })
  if (!cipher) {
    await pipeline(createReadStream(file, { start: from }), out)
    return header
  }
  if (passphrase === null) throw new Stop(`${file}: has a passphrase: give it in a file with --passphrase-file`)
  const key = scryptSync(passphrase, Buffer.from(cipher.salt, 'base64'), KEY_BYTES, SCRYPT)
  const decipher = createDecipheriv(CIPHER, key, Buffer.from(cipher.iv, 'base64'))
  decipher.setAuthTag(Buffer.from(cipher.tag, 'base64'))
  try {
    await pipeline(createReadStream(file, { start: from }), decipher, out)
  } catch (error) {
    rmSync(dump, { force: true })
    throw new Stop(`${file}: this is not its passphrase`, { cause: error })
  }
  return header
}

async function encrypt(dump: string, passphrase: string) {
  const [salt, iv] = [randomBytes(16), randomBytes(12)]
  const cipher = createCipheriv(CIPHER, scryptSync(passphrase, salt, KEY_BYTES, SCRYPT), iv)
  const file = `${dump}.sealed`
  await pipeline(createReadStream(dump), cipher, createWriteStream(file, { mode: 0o600 }))
  const text = (bytes: Buffer) => bytes.toString('base64')
  return { file, cipher: { salt: text(salt), iv: text(iv), tag: text(cipher.getAuthTag()) } }
}

async function sha256Of(file: string, from = 0): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file, { start: from }), hash)
  return hash.digest('hex')
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
