import { defineConfig } from 'vitest/config';
import { HANGS_MS } from './core/testing/pace';

// What Angular's own runner leaves to us: no test of the kit is held to a time.
export default defineConfig({ test: { testTimeout: HANGS_MS, hookTimeout: HANGS_MS } });
