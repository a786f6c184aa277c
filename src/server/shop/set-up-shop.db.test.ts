import { beforeEach, expect, test } from 'vitest'
import { ShopSetUp } from '@/core/shop/set-up'
import { USUAL_UNITS } from '@/core/units/shown'
import { selectAccounts, setUnits, unitsOf } from '../accounts/accounts'
import { database } from '../db/pool'
import { scopeOf } from '../db/scope'
import { freshShop } from '../tests/shop-fixture'
import { selectProcedures, selectRigs } from './catalogue'
import { setUpShop } from './set-up-shop'
import { findShop } from './shop'

const ASKED = ShopSetUp.parse({
  name: 'Quay 9 workshop',
  air: { by: 'sea-level', seaLevelPa: 102_000, altitudeM: 300 },
  ambientC: 18,
  timeZone: 'Europe/Berlin',
  lead: { signIn: 'ilka', name: 'Ilka Marn', certificate: '', password: 'eleven letters' },
  cart: { gauge: 'needle', hoses: 'three-eighths', cores: 'out', pump: 'middle', scale: 'five' },
})

beforeEach(async () => {
  await freshShop()
  await database().query('update shop set opened_at = null')
})

test('a shop is set up whole: place, lead, procedures of the schools, and a cart from the shelf', async () => {
  const { shop } = await setUpShop(ASKED, new Date('2026-03-02T08:00:00Z'))
  expect(shop).toMatchObject({ name: 'Quay 9 workshop', demo: false, timeZone: 'Europe/Berlin', altitudeM: 300 })
  const scope = scopeOf(shop.id)
  expect((await selectAccounts(scope)).map((a) => [a.signIn, a.role])).toEqual([['ilka', 'lead']])
  expect((await selectProcedures(scope)).length).toBeGreaterThanOrEqual(4)
  const [rig] = await selectRigs(scope)
  expect(rig).toMatchObject({ name: 'Cart 1', gauge: 'needle', scaleStepG: 5, hoses: 2, cores: 'out' })
  expect(rig?.boreM).toBeCloseTo(0.0095, 6)
  expect(rig?.missing).toBeUndefined()
  expect((await findShop(database()))?.id).toBe(shop.id)
})

test('what people here think in is everybody’s until they choose', async () => {
  const { shop, accountId } = await setUpShop({ ...ASKED, units: { ...USUAL_UNITS, mass: 'oz' } }, new Date())
  const scope = scopeOf(shop.id)
  expect(await unitsOf(scope, accountId)).toEqual({ ...USUAL_UNITS, mass: 'oz' })
  await setUnits(scope, accountId, { ...USUAL_UNITS, vacuum: 'mbar' })
  expect(await unitsOf(scope, accountId)).toEqual({ ...USUAL_UNITS, vacuum: 'mbar' })
})

test('of two who set it up at once one does, and the other is told; a set-up that fails leaves nothing', async () => {
  const both = await Promise.allSettled([setUpShop(ASKED, new Date()), setUpShop(ASKED, new Date())])
  expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected'])
  const refused = both.find((b) => b.status === 'rejected') as PromiseRejectedResult
  expect(refused.reason).toMatchObject({ code: 'conflict' })
  await database().query('update shop set opened_at = null')
  const count = async () => Number((await database().query('select count(*) as n from shop')).rows[0].n)
  const before = await count()
  await expect(setUpShop({ ...ASKED, cart: { ...ASKED.cart, gauge: 'none' as never } }, new Date())).rejects.toThrow()
  expect(await count()).toBe(before)
  expect(await findShop(database())).toBeNull()
})
