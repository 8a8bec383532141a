import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const setupFiles = ['tests/support/properties.ts'];
const env = { AFTERMIST_ZONE: 'UTC' };
const resolve = { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } };

export default defineConfig({
  test: {
    // Both cores of the smallest machine: left to itself, one would stand idle.
    maxWorkers: Math.max(2, availableParallelism()),
    projects: [
      { resolve, test: { env, setupFiles, name: 'unit', include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts'] } },
      {
        resolve,
        test: {
          env,
          setupFiles,
          name: 'integration',
          globalSetup: 'tests/support/global-setup.ts',
          include: ['tests/integration/**/*.test.{ts,tsx}'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        resolve,
        test: {
          env,
          setupFiles,
          name: 'browser',
          globalSetup: 'tests/support/global-setup.ts',
          include: ['tests/browser/**/*.test.ts'],
          testTimeout: 180_000,
          hookTimeout: 180_000,
        },
      },
    ],
  },
});
