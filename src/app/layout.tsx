import { W } from '@/core/language/pages/layout'
import '@fontsource/fira-sans-condensed/400.css'
import '@fontsource/fira-sans-condensed/500.css'
import '@fontsource/fira-sans-condensed/600.css'
import './globals.css'
import type { Metadata, Viewport } from 'next'
import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import { LANGUAGE } from '@/core/language/spoken'
import { Queries } from '@/ui/frame/queries'
import { Install } from '@/ui/offline/install'

export const metadata: Metadata = {
  title: W.yperos,
  description: W.vacuumHoldAndChargeOf,
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { children: ReactNode }) {
  const night = (await cookies()).get('yperos-theme')?.value === 'night'
  return (
    <html lang={LANGUAGE} data-theme={night ? 'night' : 'day'}>
      <body>
        <Install />
        <Queries>{children}</Queries>
      </body>
    </html>
  )
}
