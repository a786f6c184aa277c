import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'

/** A process as the kernel knows it: the start time tells it from a stranger who got its number later. */
export type Mark = { pid: number; started: string }
export type RunFile = { supervisor: Mark; address: string; parts: Record<string, Mark> }

/** The mark of a live process, or null. */
export function markOf(pid: number): Mark | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    // the name in brackets may hold spaces; the start time is the 20th field after it
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return fields[0] === 'Z' ? null : { pid, started: fields[19] ?? '' }
  } catch {
    return null
  }
}

export const isAlive = (mark: Mark): boolean => markOf(mark.pid)?.started === mark.started

export function readRunFile(file: string): RunFile | null {
  if (!existsSync(file)) return null
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as RunFile
  } catch {
    return null
  }
}

/** Writes the file whole or not at all: a full disk leaves the one before. */
export function writeRunFile(file: string, run: RunFile): void {
  writeWhole(file, JSON.stringify(run))
}

/** Replaces a small file in one step; what fails leaves it as it was. */
export function writeWhole(file: string, text: string): void {
  writeFileSync(`${file}.new`, text, { mode: 0o600 })
  renameSync(`${file}.new`, file)
}

/** Ends what an earlier run left alive, and only that; waits until it is gone. */
export async function endLeftovers(file: string, patienceMs = 15_000): Promise<string[]> {
  const run = readRunFile(file)
  if (!run) return []
  const ended: string[] = []
  for (const [name, mark] of Object.entries(run.parts)) {
    if (!isAlive(mark)) continue
    process.kill(mark.pid, 'SIGINT')
    const until = Date.now() + patienceMs
    while (isAlive(mark) && Date.now() < until) await new Promise((done) => setTimeout(done, 50))
    if (isAlive(mark)) process.kill(mark.pid, 'SIGKILL')
    ended.push(name)
  }
  rmSync(file, { force: true })
  return ended
}
