import { beforeEach, expect, test } from 'vitest'
import { type Fixture, freshShop, here, signedIn } from '../tests/shop-fixture'
import { changeShop } from './change-shop'
import { selectPlaces } from './places'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

test('air that was read keeps its time; what is worked out from an altitude was never read', async () => {
  const lead = await signedIn(shop.lead)
  await changeShop(lead, { what: 'new-place', name: 'Landing', air: { by: 'altitude', altitudeM: 3 }, ambientC: 22 })
  const [own, landing] = await selectPlaces(here())
  expect([own.airAt, landing?.airAt]).toEqual([null, null])
  const air = { by: 'barometer' as const, barometerPa: 100_800, altitudeM: null }
  for (const place of [null, landing?.id ?? null]) await changeShop(lead, { what: 'air', place, air, ambientC: 18 })
  for (const place of await selectPlaces(here())) {
    expect(place).toMatchObject({ barometerPa: 100_800, ambientC: 18 })
    expect(Math.abs(Date.parse(place.airAt ?? '') - Date.now())).toBeLessThan(60_000)
  }
  // an altitude that was known stays known
  expect((await selectPlaces(here()))[1]?.altitudeM).toBe(3)
})
