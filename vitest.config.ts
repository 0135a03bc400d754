import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

const alias = { '@': new URL('./src', import.meta.url).pathname };

export default defineConfig({
  test: {
    maxWorkers: availableParallelism(),
    // What a test puts in the place of something is taken away after it, for files share their modules.
    unstubEnvs: true,
    unstubGlobals: true,
    restoreMocks: true,
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['src/**/*.test.{ts,tsx}'],
          exclude: ['src/server/**/*.store.test.ts'],
          // Nothing is kept in modules, so they are read once for all files: a third of the time.
          isolate: false,
          // A busy machine is slow, which is no fault of what is tested.
          testTimeout: 30_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'store',
          include: ['src/server/**/*.store.test.ts'],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
