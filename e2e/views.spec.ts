import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { expect, openCar, runFile, signIn, test } from './shop'
import { made, open, VIEWS } from './views'

/** What is asked of every view: the levels A and AA; what is merely advised is no serious finding. */
const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

/** Views that are much like others of theirs, or change seldom: looked at among the long tests. */
const LATER = [
  'ledger',
  'new car',
  'record',
  'records',
  'statement',
  'call in',
  'people',
  'sums',
  'check',
  'cars',
  'judge',
  'shop',
  'rig room',
  'zero',
  'take in',
  'fix',
  'hold',
  'pull',
  'charge',
  'plan',
  'prove',
  'leave',
  'signed',
  'label',
]

for (const [name, place] of VIEWS) {
  const later = LATER.includes(name) ? '@long ' : ''
  test(`${later}${name}: no serious finding by day or night, nothing wider than the screen, nothing asked of another machine`, async ({
    page,
    context,
    baseURL,
  }) => {
    const foreign: string[] = []
    const complaints: string[] = []
    page.on(
      'request',
      (r) =>
        r.url().startsWith(baseURL ?? '') ||
        r.url().startsWith('data:') ||
        r.url().startsWith('blob:') ||
        foreign.push(r.url()),
    )
    page.on('console', (m) => m.type() === 'error' && complaints.push(m.text()))
    page.on('pageerror', (e) => complaints.push(e.message))
    if (place !== '/sign-in') await signIn(context.request, 'maira')
    const where = place.startsWith('made: ') ? await made(context.request, place.slice(6)) : place
    for (const theme of ['day', 'night']) {
      if (theme === 'day') {
        await open(page, where)
        await page.waitForLoadState('load')
      } else await page.evaluate(() => document.documentElement.setAttribute('data-theme', 'night'))
      await page.waitForTimeout(300)
      // by night only colours differ: the rest was looked at by day
      const axe = new AxeBuilder({ page })
      const { violations } = await (theme === 'day' ? axe.withTags(WCAG) : axe.withRules(['color-contrast'])).analyze()
      const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
      expect(
        serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`),
        `${name} by ${theme}`,
      ).toEqual([])
      const wide = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect(wide, 'sideways scroll').toBeLessThanOrEqual(0)
    }
    expect(foreign).toEqual([])
    expect(complaints).toEqual([])
  })
}

test('@long on a phone the call’s sentence and its button stay in sight, however much stands above them', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(context.request, 'maira')
  for (const [car, sentence, button] of [
    ['Grader', /Recover it first/, 'Recovered, at zero'],
    ['Mirror truck', /Log what was renewed/, 'Repair is logged'],
    ['Night car 5', /./, /./],
  ] as const) {
    await open(page, car)
    const call = page.getByRole('complementary', { name: 'The call' })
    const bar = call.locator('[data-bar]')
    await expect(bar.getByText(sentence).first()).toBeInViewport()
    await expect(bar.getByRole('button', { name: button })).toBeInViewport({ ratio: 1 })
    // the last field of a long form, and the end of the page: neither moves it, and it covers neither
    await page.mouse.wheel(0, 6000)
    await expect(bar.getByRole('button', { name: button })).toBeInViewport({ ratio: 1 })
    // the end of the page lies above the bar
    const covered = await page.evaluate(() => {
      window.scrollTo(0, document.body.scrollHeight)
      const main = document.querySelector('main') as HTMLElement
      const ends = [...main.children].flatMap((c) => [...c.children, c]).filter((c) => !c.closest('[data-bar]'))
      const last = Math.max(...ends.map((c) => c.getBoundingClientRect().bottom))
      return last - (document.querySelector('[data-bar]') as HTMLElement).getBoundingClientRect().top
    })
    expect(covered).toBeLessThanOrEqual(0)
  }
})

test('pages carry a policy without inline scripts, and an injected one does not run', async ({ page, context }) => {
  await signIn(context.request)
  const answer = await page.goto('/board')
  const policy = answer?.headers()['content-security-policy'] ?? ''
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/)
  expect(policy.split(';').find((d) => d.includes('script-src'))).not.toContain('unsafe-inline')
  await page.evaluate(() => {
    const script = document.createElement('div')
    script.innerHTML = '<img src="x" onerror="window.ran = true">'
    document.body.append(script)
  })
  await page.waitForTimeout(300)
  expect(await page.evaluate(() => (window as unknown as { ran?: boolean }).ran)).toBeUndefined()
})

test('server and bench talk to nothing but loopback', async ({ context }) => {
  await signIn(context.request)
  await openCar(context.request)
  for (const { pid } of Object.values(runFile().parts)) {
    const lines = ['tcp', 'tcp6'].flatMap((kind) =>
      readFileSync(`/proc/${pid}/net/${kind}`, 'utf8').trim().split('\n').slice(1),
    )
    const remotes = lines.map((line) => line.trim().split(/\s+/)[2]?.split(':')[0] ?? '')
    const away = remotes.filter((a) => !/^0+$/.test(a) && !/0100007F$/.test(a) && !/^0{24}01000000$/.test(a))
    // without a namespace of its own the list is the whole machine's, and says nothing of these processes
    if (process.env.YPEROS_NO_NETWORK === '1') expect(away).toEqual([])
  }
  const interfaces = readFileSync('/proc/net/dev', 'utf8')
    .split('\n')
    .slice(2)
    .map((l) => l.split(':')[0]?.trim())
    .filter(Boolean)
  if (process.env.YPEROS_NO_NETWORK === '1') expect(interfaces).toEqual(['lo'])
  expect(process.env.NEXT_TELEMETRY_DISABLED).toBe('1')
})
