import { createHash } from 'node:crypto'
import { jobTimeMs } from '@/core/job/clock'
import { W } from '@/core/language/server/readings'
import { oddness } from '@/core/shop/instruments'
import { type Channel, toStored } from '@/core/units/channel'
import { database } from '../db/pool'
import { type DeviceScope, scopeOf } from '../db/scope'
import { AppError, type Fault } from '../errors'
import { type Asked, pathText } from '../http'
import { type Hanging, type Hangings, noDevice, selectHangings } from './hangings'
import { Line } from './line'
import { type Odd, storeOdd, tellSeen } from './registered'
import { sharedCommit } from './shared-commit'
import type { NewReading } from './store-readings'

/** Readings taken in one request at most. */
const MOST_LINES = 600
/** A device clock may run ahead of ours by this, ms. */
const AHEAD_MS = 5 * 60_000

/**
 * What became of a request: new readings, ones known before, ones of an instrument that hung at no car then, and ones
 * in the wrong unit or out of the instrument's range, which are kept as they were sent and not used.
 */
export type Ingested = { stored: number; repeated: number; unattached: number; odd?: number }

export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex')

/** The scope of the device a token belongs to. @throws AppError `not-signed-in` */
export async function forDevice(request: Request): Promise<DeviceScope> {
  return scopeOfDevice(await deviceOf(tokenOf(request)))
}

type KnownDevice = DeviceScope['device'] & { shopId: number }

/** Devices whose token opened something once, by its hash: whether it still does is asked with their instruments. */
const known = new Map<string, KnownDevice>()
/** Devices remembered at most: more than a shop has. */
const MOST_KNOWN = 1000

/**
 * The scope of an instrument that is about to send: its token is looked up before anything of it is read, and from then
 * on made sure of by the question that finds what it hangs on, one instead of two for every batch.
 * @throws AppError `not-signed-in`
 */
export async function forSender(request: Pick<Asked, 'headers'>): Promise<DeviceScope> {
  const token = tokenOf(request)
  const device = known.get(token) ?? (await deviceOf(token))
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(token, device)
  return scopeOfDevice({ ...device, tokenHash: token })
}

/** The hash of the token a request carries. @throws AppError `not-signed-in` */
function tokenOf(request: Pick<Asked, 'headers'>): string {
  const token = /^Bearer (.{16,200})$/.exec(request.headers.get('authorization') ?? '')?.[1]
  if (!token) throw new AppError('not-signed-in', W.sendTheDeviceTokenAs)
  return tokenHash(token)
}

async function deviceOf(token: string): Promise<KnownDevice> {
  const { rows } = await database().query<KnownDevice>({
    name: 'device-of-token',
    text: 'select id, kind, shop_id as "shopId" from device where token_hash = $1',
    values: [token],
  })
  if (!rows[0]) throw noDevice()
  return rows[0]
}

const scopeOfDevice = ({ shopId, ...device }: KnownDevice): DeviceScope => ({ ...scopeOf(shopId), device })

/** How often the bench's last sight is written down, s. */
const SEEN_EVERY_S = 5

/**
 * The scope of the simulated bench, which is seen by it. @throws AppError `not-signed-in`, `not-allowed` for an
 * instrument's token
 */
export async function forBench(request: Request): Promise<DeviceScope> {
  const scope = await forDevice(request)
  const { device } = scope
  if (device.kind !== 'bench') throw new AppError('not-allowed', W.thisTokenIsAnInstruments)
  await scope.query(
    `update device set seen_at = now() where id = $1 and (seen_at is null
        or seen_at < now() - $2 * interval '1 second')`,
    [device.id, SEEN_EVERY_S],
  )
  return scope
}

/**
 * Takes a batch of NDJSON readings from a device; acknowledged only after the commit, harmless when sent again.
 * @throws AppError `bad-input` naming every faulty line (`line 3: value …`); nothing of the batch is stored then
 */
