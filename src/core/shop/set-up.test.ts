import { expect, test } from 'vitest'
import { airOf, airQuestion, CART_KINDS, cartOf, ShopSetUp } from './set-up'

const ASKED = {
  name: 'Quay 9 workshop',
  air: { by: 'altitude', altitudeM: 0 },
  ambientC: 18,
  timeZone: 'Europe/Berlin',
  lead: { signIn: 'ilka', name: 'Ilka Marn', certificate: '', password: 'eleven letters' },
  cart: {},
}

test('altitude, barometer and forecast are told apart and become the air of the place', () => {
  expect(airOf({ by: 'altitude', altitudeM: 0 }).barometerPa).toBeCloseTo(101_325, 0)
  expect(airOf({ by: 'barometer', barometerPa: 95_000, altitudeM: null })).toEqual({
    barometerPa: 95_000,
    altitudeM: null,
  })
  // the standard air at 2000 m has 795 mbar; on a day of 1033 mbar at the sea a fiftieth more
  const high = airOf({ by: 'sea-level', seaLevelPa: 103_300, altitudeM: 2000 })
  expect(high.barometerPa / 79_495).toBeCloseTo(103_300 / 101_325, 3)
})

test('a barometer typed as a forecast says it is asked about where it cannot be, and not where it can', () => {
  const at = (barometerPa: number, altitudeM: number | null) => airQuestion({ by: 'barometer', barometerPa, altitudeM })
  expect(at(101_300, 2000)).toMatch(/795 mbar.*usual at 2000 m: is this the sea-level pressure of a forecast/)
  expect(at(60_000, 2000)).toMatch(/is one of the two wrong/)
  expect(at(79_000, 2000)).toBeUndefined()
  expect(at(101_300, null)).toBeUndefined()
})

test('what nobody knows of the cart is assumed, and every kind makes things the shelf takes', () => {
  const { cart: _none, ...bare } = ASKED
  const asked = ShopSetUp.parse(bare)
  const { equipment, rig } = cartOf(asked, '2026-03-02')
  expect(equipment.find((e) => e.kind === 'gauge')?.spec).toMatchObject({ gaugeKind: 'needle' })
  expect(rig).toMatchObject({ name: 'Cart 1', cores: 'in', gaugeAt: 'far' })
  for (const gauge of Object.keys(CART_KINDS.gauge))
    expect(cartOf(ShopSetUp.parse({ ...ASKED, cart: { gauge } }), '2026-03-02').equipment).toHaveLength(6)
})

test('a place that is none, and a time zone nobody knows, are refused at their place', () => {
  const paths = (change: object) =>
    ShopSetUp.safeParse({ ...ASKED, ...change }).error?.issues.map((i) => i.path.join('.')) ?? []
  expect(paths({ air: { by: 'altitude', altitudeM: 9000 } })).toEqual(['air.altitudeM'])
  expect(paths({ timeZone: 'Quay/Nine' })).toEqual(['timeZone'])
  expect(paths({ lead: { ...ASKED.lead, password: 'short' } })).toEqual(['lead.password'])
  expect(paths({ air: { by: 'sea-level', seaLevelPa: 101_000 } })).toEqual(['air.altitudeM'])
})
