import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { TRAINEE_RIGHT_NAMES, type TraineeRight } from '@/core/shop/trainee'
import { selectEvents } from '../jobs/job-rows'
import { Deeds, recordDeeds } from '../jobs/record-deeds'
import { changeShop } from '../shop/change-shop'
import { selectShopLog } from '../shop/shop-log'
import { by, type Fixture, freshShop, here, jobWithGauge } from '../tests/shop-fixture'
import type { Account } from './accounts'

let shop: Fixture
let jobId: string
beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician)
})

const deed = (kind: string, payload: object) => ({ id: randomUUID(), kind, payload })
const record = (who: Account, ...events: object[]) => recordDeeds(by(who), jobId, Deeds.parse({ events }))
const switches = (...on: TraineeRight[]) =>
  changeShop(by(shop.lead), {
    what: 'trainee-rights',
    rights: Object.fromEntries(TRAINEE_RIGHT_NAMES.map((n) => [n, on.includes(n)])) as Record<TraineeRight, boolean>,
  })
const PLAN = {
  targetG: 300,
  purgeEachG: 3,
  containers: [{ id: 'can-1', kind: 'can', grossG: 474, netG: 340 }],
  stops: [{ id: 'can-1', stopGrossG: 170, takenG: 303, purgeG: 3 }],
  bandG: [295, 305],
}
const start = () => deed('container-started', { id: 'can-1', grossG: 474 })
const toCharge = () => [
  ...['zero', 'fix', 'rig', 'pull', 'isolate'].map((step) => deed('step-finished', { step })),
  deed('hold-decided', { next: 'charge' }),
  deed('charge-planned', PLAN),
]

test('a trainee charges once a technician nodded to the plan; another plan is nodded to anew', async () => {
  await record(shop.trainee, ...toCharge())
  await expect(record(shop.trainee, start())).rejects.toThrow('A technician nods to the plan')
  await expect(record(shop.trainee, deed('charge-nodded', {}))).rejects.toMatchObject({ code: 'not-allowed' })
  await record(shop.technician, deed('charge-nodded', {}))
  await record(shop.trainee, deed('charge-planned', { ...PLAN, targetG: 310 }))
  await expect(record(shop.trainee, start())).rejects.toMatchObject({ code: 'not-allowed' })
  await record(shop.technician, deed('charge-nodded', {}))
  await record(shop.trainee, start())
  expect((await selectEvents(here(), jobId)).at(-1)).toMatchObject({ kind: 'container-started', by: 'trainee' })
})

test('what the lead switches on a trainee may do, and it stands in the shop’s log', async () => {
  await record(shop.trainee, ...toCharge())
  await switches('chargeAlone')
  await record(shop.trainee, start())
  expect(await selectShopLog(here())).toMatchObject([
    { what: 'rights-set', by: 'lead', about: 'charges without a technician’s nod' },
  ])
  await expect(
    changeShop(by(shop.technician), { what: 'trainee-rights', rights: {} as Record<TraineeRight, boolean> }),
  ).rejects.toMatchObject({ code: 'not-allowed' })
})

test('a trainee corrects what they entered themselves, and skips no hold', async () => {
  const [own, other] = [deed('noted', { text: 'gasket looked at' }), deed('noted', { text: 'cap was missing' })]
  await record(shop.trainee, own)
  await record(shop.technician, other)
  const correct = (eventId: string) => deed('corrected', { eventId, was: 'a', is: 'b', why: 'c' })
  await record(shop.trainee, correct(own.id))
  await expect(record(shop.trainee, correct(other.id))).rejects.toThrow('corrects only what they entered')
  await expect(record(shop.trainee, deed('hold-skipped', { why: 'no time' }))).rejects.toThrow('A technician skips')
  await switches('correctOthers', 'skipHold')
  await record(shop.trainee, correct(other.id))
})
