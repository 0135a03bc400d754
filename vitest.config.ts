import { defineConfig } from 'vitest/config';

const alias = { '@': new URL('./src', import.meta.url).pathname };

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['src/**/*.test.{ts,tsx}'],
          exclude: ['src/server/**/*.store.test.ts'],
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
