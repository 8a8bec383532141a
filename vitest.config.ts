import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const resolve = { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } };

export default defineConfig({
  test: {
    projects: [
      { resolve, test: { name: 'unit', include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts'] } },
      { resolve, test: { name: 'integration', globalSetup: 'tests/support/global-setup.ts', include: ['tests/integration/**/*.test.{ts,tsx}'], testTimeout: 60_000, hookTimeout: 120_000 } },
      { resolve, test: { name: 'browser', globalSetup: 'tests/support/global-setup.ts', include: ['tests/browser/**/*.test.ts'], testTimeout: 180_000, hookTimeout: 180_000, maxWorkers: 2 } },
    ],
  },
});
