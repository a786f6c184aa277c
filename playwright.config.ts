import { defineConfig } from '@playwright/test'
import { findChromium } from './src/ops/packages'

const launchOptions = {
  executablePath: findChromium() ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

const [DESK, PHONE] = ['bench 1280x800', 'phone 390x844']
/**
 * `./yperos test` leaves out what is marked long, and the phone; `./yperos test long` runs those; without a stage
 * everything runs.
 */
const stage = process.env.YPEROS_STAGE
const LONG = stage === 'e2e' ? { grepInvert: /@long/ } : stage === 'long' ? { grep: /@long/ } : {}

export default defineConfig({
  testDir: 'e2e',
  timeout: 120_000,
  expect: { timeout: 15_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  reporter: [['list']],
  use: { baseURL: process.env.YPEROS_E2E_ADDRESS, launchOptions, trace: 'off' },
  projects: [
    // the tests that kill parts run last and alone, or they would pull the floor from under the others
    { name: DESK, ...LONG, testIgnore: '**/faults/**', use: { viewport: { width: 1280, height: 800 } } },
    ...(stage === 'e2e'
      ? []
      : [
          {
            name: PHONE,
            testIgnore: ['**/faults/**', '**/desk/**'],
            use: { viewport: { width: 390, height: 844 }, hasTouch: true },
          },
        ]),
    {
      name: 'faults',
      ...LONG,
      testMatch: '**/faults/**',
      dependencies: stage === 'e2e' ? [DESK] : [DESK, PHONE],
      workers: 1,
      use: { viewport: { width: 1280, height: 800 } },
    },
  ],
})
