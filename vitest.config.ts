import { defineConfig } from 'vitest/config';

export default defineConfig({
  // Tests run beside each other on few cores; a slow machine is no failure.
  test: {
    testTimeout: 60_000,
    environment: 'node',
    // The kit's components are compiled by Angular's own runner (`npm run kit`).
    exclude: ['node_modules/**', 'app/kit/**'],
    include: ['core/**/*.spec.ts', 'cli/**/*.spec.ts', 'server/**/*.spec.ts', 'app/**/*.spec.ts'],
  },
});
