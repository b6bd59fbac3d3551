import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { environment: 'node', include: ['checks/**/*.check.ts'], testTimeout: 120_000 },
});
