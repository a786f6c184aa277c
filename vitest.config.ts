import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) }

export default defineConfig({
  test: {
    projects: [
      { resolve: { alias }, test: { name: 'core', include: ['src/core/**/*.test.ts'], testTimeout: 60_000 } },
      {
        resolve: { alias },
        test: {
          name: 'parts',
          include: ['src/{ui,ops,cli,bench,server,web,workers}/**/*.test.ts'],
          exclude: ['**/*.db.test.ts'],
          testTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        // one database for all of them: files take turns
        test: {
          name: 'database',
          include: ['src/**/*.db.test.ts'],
          fileParallelism: false,
          globalSetup: 'src/server/tests/global-setup.ts',
          testTimeout: 60_000,
        },
      },
    ],
  },
})
