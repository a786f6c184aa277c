import { beforeEach, expect, test } from 'vitest'
import type { Role } from '@/core/shop/people'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { refuseDemoPassword } from '../demo/sign-ins'
import { shopOf } from '../shop/shop'
import { type Fixture, freshShop, here } from '../tests/shop-fixture'
import { type Account, changeAccount, checkPassword, insertAccount, selectAccounts } from './accounts'
import { countAttempt, deleteExpiredAttempts, forgetAttempts } from './attempts'
import { may, requireRight } from './roles'
import { deleteExpiredSessions, insertSession, selectSession } from './session-rows'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

/** What a lead changes of somebody's account. */
const change = (by: { id: string }, whose: { id: string }, to: { role: Role; disabled: boolean }) =>
  inTransaction(here(), (tx) => changeAccount(tx, by.id, { id: whose.id, certificate: 'T-1', ...to }))

test('passwords are kept as argon2id and nothing else', async () => {
  const { rows } = await database().query<{ hash: string }>('select password_hash as hash from account')
  expect(rows).toHaveLength(3)
  for (const { hash } of rows) expect(hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
})

test('only the right password of a name that may sign in is taken, whatever its case', async () => {
  expect((await checkPassword(here(), ' Tech ', 'tech-password'))?.id).toBe(shop.technician.id)
  expect(await checkPassword(here(), 'tech', 'lead-password')).toBeNull()
  expect(await checkPassword(here(), 'nobody', 'tech-password')).toBeNull()
})

test('a closed account loses its sessions and cannot sign in; its jobs keep its name', async () => {
  await database().query(`insert into session (account_id, expires_at) values ($1, now() + interval '1 hour')`, [
    shop.trainee.id,
  ])
  await change(shop.lead, shop.trainee, { role: 'trainee', disabled: true })
  expect(await checkPassword(here(), 'trainee', 'trainee-password')).toBeNull()
  expect((await database().query('select 1 from session')).rowCount).toBe(0)
  expect((await selectAccounts(here())).find((a) => a.id === shop.trainee.id)?.disabledAt).not.toBeNull()
})

test('two people cannot share a sign-in', async () => {
  const again = insertAccount(here(), {
    signIn: 'tech',
    name: 'Other',
    role: 'technician',
    certificate: '',
    password: 'another-one',
  })
  await expect(again).rejects.toMatchObject({ code: '23505' })
})

test('after three wrong tries a name waits ten seconds at most, at that address only, and a right one counts nowhere', async () => {
  for (let i = 0; i < 12; i++) {
    const tried = countAttempt('Tech', '10.0.0.1')
    if (i < 3) await expect(tried).resolves.toBeUndefined()
    else
      await expect(tried).rejects.toMatchObject({ code: 'too-many', message: expect.stringMatching(/in ([1-9]|10) s/) })
  }
  // nobody else is delayed: not another name, not the same name elsewhere
  await expect(countAttempt('lead', '10.0.0.1')).resolves.toBeUndefined()
  await expect(countAttempt('tech', '10.0.0.2')).resolves.toBeUndefined()
  await database().query('update sign_in_attempt set expire = expire - 10000')
  await expect(countAttempt('tech', '10.0.0.1')).resolves.toBeUndefined()
  for (let i = 0; i < 20; i++) {
    await forgetAttempts('TECH', '10.0.0.1')
    await expect(countAttempt('tech', '10.0.0.1')).resolves.toBeUndefined()
  }
})

test('many tries at once count as many', async () => {
  const tries = await Promise.allSettled(Array.from({ length: 30 }, () => countAttempt('tech', '10.0.0.5')))
  expect(tries.filter((t) => t.status === 'fulfilled')).toHaveLength(3)
})

test('an attempt leaves no timer behind, however long its name and address', async () => {
  const timers = () => process.getActiveResourcesInfo().filter((r) => r === 'Timeout').length
  await countAttempt('someone', '10.0.0.9')
  const before = timers()
  for (let i = 0; i < 40; i++)
    await countAttempt(`name ${i} ${'x'.repeat(400)}`, 'y'.repeat(400)).catch(() => undefined)
  expect(timers()).toBeLessThanOrEqual(before + 2)
})

test('what has run out is cleared away: sessions and attempts', async () => {
  const db = database()
  await countAttempt('tech', '10.0.0.3')
  await insertSession(db, shop.lead.id, 3600)
  const over = await insertSession(db, shop.lead.id, -1)
  expect(await selectSession(here(), over)).toBeNull()
  expect(await deleteExpiredSessions(db)).toBe(1)
  expect(await deleteExpiredAttempts(db)).toBe(0)
  await db.query('update sign_in_attempt set expire = 1')
  expect(await deleteExpiredAttempts(db)).toBe(1)
})

test('a session ends with its account, at once', async () => {
  const db = database()
  const session = await insertSession(db, shop.technician.id, 3600)
  expect((await selectSession(here(), session))?.account.name).toBe('tech')
  await change(shop.lead, shop.technician, { role: 'technician', disabled: true })
  expect(await selectSession(here(), session)).toBeNull()
})

test('two leads who take the lead from each other at once leave one of them', async () => {
  for (let round = 0; round < 10; round++) {
    shop = await freshShop()
    const { rows } = await database().query<Account>(`update account set role = 'lead' where id = $1 returning id`, [
      shop.technician.id,
    ])
    const other = rows[0] as Account
    const done = await Promise.allSettled([
      change(shop.lead, other, { role: 'technician', disabled: false }),
      change(other, shop.lead, { role: 'technician', disabled: false }),
    ])
    expect(done.filter((d) => d.status === 'fulfilled')).toHaveLength(1)
    expect((await selectAccounts(here())).filter((a) => a.role === 'lead')).toHaveLength(1)
  }
})

test('the last lead keeps the lead, whoever asks', async () => {
  await expect(change(shop.lead, shop.lead, { role: 'technician', disabled: false })).rejects.toMatchObject({
    code: 'conflict',
  })
  await expect(change(shop.lead, shop.lead, { role: 'lead', disabled: true })).rejects.toMatchObject({
    code: 'conflict',
  })
  await expect(change(shop.technician, shop.trainee, { role: 'lead', disabled: false })).rejects.toMatchObject({
    code: 'not-allowed',
  })
})

test('the demo’s passwords are refused from another machine, other passwords are not', async () => {
  const place = await shopOf(here())
  const refused =
    (signIn: string, password: string, demo = true) =>
    () =>
      refuseDemoPassword({ ...place, demo }, signIn, password)
  expect(refused(' Teo', 'cold-plateau-2')).toThrow(/on the machine it runs on only/)
  expect(refused('teo', 'one of his own')).not.toThrow()
  expect(refused('teo', 'cold-plateau-2', false)).not.toThrow()
})

test('rights: everybody runs jobs, lead and technician sign, only the lead edits the shop', () => {
  expect(
    (['lead', 'technician', 'trainee'] as const).map((role) => [may(role, 'sign-job'), may(role, 'edit-shop')]),
  ).toEqual([
    [true, true],
    [true, false],
    [false, false],
  ])
  expect(() => requireRight(shop.trainee, 'sign-job')).toThrow(/a technician or the lead signs/)
})
