import { spawn, spawnSync } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { placesOf } from '../src/ops/places'
import { expect, type runFile } from './shop'

export const root = process.env.YPEROS_ROOT ?? process.cwd()

/** Whether a server answers at an address that it works. */
export const answers = (address: string): Promise<boolean> =>
  fetch(`${address}/api/health`).then(
    (r) => r.ok,
    () => false,
  )

/** A start command of a test's own, beside the one all tests share: with its own database, port and state. */
export type OwnPlace = ReturnType<typeof ownPlace>

/**
 * @param more - what the start command is given besides name and port
 * @param env - what is set for it besides the test's own
 */
export function ownPlace(name: string, port: number, more: readonly string[] = [], env: Record<string, string> = {}) {
  const address = `http://127.0.0.1:${port}`
  return {
    name,
    port,
    address,
    /** Starts it and waits until it answers. */
    start: async () => {
      spawn(join(root, 'yperos'), ['up', ...more, '--name', name, '--port', String(port)], {
        stdio: 'ignore',
        detached: true,
        env: { ...process.env, ...env },
      })
      await expect.poll(() => answers(address), { timeout: 110_000 }).toBe(true)
    },
    /** Which processes it is made of. */
    parts: () =>
      JSON.parse(readFileSync(join(root, '.yperos', name, 'run.json'), 'utf8')) as ReturnType<typeof runFile>,
    stop: () => spawnSync(join(root, 'yperos'), ['stop', '--name', name]),
    /** Takes away all it stored. */
    forget: () => {
      const { state, data } = placesOf(name)
      for (const path of [state, data]) rmSync(path, { recursive: true, force: true })
    },
  }
}
