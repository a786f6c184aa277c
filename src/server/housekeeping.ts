import { deleteExpiredAttempts } from './accounts/attempts'
import { deleteExpiredSessions } from './accounts/session-rows'
import { database } from './db/pool'
import { log } from './log'
import { keepPartitions } from './readings/partitions'

/** Time between two rounds, ms. */
const ROUND_MS = 3600_000

/**
 * What a shop that runs for months needs done now and then; each on its own, so that one failure keeps nothing else
 * from being done.
 */
const CHORES: [name: string, work: () => Promise<unknown>][] = [
  ['partitions', () => keepPartitions(database())],
  ['sessions', () => deleteExpiredSessions(database())],
  ['attempts', () => deleteExpiredAttempts(database())],
]

/** One round of everything. */
export async function houseRound(): Promise<void> {
  for (const [name, work] of CHORES)
    await work().catch((error: Error) => log.warn({ err: error, chore: name }, 'left for the next round'))
}

/** A round now and one every hour, beside the requests. */
export function keepHouse(): void {
  void houseRound()
  setInterval(() => void houseRound(), ROUND_MS).unref()
}
