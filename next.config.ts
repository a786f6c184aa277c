import type { NextConfig } from 'next'

const config: NextConfig = {
  // `./yperos test` checks types with the TypeScript of package.json
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['pg', 'pino', '@node-rs/argon2', 'sharp', 'node-pg-migrate', 'rate-limiter-flexible'],
  poweredByHeader: false,
  compress: false,
  devIndicators: false,
}

export default config
