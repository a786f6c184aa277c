import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) }

export default defineConfig({
  test: {
    // as many as CI has cores: the default leaves one of two idle
    maxWorkers: 2,
    projects: [
      {
        resolve: { alias },
        // nothing in the core keeps a state that a test could leave behind, so its files share what they import
        test: { name: 'core', include: ['src/core/**/*.test.ts'], testTimeout: 60_000, isolate: false },
      },
      {
        resolve: { alias },
        test: {
          name: 'parts',
          isolate: false,
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
