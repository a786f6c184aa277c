import type { MetadataRoute } from 'next'
import { W } from '@/core/language/pages/layout'

/** How the application stands among a phone's own once it is installed. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Yperos',
    short_name: 'Yperos',
    description: W.vacuumHoldAndChargeOf,
    start_url: '/board',
    display: 'standalone',
    background_color: '#f3eee2',
    theme_color: '#f3eee2',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  }
}
