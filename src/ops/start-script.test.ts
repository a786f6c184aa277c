import { execFile } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, onTestFinished, test } from 'vitest'

const root = resolve(__dirname, '../..')

/** Runs the script of a checkout; what it said and its exit code. */
const run = (checkout: string, ...args: string[]) =>
  new Promise<{ code: number; said: string }>((done) => {
    execFile(join(checkout, 'yperos'), args, (error, stdout, stderr) =>
      done({ code: error ? Number(error.code ?? 1) : 0, said: `${stdout}${stderr}` }),
    )
  })

test('commands started together on a checkout that was never built all find their tools', async () => {
  const checkout = mkdtempSync(join(tmpdir(), 'yperos-together-'))
  onTestFinished(() => rmSync(checkout, { recursive: true }))
  for (const part of ['yperos', 'src', 'perf', 'package.json', 'package-lock.json', 'tsconfig.json'])
    cpSync(join(root, part), join(checkout, part), { recursive: true })
  symlinkSync(join(root, 'node_modules'), join(checkout, 'node_modules'))
  const answers = await Promise.all(
    Array.from({ length: 4 }, () => run(checkout, 'convert', '1', 'kPa', 'Pa', '--json')),
  )
  for (const { code, said } of answers) {
    expect(said).toContain('1000')
    expect(code).toBe(0)
  }
}, 120_000)
