import {
  expect,
  expectStep,
  openCar,
  passwordOf,
  press,
  record,
  signIn,
  startHold,
  startPull,
  test,
  theCall,
} from '../shop'

test('@long a trainee charges once a technician nodded, on the trainee’s own screen or on theirs; the lead switches that', async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000)
  await signIn(context.request, 'anouk')
  const jobId = await openCar(context.request, { simulated: false, name: 'First charge', chargeG: 330 })
  await startPull(context.request, jobId)
  await startHold(context.request, jobId)
  // to skip a hold is a technician's
  const teo = await browser.newContext({ ...(baseURL && { baseURL }) })
  await signIn(teo.request)
  await record(teo.request, jobId, { kind: 'hold-skipped', payload: { why: 'test' } })
  await page.goto(`/job/${jobId}`)
  await expectStep(page, 'Charge')
  const plan = async (gross: string) => {
    await page.getByLabel('Gross of container 1, as weighed').fill(gross)
    await page.getByLabel('Net of container 1, from its label').fill('340 g')
    await press(page, 'Plan the charge')
  }
  await plan('474 g')
  await expect(theCall(page)).toContainText('A technician looks at the plan first.')
  await page.getByText('A technician stands here: nod on this screen').click()
  const nod = page.getByRole('form', { name: 'Nod' })
  await nod.getByLabel('Technician’s name to sign in').fill('teo')
  await nod.getByLabel('Their password').fill('not his')
  await nod.getByRole('button', { name: 'Nod to the plan' }).click()
  await expect(nod.getByText('do not belong together')).toBeVisible()
  await nod.getByLabel('Technician’s name to sign in').fill('teo')
  await nod.getByLabel('Their password').fill(passwordOf('teo'))
  await nod.getByRole('button', { name: 'Nod to the plan' }).click()
  await expect(theCall(page)).toContainText('can-1 on the scale.')

  // on the technician's own page of another car
  const other = await openCar(context.request, { simulated: false, name: 'Second charge', chargeG: 330 })
  await startPull(context.request, other)
  await startHold(context.request, other)
  await record(teo.request, other, { kind: 'hold-skipped', payload: { why: 'test' } })
  await page.goto(`/job/${other}`)
  await plan('474 g')
  await expect(theCall(page)).toContainText('A technician looks at the plan first.')
  const his = await teo.newPage()
  await his.goto(`/job/${other}`)
  await press(his, /Nod to it/)
  await expect(theCall(page)).toContainText('can-1 on the scale.')
  await teo.close()
})
