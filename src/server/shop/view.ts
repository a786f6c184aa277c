import type { Account } from '../accounts/accounts'
import type { Shop } from './shop'

/** What pages may know of the shop: never its keys. */
export const shopView = ({
  name,
  altitudeM,
  barometerPa,
  ambientC,
  timeZone,
  demo,
  certificateAsked,
  airAt,
  onSale,
}: Shop) => ({
  name,
  altitudeM,
  barometerPa,
  ambientC,
  timeZone,
  demo,
  certificateAsked,
  airAt: airAt?.toISOString() ?? null,
  onSale,
})

export const userView = ({ name, role, certificate }: Account, { certificateAsked }: Shop) => ({
  name,
  role,
  certificate,
  certificateAsked,
})
