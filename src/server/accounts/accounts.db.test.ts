import { beforeEach, expect, test } from 'vitest'
import { database } from '../db/pool'
import { type Fixture, freshShop } from '../tests/shop-fixture'
import { checkPassword, insertAccount, selectAccounts, updateAccount } from './accounts'
import { countAttempt, forgetAttempts } from './attempts'
import { may, requireRight } from './roles'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

test('passwords are kept as argon2id and nothing else', async () => {
  const { rows } = await database().query<{ hash: string }>('select password_hash as hash from account')
  expect(rows).toHaveLength(3)
  for (const { hash } of rows) expect(hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
})

test('only the right password of a name that may sign in is taken, whatever its case', async () => {
  expect((await checkPassword(database(), ' Tech ', 'tech-password'))?.id).toBe(shop.technician.id)
  expect(await checkPassword(database(), 'tech', 'lead-password')).toBeNull()
  expect(await checkPassword(database(), 'nobody', 'tech-password')).toBeNull()
})

test('a closed account loses its sessions and cannot sign in; its jobs keep its name', async () => {
  await database().query(`insert into session (account_id, expires_at) values ($1, now() + interval '1 hour')`, [shop.trainee.id])
  expect(await updateAccount(database(), shop.trainee.id, { role: 'trainee', certificate: '', disabled: true })).toBe(true)
  expect(await checkPassword(database(), 'trainee', 'trainee-password')).toBeNull()
  expect((await database().query('select 1 from session')).rowCount).toBe(0)
  expect((await selectAccounts(database())).find((a) => a.id === shop.trainee.id)?.disabledAt).not.toBeNull()
})

test('two people cannot share a sign-in', async () => {
  const again = insertAccount(database(), { signIn: 'tech', name: 'Other', role: 'technician', certificate: '', password: 'another-one' })
  await expect(again).rejects.toMatchObject({ code: '23505' })
})

test('eight wrong passwords for a name are the most in a while, and a right one forgets them', async () => {
  for (let i = 0; i < 8; i++) await countAttempt('Tech', '10.0.0.1')
  await expect(countAttempt('tech', '10.0.0.1')).rejects.toMatchObject({ code: 'too-many' })
  await forgetAttempts('TECH', '10.0.0.1')
  await expect(countAttempt('tech', '10.0.0.1')).resolves.toBeUndefined()
})

test('an address that tries one name after the other is stopped too', async () => {
  for (let i = 0; i < 40; i++) await countAttempt(`name-${i}`, '10.0.0.2')
  await expect(countAttempt('name-99', '10.0.0.2')).rejects.toMatchObject({ code: 'too-many' })
  await expect(countAttempt('name-99', '10.0.0.3')).resolves.toBeUndefined()
})

test('rights: everybody runs jobs, lead and technician sign, only the lead edits the shop', () => {
  expect((['lead', 'technician', 'trainee'] as const).map((role) => [may(role, 'sign-job'), may(role, 'edit-shop')])).toEqual([
    [true, true],
    [true, false],
    [false, false],
  ])
  expect(() => requireRight(shop.trainee, 'sign-job')).toThrow(/a technician or the lead signs/)
})
