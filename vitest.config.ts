import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

const setupFiles = ['tests/support/properties.ts'];
const env = { AFTERMIST_ZONE: 'UTC' };
const cores = Math.max(2, availableParallelism());
const resolve = { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } };

/** Files that take longest by far, whatever their size: begun last they would run alone. */
const LONGEST = [
  'views-on-a-',
  'undo.test',
  'selections.test',
  'schedule.test',
  'commands.test',
  'kill.test',
  'causes.test',
];

/** Where nothing is known of their times files go by their size. */
class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files);
    const isLong = ({ moduleId }: TestSpecification): boolean => LONGEST.some((name) => moduleId.includes(name));
    return [...sorted.filter(isLong), ...sorted.filter((file) => !isLong(file))];
  }
}

export default defineConfig({
  test: {
    sequence: { sequencer: LongestFirst },
    // Both cores of the smallest machine: left to itself, one would stand idle.
    maxWorkers: cores,
    projects: [
      {
        resolve,
        test: {
          env,
          setupFiles,
          name: 'unit',
          // A machine that does other things as well needs longer for a property.
          testTimeout: 120_000,
          // A worker loads the modules once for all its files, which halves the time: no test may lean on their state.
          isolate: false,
          include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts'],
        },
      },
      {
        resolve,
        test: {
          env,
          setupFiles,
          name: 'integration',
          isolate: false,
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
          isolate: false,
          // They mostly wait for pages: one more than there are cores, after those that compute.
          maxWorkers: cores + 1,
          sequence: { groupOrder: 1 },
          globalSetup: 'tests/support/global-setup.ts',
          include: ['tests/browser/**/*.test.ts'],
          testTimeout: 400_000,
          hookTimeout: 400_000,
        },
      },
    ],
  },
});
