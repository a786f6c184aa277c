import type { Account } from '../accounts/accounts'
import type { Shop } from './shop'

/** What pages may know of the shop: never its keys. */
export const shopView = ({ name, altitudeM, barometerPa, ambientC, timeZone, demo }: Shop) => ({
  name,
  altitudeM,
  barometerPa,
  ambientC,
  timeZone,
  demo,
})

export const userView = ({ name, role, certificate }: Account) => ({ name, role, certificate })
