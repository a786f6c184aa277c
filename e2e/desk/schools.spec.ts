import type { Page } from '@playwright/test'
import { procedureWritten } from '../../src/core/job/written'
import { SCHOOLS } from '../../src/core/schools/schools'
import { charge, proveAndLeave } from '../journey'
import { controlBench, expect, openCar, signIn, test, theCall } from '../shop'

/** What the call's button says when there is nothing to press but to wait. */
const WAITS = /^(To the )?[Bb]oard/
/** Clock of the bench, times the wall: a night in a minute. */
const FAST = 600

/** Walked through charge and proof too: what comes after the hold is the same for all of them. */
const IN_FULL = ['By the clock, 15 min', 'Triple, nitrogen between']

/** Presses what the call says until the car is to be charged. */
async function untilCharge(page: Page): Promise<string[]> {
  const said: string[] = []
  for (let i = 0; i < 400; i++) {
    if (await page.locator('[aria-current="step"]', { hasText: 'Charge' }).isVisible()) return said
    const ask = theCall(page).getByRole('button', { name: /Do it all the same/ })
    if (await ask.isVisible()) {
      await ask.click()
      continue
    }
    const low = page.getByLabel('Low gauge at rest')
    if (await low.isVisible()) {
      // the form may go while it is filled: what was pressed before has been answered
      const quick = { timeout: 2000 }
      await low.fill('0 psig', quick).catch(() => undefined)
      await page
        .getByLabel('High gauge at rest')
        .fill('0 psig', quick)
        .catch(() => undefined)
    }
    const sentence = (await theCall(page).getByRole('heading', { level: 2 }).textContent()) ?? ''
    if (said[said.length - 1] !== sentence) said.push(sentence)
    const label = (await theCall(page).locator('button.bg-accent').textContent()) ?? ''
    // what was said when the button was read: nothing is pressed whose sentence nobody heard
    if ((await theCall(page).getByRole('heading', { level: 2 }).textContent()) !== sentence) continue
    // the button that was read is pressed, never the one that came in its place: what it says is read first
    const read = theCall(page).locator('button.bg-accent', { hasText: label })
    if (!WAITS.test(label) && (await read.isEnabled({ timeout: 2000 }).catch(() => false)))
      await read.click({ timeout: 2000 }).catch(() => undefined)
    await page.waitForTimeout(250)
  }
  throw new Error(`never charged; it said: ${said.join(' | ')}`)
}

/** A car that is not charged today is ended and signed as what it is. */
async function endHere(page: Page): Promise<void> {
  await page.getByRole('button', { name: /Another way/ }).click()
  const end = page.getByRole('form', { name: 'End this job here' })
  await page.getByRole('dialog').getByRole('button', { name: 'End this job here' }).click()
  await end.getByLabel('Why').fill('the walk ends here')
  await end.getByRole('button', { name: 'End it here' }).click()
  await theCall(page).getByRole('button', { name: 'Sign it as it is' }).click()
}

for (const school of SCHOOLS) {
  test(`@long ${school.name}: walked on the bench to its record, which says what it was accepted by`, async ({
    page,
    context,
  }) => {
    test.setTimeout(600_000)
    await signIn(context.request)
    const { proves: _p, ...procedure } = school
    const jobId = await openCar(context.request, { procedure: procedureWritten(procedure) })
    await controlBench(context.request, jobId, { action: 'speed', factor: FAST })
    await page.goto(`/job/${jobId}`)
    const said = await untilCharge(page)
    for (const [kind, words] of [
      ['sweep', /Let dry nitrogen in/],
      ['hold', /Tight|It holds|Does it hold|rule passes/],
    ] as const)
      if (school.stages.some((s) => s.kind === kind)) expect(said.join(' | ')).toMatch(words)
    if (IN_FULL.includes(school.name)) {
      await charge(page)
      await proveAndLeave(page)
    } else await endHere(page)
    await expect(theCall(page)).toContainText('Signed. The car can go.')
    await page.goto(`/job/${jobId}/record`)
    const by = school.stages.flatMap((s) => (s.kind === 'hold' ? [s.accept.by] : [])).at(-1)
    const words = { judge: 'the judge', rule: 'the procedure’s rule', word: 'a person’s word' }[by ?? 'judge']
    await expect(page.getByText(new RegExp(`accepted by ${words}`)).first()).toBeVisible()
  })
}
