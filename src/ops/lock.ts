import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { isAlive, type Mark, markOf } from './run-file'

/**
 * Takes the lock of a run: one start at a time, whoever presses twice.
 * @returns null when it is ours, else the mark of the start that holds it
 */
export function takeLock(file: string): Mark | null {
  const own = markOf(process.pid)
  if (!own) return null
  for (;;) {
    try {
      writeFileSync(file, JSON.stringify(own), { flag: 'wx', mode: 0o600 })
      return null
    } catch (error) {
      if ((error as { code?: string }).code !== 'EEXIST') throw error
    }
    const holder = readMark(file)
    if (holder && isAlive(holder)) return holder
    // left behind by a start that was killed: moved away first, so that of two who find it only one removes it
    const stale = `${file}.${process.pid}`
    try {
      renameSync(file, stale)
      rmSync(stale, { force: true })
    } catch {
      // the other one was quicker
    }
  }
}

export const dropLock = (file: string): void => rmSync(file, { force: true })

/** Whose lock it is; null when there is none. */
export function readMark(file: string): Mark | null {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Mark
  } catch {
    return null
  }
}
