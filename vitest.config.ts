import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { environment: 'node', include: ['core/**/*.spec.ts', 'cli/**/*.spec.ts', 'server/**/*.spec.ts', 'app/**/*.spec.ts'] },
});
