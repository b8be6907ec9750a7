import { defineConfig } from 'vitest/config';

const shared = {
  setupFiles: ['tests/data/depth.ts'],
  // by itself it leaves one processor idle
  maxWorkers: '100%',
  // for slow machines; nothing is measured here
  testTimeout: 120_000,
  hookTimeout: 120_000,
} as const;

/** A process of its own for each: what fills much memory, and what looks at how modules are loaded. */
const APART = [
  'tests/core/{body,total}/**/*.test.ts',
  'tests/core/format/**/{step,paper,mesh}.test.ts',
  'tests/kernel/{hostile,hostile-models,wild-files}.test.ts',
  'tests/islands/makers.test.ts',
];

export default defineConfig({
  test: {
    projects: [
      {
        // files share what they loaded: to load it takes longer than many of them
        test: {
          ...shared,
          name: 'shared',
          include: ['tests/{core,kernel,store,cli,house,islands,server,package}/**/*.test.ts'],
          exclude: APART,
          isolate: false,
        },
      },
      { test: { ...shared, name: 'apart', include: APART } },
      {
        test: {
          name: 'app',
          include: ['tests/app/**/*.test.ts'],
          globalSetup: 'tests/app/server.ts',
          testTimeout: 240_000,
          hookTimeout: 240_000,
        },
      },
    ],
  },
});
