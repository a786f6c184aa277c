import { rightsOf } from '@/core/shop/trainee'
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
  leadAfterMin,
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
  leadAfterMin,
})

export const userView = ({ id, name, role, certificate }: Account, { certificateAsked, traineeRights }: Shop) => ({
  id,
  name,
  role,
  certificate,
  certificateAsked,
  /** what a trainee may do; null for everybody else */
  trainee: role === 'trainee' ? rightsOf(traineeRights) : null,
})
