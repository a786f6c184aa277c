import { mkdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { injectManifest } from '@serwist/build'
import { build } from 'esbuild'
import { Stop } from './say'

/** Scripts, styles and fonts of the pages; one larger than this is no part of a page, bytes. */
const LARGEST = 4 * 1024 * 1024

/**
 * Builds the service worker of a web application that was just built: with it pages open without a line. It lists every
 * script and style the pages are made of, so it is built after them.
 * @throws Stop where it cannot be built
 */
export async function buildServiceWorker(root: string): Promise<void> {
  const bundled = join(root, '.build/sw.js')
  const made = join(root, 'public')
  mkdirSync(made, { recursive: true })
  await build({
    entryPoints: [join(root, 'src/sw/worker.ts')],
    outfile: bundled,
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { 'process.env.NODE_ENV': '"production"' },
    logLevel: 'error',
  })
  const revision = readFileSync(join(root, '.next/BUILD_ID'), 'utf8')
  const { warnings } = await injectManifest({
    swSrc: bundled,
    swDest: join(made, 'sw.js'),
    globDirectory: join(root, '.next/static'),
    globPatterns: ['**/*.{js,css,woff2,woff}'],
    modifyURLPrefix: { '': '/_next/static/' },
    // their names change with what is in them
    dontCacheBustURLsMatching: /./,
    maximumFileSizeToCacheInBytes: LARGEST,
    additionalPrecacheEntries: [{ url: '/offline', revision }],
  })
  if (warnings.length > 0) throw new Stop(`the service worker lacks a part: ${warnings.join('; ')}`)
}