export async function ingest(db: DeviceScope, ndjson: string): Promise<Ingested> {
  const lines = parseLines(ndjson, Date.now())
  const { hangings, registered } = await selectHangings(db, lines)
  await tellSeen(db, lines, registered)
  const { placed, odd } = placeLines(lines, hangings, registered)
  if (odd.length > 0) await storeOdd(db, odd)
  const attached = [...placed.values()].reduce((sum, r) => sum + r.length, 0)
  const done = attached === 0 ? { stored: 0, refused: 0 } : await sharedCommit().ask({ shopId: db.shopId, placed })
  return {
    stored: done.stored,
    repeated: attached - done.refused - done.stored,
    unattached: lines.length - attached - odd.length + done.refused,
    ...(odd.length > 0 && { odd: odd.length }),
  }
}

function parseLines(ndjson: string, nowMs: number): Line[] {
  const texts = ndjson.split('\n').filter((text) => text.trim() !== '')
  if (texts.length === 0) throw new AppError('bad-input', W.noReadingsSendOneJson)
  if (texts.length > MOST_LINES) throw new AppError('too-large', W.readingsInOneRequestSend(texts.length, MOST_LINES))
  const faults: Fault[] = []
  const lines: Line[] = []
  for (const [i, text] of texts.entries()) {
    const place = W.line(i + 1)
    const parsed = Line.safeParse(parseJson(text))
    if (!parsed.success) {
      for (const issue of parsed.error.issues)
        faults.push({ path: [place, pathText(issue.path)].filter(Boolean).join(': '), reason: issue.message })
    } else if (Date.parse(parsed.data.at) > nowMs + AHEAD_MS) {
      faults.push({ path: `${place}: at`, reason: W.liesMoreThan5Minutes })
    } else {
      lines.push(parsed.data)
    }
  }
  if (faults[0]) throw new AppError('bad-input', `${faults[0].path}: ${faults[0].reason}`, faults)
  return lines
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return text
  }
}

type Placed = { placed: Map<string, NewReading[]>; odd: Odd[] }

/**
 * Finds the car each instrument hung at when it measured, and turns wall time into the job's. What a registered
 * instrument sends in the wrong unit or out of its range is set apart.
 */
function placeLines(lines: readonly Line[], hangings: readonly Hanging[], registered: Hangings['registered']): Placed {
  const placed = new Map<string, NewReading[]>()
  const odd: Odd[] = []
  const faults: Fault[] = []
  for (const [i, line] of lines.entries()) {
    const wallMs = Date.parse(line.at)
    const hanging = hangings.find(
      (h) =>
        h.instrumentId === line.instrument && h.from.getTime() <= wallMs && (h.to === null || wallMs < h.to.getTime()),
    )
    const known = registered.get(line.instrument)
    const reason = known ? oddness(known, line, hanging?.barometerPa ?? known.airPa) : null
    if (reason !== null) {
      odd.push({ line, reason })
      continue
    }
    if (!hanging) continue
    try {
      const value = toStored(line.channel, line.value, line.unit, hanging.barometerPa)
      const reading = readingOf(line, value, jobTimeMs(hanging.clock, wallMs), hanging.storedChannel)
      const list = placed.get(hanging.jobId)
      if (list) list.push(reading)
      else placed.set(hanging.jobId, [reading])
    } catch (error) {
      faults.push({ path: `line ${i + 1}: value`, reason: (error as Error).message })
    }
  }
  if (faults[0]) throw new AppError('bad-input', `${faults[0].path}: ${faults[0].reason}`, faults)
  return { placed, odd }
}

function readingOf(line: Line, value: number, jobMs: number, storedChannel: Channel | null): NewReading {
  return {
    channel: storedChannel ?? line.channel,
    value,
    sentValue: line.value,
    sentUnit: line.unit,
    instrumentId: line.instrument,
    deviceSeq: line.seq,
    measuredAt: new Date(Math.round(jobMs)),
    byAccount: null,
    note: line.note ?? null,
  }
}
