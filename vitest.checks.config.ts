import { defineConfig } from 'vitest/config';

/** Those that hold a time: they run after the others, each by itself. */
const TIMED = ['checks/world.check.ts', 'checks/chance.check.ts', 'checks/assignment.check.ts'];
const COMMON = { environment: 'node', testTimeout: 120_000, hookTimeout: 240_000, isolate: false } as const;

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          ...COMMON,
          name: 'answers',
          include: ['checks/**/*.check.ts'],
          exclude: TIMED,
          maxWorkers: '100%',
          sequence: { groupOrder: 0 },
        },
      },
      { test: { ...COMMON, name: 'times', include: TIMED, maxWorkers: 1, sequence: { groupOrder: 1 } } },
    ],
  },
});
