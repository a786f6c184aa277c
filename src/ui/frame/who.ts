import type { OnSale } from '@/core/charge/buy'

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
}

/** Who is signed in. */
export type UserView = {
  name: string
  role: 'lead' | 'technician' | 'trainee'
  certificate: string
  certificateAsked: boolean
}
