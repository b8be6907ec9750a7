import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['tests/{core,kernel,store,cli,house,islands}/**/*.test.ts'],
          setupFiles: ['tests/data/depth.ts'],
          // by itself it leaves one processor idle
          maxWorkers: '100%',
          // for slow machines; nothing is measured here
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'app',
          include: ['tests/app/**/*.test.ts'],
          globalSetup: 'tests/app/server.ts',
          testTimeout: 90_000,
          hookTimeout: 90_000,
        },
      },
    ],
  },
});
