import { hostname, networkInterfaces } from 'node:os'
import { W } from '@/core/language/server'

/** What the door looks at of a request, before anything of its body is read. */
export type Caller = {
  method: string
  /** path and query as sent */
  url: string
  host: string | undefined
  origin: string | undefined
  fetchSite: string | undefined
}
/** Why a request is turned away. */
export type TurnedAway = { status: 400 | 403; code: 'bad-input' | 'not-allowed'; message: string }

/** Methods that change nothing: a link from anywhere may lead here. */
const READING = ['GET', 'HEAD', 'OPTIONS']

/**
 * The one door: whether a request may come in. A page of another origin changes nothing here, whatever cookies its
 * visitor's browser adds, and a name that is not ours is no way in for a page that had it pointed at us.
 * @param hosts - names and addresses this server is reached by, in lower case, without port
 * @returns null when it may
 */
export function turnedAway(caller: Caller, hosts: ReadonlySet<string>): TurnedAway | null {
  if (!decodable(caller.url)) return { status: 400, code: 'bad-input', message: W.theAddressHoldsA }
  const host = caller.host?.toLowerCase() ?? ''
  if (!hosts.has(nameOf(host))) {
    return {
      status: 403,
      code: 'not-allowed',
      message: W.thisServerIsNotReached(host.slice(0, 80)),
    }
  }
  if (READING.includes(caller.method)) return null
  const foreign =
    (caller.origin !== undefined && hostOf(caller.origin) !== host) ||
    !['same-origin', 'none', undefined].includes(caller.fetchSite)
  return foreign ? { status: 403, code: 'not-allowed', message: W.aPageOfAnotherOrigin } : null
}

function decodable(url: string): boolean {
  try {
    decodeURIComponent(url.split('?')[0] ?? '')
    return true
  } catch {
    return false
  }
}

/** `shop.lan:4600` without its port; `[::1]:4600` without port and brackets. */
const nameOf = (host: string): string => host.replace(/:\d+$/, '').replace(/^\[(.*)\]$/, '$1')

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host.toLowerCase()
  } catch {
    // `null`, which a browser sends for a page without an origin of its own
    return null
  }
}

/**
 * Names and addresses a server is reached by.
 * @param listens - the address it listens on; of `0.0.0.0` and `::` every address of this machine counts
 * @param more - further names, separated by commas
 */
export function hostsOf(listens: string, more: string): Set<string> {
  const everywhere = listens === '0.0.0.0' || listens === '::'
  const own = Object.values(networkInterfaces()).flatMap((all) => all ?? [])
  const machine = hostname().toLowerCase()
  return new Set([
    'localhost',
    '127.0.0.1',
    '::1',
    nameOf(listens.toLowerCase()),
    ...(everywhere ? [machine, `${machine}.local`, ...own.map((a) => a.address.toLowerCase())] : []),
    ...listOf(more),
  ])
}

/** Entries of a list in the environment, separated by commas. */
export const listOf = (list: string): string[] =>
  list
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean)

/**
 * The address a request came from: the socket's, or behind a proxy that was named what that proxy says of it.
 * @param forwarded - the header x-forwarded-for: its last entry is the proxy's own word, those before it anybody's
 */
export function addressOf(
  socket: string | undefined,
  forwarded: string | undefined,
  proxies: readonly string[],
): string {
  const direct = plain(socket ?? '')
  if (!proxies.includes(direct)) return direct
  return plain(forwarded?.split(',').at(-1)?.trim().slice(0, 64) ?? direct)
}

/** An IPv4 address as it is written, also where the socket speaks IPv6. */
const plain = (address: string): string => address.replace(/^::ffff:/, '').toLowerCase()
