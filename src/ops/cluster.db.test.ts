import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { requireFreePort, startCluster } from './cluster'
import type { Places } from './places'

function places(): Places {
  const state = mkdtempSync(join(tmpdir(), 'yperos-cluster-'))
  return {
    name: 'test',
    root: state,
    state,
    data: join(state, 'data', 'pg'),
    runFile: join(state, 'run.json'),
    lockFile: join(state, 'lock.json'),
  }
}

test('a data folder in which a file is missing is refused and left as it is', async () => {
  const p = places()
  mkdirSync(p.data, { recursive: true })
  writeFileSync(join(p.data, 'somebody’s readings'), 'precious')
  await expect(startCluster(p)).rejects.toThrow(/PG_VERSION is not: it is left as it is/)
  expect(readFileSync(join(p.data, 'somebody’s readings'), 'utf8')).toBe('precious')
  rmSync(p.state, { recursive: true })
})

test('a data folder that is gone is not replaced by an empty one', async () => {
  const p = places()
  writeFileSync(join(p.state, 'database-password'), 'of the shop that was here')
  await expect(startCluster(p)).rejects.toThrow(/is gone, and this shop had one/)
  expect(existsSync(p.data)).toBe(false)
  rmSync(p.state, { recursive: true })
})

test('a port that is taken is said by its number, with the remedy', async () => {
  const other = createServer()
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve))
  const port = (other.address() as { port: number }).port
  await expect(requireFreePort('127.0.0.1', port)).rejects.toThrow(
    new RegExp(`port ${port} .* is taken by another program: give another with --port`),
  )
  await new Promise((done) => other.close(done))
  await expect(requireFreePort('127.0.0.1', port)).resolves.toBeUndefined()
})
