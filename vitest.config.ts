import { defineConfig } from 'vitest/config';

const shared = {
  setupFiles: ['tests/data/depth.ts'],
  // by itself it leaves one processor idle
  maxWorkers: '100%',
  // for slow machines; nothing is measured here
  testTimeout: 120_000,
  hookTimeout: 120_000,
} as const;

const CORE = 'tests/core/**/*.test.ts';
/** What fills much memory, as a CAD kernel does: a process of its own for each. */
const HEAVY = ['tests/core/{body,total}/**/*.test.ts', 'tests/core/format/**/{step,paper,mesh}.test.ts'];

export default defineConfig({
  test: {
    projects: [
      {
        // pure functions: files share what they loaded
        test: { ...shared, name: 'core', include: [CORE], exclude: HEAVY, isolate: false },
      },
      {
        test: {
          ...shared,
          name: 'round',
          include: ['tests/{kernel,store,cli,house,islands,server,package}/**/*.test.ts', ...HEAVY],
        },
      },
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
