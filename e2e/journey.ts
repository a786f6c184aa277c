import { expect, type Page } from '@playwright/test'
import { closeInTime, expectStep, press, theCall } from './shop'

/** Charges 397 to 400 g out of two cans by what the call says, on the bench. */
export async function charge(page: Page): Promise<void> {
  await expectStep(page, 'Charge')
  await expect(page.getByText(/^simulated, clock ×10/)).toBeVisible()
  await page.getByLabel('Gross of container 1, as weighed').fill('472 g')
  await page.getByLabel('Net of container 1, from its label').fill('12 oz')
  await page.getByRole('button', { name: 'Another container' }).click()
  await page.getByLabel('Gross of container 2, as weighed').fill('470 g')
  await page.getByLabel('Net of container 2, from its label').fill('340 g')
  await press(page, 'Plan the charge')
  for (const can of ['can-1', 'can-2']) {
    await press(page, `${can} is connected`)
    await press(page, 'It is purged')
    await press(page, 'Both are open')
    if (can === 'can-1') await press(page, 'Engine is on', 40_000)
    await closeInTime(page)
    await press(page, 'Container is shut')
  }
  await expect(theCall(page)).toContainText(/is in\. Prove it\./)
  await expect(theCall(page)).toContainText('within the ±15 g allowed')
  await press(page, 'Go on to the proof')
}

/** From the running engine to the signature. */
export async function proveAndLeave(page: Page): Promise<void> {
  await expectStep(page, 'Prove')
  // the bench's instruments have filled the fields
  await expect(page.getByLabel('Low side, running')).not.toHaveValue('')
  await expect(page.getByLabel('Middle vent')).not.toHaveValue('')
  await press(page, 'It is read')
  await expect(theCall(page)).toContainText('Read it again at 1,500 rpm.')
  await press(page, 'It is read')
  await expect(
    page
      .getByRole('region', { name: 'Bands' })
      .getByText(/within/)
      .first(),
  ).toBeVisible()
  await expect(page.getByRole('region', { name: 'What the readings point to' })).toContainText('%')
  await press(page, 'Close it up')
  await expect(page.getByLabel('Service label')).toContainText('CL-0533')
  await expect(theCall(page).locator('button.bg-accent')).toHaveText(/Cores are in|Container is shut/)
  // a rig with core tools: what came out goes back in before a tool comes off
  const cores = theCall(page).getByRole('button', { name: 'Cores are in' })
  if (await cores.isVisible()) await cores.click()
  const taps = [
    'Container is shut',
    'Low coupler is off',
    'Engine is off',
    'High coupler is off',
    'Both caps are on',
    'Pump is capped',
    'Label is filled in',
  ]
  for (const label of taps) await press(page, label)
  await expect(page.getByLabel('Certificate number')).toHaveValue('CL-0533')
  await press(page, 'Sign')
}
