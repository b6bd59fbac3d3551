import { defineConfig } from 'vitest/config';

export default defineConfig({
  // Tests run beside each other on few cores; a slow machine is no failure.
  test: {
    testTimeout: 60_000,
    environment: 'node',
    include: ['core/**/*.spec.ts', 'cli/**/*.spec.ts', 'server/**/*.spec.ts', 'app/**/*.spec.ts'],
  },
});
