import type { NextConfig } from 'next'

const config: NextConfig = {
  // `./yperos test` checks types with the TypeScript of package.json
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: [
    'pg',
    'pino',
    '@node-rs/argon2',
    'sharp',
    'node-pg-migrate',
    'rate-limiter-flexible',
    '@react-pdf/renderer',
  ],
  poweredByHeader: false,
  compress: false,
  devIndicators: false,
  // links that were sent before it was called so
  redirects: async () => [{ source: '/welcome/:token', destination: '/invite/:token', permanent: false }],
}

export default config
