import type { OnSale } from '@/core/charge/buy'
import type { TraineeRights } from '@/core/shop/trainee'

/** The shop as every page shows it: figures in SI, altitude m. */
export type ShopView = {
  name: string
  altitudeM: number | null
  barometerPa: number
  ambientC: number
  timeZone: string
  demo: boolean
  certificateAsked: boolean
  /** when the air was read, ISO 8601; null where it is worked out */
  airAt: string | null
  /** sizes of cans and cylinders that can be bought here */
  onSale: readonly OnSale[]
  /** minutes an alarm rings unanswered before it is the lead's too */
  leadAfterMin: number
}

/** Who is signed in. */
export type UserView = {
  id: string
  name: string
  role: 'lead' | 'technician' | 'trainee'
  certificate: string
  certificateAsked: boolean
  /** what a trainee may do; null for everybody else */
  trainee: TraineeRights | null
}
