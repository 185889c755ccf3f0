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

export default defineConfig({
  resolve: { alias },
  test: {
    maxWorkers: '100%',
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          testTimeout: 180_000,
          include: [
            'src/*.test.ts',
            'src/{core,browser,ui}/**/*.test.{ts,tsx}',
            'library/**/*.test.ts',
            'scripts/**/*.test.ts',
          ],
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'database',
          include: ['src/server/**/*.test.ts', 'demo/**/*.test.ts', 'src/app/**/*.test.ts'],
          globalSetup: 'src/server/testing/prepare.ts',
          testTimeout: 20_000,
          hookTimeout: 30_000,
        },
      },
    ],
  },
});
