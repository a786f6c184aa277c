import { expect, openCar, readings, record, signIn, startHold, startPull, test } from '../shop'

test(
  '@long large figures and bare entries are in the units of whoever looks; another’s stay theirs, ' +
    'and the record keeps what was typed',
  async ({ page, context, browser, baseURL }) => {
    await signIn(context.request, 'anouk')
    const jobId = await openCar(context.request, { simulated: false })
    await startPull(context.request, jobId)
    await page.goto('/me')
    const units = page.getByRole('region', { name: 'Units' })
    for (const unit of ['mbar', 'oz']) {
      await units.getByRole('radio', { name: unit, exact: true }).click()
      await expect(units.getByRole('radio', { name: unit, exact: true })).toBeChecked()
    }
    try {
      await page.goto(`/job/${jobId}`)
      // 0.9 mbar is 675 micron; typed without a unit it is what she thinks in
      const pad = page.getByRole('form', { name: 'Typed reading' })
      await pad.getByLabel(/vacuum reading \(mbar unless you say\)/).fill('0.9')
      await pad.getByRole('button', { name: 'Log it' }).click()
      await expect(page.getByTestId('vacuum')).toHaveText('0.900')
      await expect(page.getByText('675 micron').first()).toBeVisible()
      await expect(page.getByText(/0\.900 mbar now, the target is 0\.667/)).toBeVisible()
      expect((await readings(context.request, jobId, 'vacuum'))[0]?.value).toBeCloseTo(90, 6)
      const other = await browser.newContext({ ...(baseURL && { baseURL }) })
      await signIn(other.request, 'teo')
      const his = await other.newPage()
      await his.goto(`/job/${jobId}`)
      await expect(his.getByTestId('vacuum')).toHaveText('675')
      await startHold(other.request, jobId)
      await record(other.request, jobId, { kind: 'hold-skipped', payload: { why: 'test' } })
      const containers = [{ id: 'can-1', kind: 'can', grossG: 574, netG: 440 }]
      const stops = [{ id: 'can-1', stopGrossG: 171, takenG: 403, purgeG: 3 }]
      const plan = { targetG: 400, purgeEachG: 3, containers, stops, bandG: [390, 410] }
      await record(
        other.request,
        jobId,
        { kind: 'charge-planned', payload: plan },
        { kind: 'container-started', payload: { id: 'can-1', grossG: 574 } },
      )
      await other.close()
      await page.reload()
      // 400 g are to go
      await expect(page.getByTestId('to-go')).toHaveText('14.1')
      const csv = await (await context.request.get(`/api/jobs/${jobId}/readings.csv`)).text()
      expect(csv).toContain('vacuum,0.9,mbar')
    } finally {
      await context.request.post('/api/units', { data: {} })
    }
  },
)
