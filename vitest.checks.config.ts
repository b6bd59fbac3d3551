import { defineConfig } from 'vitest/config';
import { HANGS_MS } from './core/testing/pace';
import { testsFrom } from './scripts/tests-from';

/** Those that hold a time: they run after the others, each by itself. */
const TIMED = [
  'checks/world.check.ts',
  'checks/chance.check.ts',
  'checks/assignment.check.ts',
  'checks/worst.check.ts',
];
const COMMON = {
  environment: 'node' as const,
  testTimeout: HANGS_MS,
  hookTimeout: HANGS_MS,
  isolate: false as const,
};

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          ...COMMON,
          name: 'answers',
          ...testsFrom(['checks/**/*.check.ts'], TIMED),
          maxWorkers: '100%',
          sequence: { groupOrder: 0 },
        },
      },
      { test: { ...COMMON, name: 'times', ...testsFrom(TIMED), maxWorkers: 1, sequence: { groupOrder: 1 } } },
    ],
  },
});
