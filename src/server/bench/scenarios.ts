import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Scenario } from '@/core/bench/truth'
import { W } from '@/core/language/server/jobs'
import { notFound } from '../errors'

const folder = (): string => join(process.env.YPEROS_ROOT ?? process.cwd(), 'db/demo/scenarios')

/** The scenarios that ship with the bench, by name. */
export async function shippedScenarios(): Promise<Scenario[]> {
  const files = (await readdir(folder())).filter((f) => f.endsWith('.json'))
  const scenarios = await Promise.all(
    files.map(async (f) => Scenario.parse(JSON.parse(await readFile(join(folder(), f), 'utf8')))),
  )
  return scenarios.sort((a, b) => a.name.localeCompare(b.name))
}

/** @throws AppError `not-found` when no scenario is called that */
export async function scenarioNamed(name: string): Promise<Scenario> {
  const found = (await shippedScenarios()).find((s) => s.name === name)
  if (!found) throw notFound(W.theScenario(name))
  return found
}
