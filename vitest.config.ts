import path from 'node:path';
import { defineConfig } from 'vitest/config';

const here = import.meta.dirname;
const alias = {
  '@library/': path.join(here, 'library/'),
  '@library': path.join(here, 'library/index.ts'),
  '@demo': path.join(here, 'demo/index.ts'),
  '@testing/': path.join(here, 'testing/'),
  '@migrations': path.join(here, 'migrations/index.ts'),
  '@': path.join(here, 'src'),
};

const onDatabase = {
  pool: 'threads' as const,
  globalSetup: 'src/server/testing/prepare.ts',
  // A client of the database that is asked two things at once warns of it, and will refuse it one day.
  execArgv: ['--throw-deprecation'],
  // Nothing waits for these: they only tell a test that hangs from a machine whose time is taken by others.
  testTimeout: 120_000,
  hookTimeout: 120_000,
};

export default defineConfig({
  resolve: { alias },
  test: {
    maxWorkers: '100%',
    setupFiles: [path.join(here, 'testing/given-back.ts')],
    // As with the limits above: a machine whose time is taken by others is no fault.
    expect: { poll: { timeout: 60_000 } },
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          testTimeout: 180_000,
          pool: 'threads',
          isolate: false,
          include: ['src/core/**/*.test.ts', 'library/**/*.test.ts', 'scripts/**/*.test.ts'],
        },
      },
      {
        // What replaces the browser, or modules, by something else.
        extends: true,
        test: {
          name: 'screens',
          testTimeout: 120_000,
          pool: 'threads',
          include: ['src/{browser,ui}/**/*.test.{ts,tsx}'],
        },
      },
      {
        extends: true,
        test: {
          ...onDatabase,
          name: 'database',
          isolate: false,
          include: ['src/server/**/*.test.ts', 'demo/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          ...onDatabase,
          name: 'handlers',
          include: ['src/*.test.ts', 'src/app/**/*.test.ts'],
        },
      },
    ],
  },
});
