import type { APIRequestContext, Page } from '@playwright/test'
import { finished, openCar, part, record } from './shop'

/** Every view, and where it is: a path, a demo car's page, or a step no demo car stands in. */
export const VIEWS: [name: string, place: string][] = [
  ['sign in', '/sign-in'],
  ['board', '/board'],
  ['new car', '/job/new'],
  ['judge', '/judge'],
  ['ledger', '/ledger'],
  ['cars', '/cars'],
  ['records', '/records?q=leak'],
  ['statement', '/statement'],
  ['call in', '/fleet'],
  ['people', '/people'],
  ['sums', '/sums?sum=hold'],
  ['check', '/check'],
  ['shop', '/shop'],
  ['rig room', '/rig-room'],
  ['zero', 'Grader'],
  ['take in', 'Hybrid'],
  ['fix', 'Mirror truck'],
  ['pull', 'Ambulance'],
  ['hold', 'Shuttle 3'],
  ['charge', 'Night car 2'],
  ['plan', 'made: plan'],
  ['prove', 'made: prove'],
  ['leave', 'Night car 5'],
  ['signed', 'Night car 1'],
  ['record', 'Night car 1/record'],
  ['label', 'Night car 1/label'],
]

/** Opens a view by its path, or by its car on the board. */
export async function open(page: Page, place: string): Promise<void> {
  if (place.startsWith('/')) {
    await page.goto(place)
    return
  }
  const [car = '', rest] = place.split('/')
  await page.goto('/board')
  const href = await page
    .getByRole('link', { name: new RegExp(`^${car} `) })
    .first()
    .getAttribute('href')
  await page.goto(rest ? `${href}/${rest}` : (href ?? ''))
}

/** A car brought to a step that no demo car stands in; the path of its page. */
export async function made(request: APIRequestContext, step: string): Promise<string> {
  const jobId = await openCar(request, { simulated: false })
  await record(request, jobId, finished('zero'), { kind: 'hold-decided', payload: { next: 'charge' } })
  if (step === 'prove') {
    const reading = { lowPaG: 230_000, highPaG: 800_000, ventC: 9, ambientC: 11, note: '', engine: 'idle' }
    await record(request, jobId, finished('charge'), part('engine', 'on'), { kind: 'proof-read', payload: reading })
  }
  return `/job/${jobId}`
}
