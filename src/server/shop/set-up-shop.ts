import { randomUUID } from 'node:crypto'
import { procedureWritten } from '@/core/job/written'
import { W } from '@/core/language/server/shop'
import { SCHOOLS } from '@/core/schools/schools'
import { airOf, cartOf, type ShopSetUp } from '@/core/shop/set-up'
import { insertAccount } from '../accounts/accounts'
import { database, transaction } from '../db/pool'
import { scopeOf } from '../db/scope'
import { fillShelf } from '../equipment/fill-shelf'
import { AppError } from '../errors'
import { upsertProcedure } from './catalogue'
import { findShop, insertShop, openShop, type Shop, setShopUnits, shopOf } from './shop'
import { logShop } from './shop-log'

/** Set-ups wait for each other, and for a start that loads a demo place. */
const SET_UP_LOCK = 460002

/**
 * Sets up the shop of an installation that has none: place, first person, procedures of the schools, and a cart put
 * together from the shelf. All of it or nothing.
 * @throws AppError `conflict` where a shop is open already
 */
export async function setUpShop(asked: ShopSetUp, now: Date): Promise<{ shop: Shop; accountId: string }> {
  return transaction(database(), async (client) => {
    await client.query('select pg_advisory_xact_lock($1)', [SET_UP_LOCK])
    if (await findShop(client)) throw new AppError('conflict', W.aShopIsOpenHere)
    const { name, timeZone, ambientC } = asked
    const shopId = await insertShop(client, {
      name,
      timeZone,
      ambientC,
      ...airOf(asked.air),
      demo: false,
      certificateAsked: false,
    })
    const scope = scopeOf(shopId, client)
    await setShopUnits(scope, asked.units)
    const lead = await insertAccount(scope, { ...asked.lead, role: 'lead' })
    for (const { proves, ...procedure } of SCHOOLS)
      await upsertProcedure(scope, { id: randomUUID(), proves, ...procedureWritten(procedure) })
    const { equipment, rig } = cartOf(asked, now.toISOString().slice(0, 10))
    await fillShelf(
      scope,
      equipment.map((item) => ({ ...item, spec: { ...item.spec }, deeds: [] })),
      [rig],
      now,
    )
    await openShop(scope)
    await logShop(scope, asked.lead.name, 'key-made')
    await logShop(scope, asked.lead.name, 'account-made', W.lead(asked.lead.name))
    return { shop: await shopOf(scope), accountId: lead.id }
  })
}
