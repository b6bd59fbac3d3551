import { defineConfig } from 'vitest/config';
import { HANGS_MS } from './core/testing/pace';
import { testsFrom } from './scripts/tests-from';

export default defineConfig({
  // Tests run beside each other on few cores; a slow machine is no failure.
  test: {
    testTimeout: HANGS_MS,
    hookTimeout: HANGS_MS,
    // By default one core is left for whoever watches; nobody does.
    maxWorkers: '100%',
    // All that a module keeps are predictions and the like, which any file may share.
    isolate: false,
    environment: 'node',
    // The kit's components are compiled by Angular's own runner (`npm run kit`).
    ...testsFrom(['core/**/*.spec.ts', 'cli/**/*.spec.ts', 'server/**/*.spec.ts', 'app/**/*.spec.ts'], ['app/kit/**']),
  },
});
