import { copyFileSync, existsSync, openSync, statSync, truncateSync } from 'node:fs'

/** A log is cut when it is larger than this, bytes; what was in it is kept once as `.1`. */
const LARGEST_LOG = 10 * 1024 * 1024

/** Opens a log to append to. */
export const openLog = (file: string): number => openSync(file, 'a', 0o600)

/**
 * Cuts a log that grew too large: its content moves to `<file>.1`, the file goes on empty. Whoever writes appends, so
 * nothing is torn.
 * @returns whether it was cut
 */
export function cutLog(file: string, largest = LARGEST_LOG): boolean {
  if (!existsSync(file) || statSync(file).size <= largest) return false
  copyFileSync(file, `${file}.1`)
  truncateSync(file, 0)
  return true
}
