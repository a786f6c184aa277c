/** The shop as every page shows it: figures in SI, altitude m. */
export type ShopView = {
  name: string
  altitudeM: number | null
  barometerPa: number
  ambientC: number
  timeZone: string
  demo: boolean
}

/** Who is signed in. */
export type UserView = { name: string; role: 'lead' | 'technician' | 'trainee'; certificate: string }
