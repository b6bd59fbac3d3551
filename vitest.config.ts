import { defineConfig } from 'vitest/config';

export default defineConfig({
  // Tests run beside each other on few cores; a slow machine is no failure.
  test: {
    testTimeout: 60_000,
    // By default one core is left for whoever watches; nobody does.
    maxWorkers: '100%',
    // All that a module keeps are predictions and the like, which any file may share.
    isolate: false,
    environment: 'node',
    // The kit's components are compiled by Angular's own runner (`npm run kit`).
    exclude: ['node_modules/**', 'app/kit/**'],
    include: ['core/**/*.spec.ts', 'cli/**/*.spec.ts', 'server/**/*.spec.ts', 'app/**/*.spec.ts'],
  },
});
