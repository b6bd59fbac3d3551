import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';
import { pace } from './core/testing/pace';

const CHROMIUM = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/**
 * How much more time than usual everything is given: four times on a machine that is quiet now and may be busy later, and as many more as
 * it is slow. Only what never comes waits so long; nothing is measured by it.
 */
const SLOW = 4 * pace();

/** How every page of the walks looks out into the world. */
export const PAGE = {
  baseURL: 'http://127.0.0.1:4321',
  viewport: { width: 1280, height: 800 },
  locale: 'en-GB',
  timezoneId: 'Europe/London',
};

export const LAUNCH = { executablePath: '/usr/bin/chromium', args: CHROMIUM };

/** How long a press of the walks waits for what it presses, ms. */
export const ACTION_MS = 15_000 * SLOW;

/** Debian's Chromium against the built app on servers of its own: one with an empty shelf, one with the demo. */
export default defineConfig({
  testDir: 'e2e',
  // The core's own settings stand in for the types of a library; here the library itself is wanted.
  tsconfig: './tsconfig.node.json',
  testMatch: '**/*.e2e.ts',
  // Walk by walk, not file by file: else the last file is walked alone.
  fullyParallel: true,
  // Beside each other where there are cores for it: a walk alone leaves a part of the second one idle.
  workers: Math.max(1, Math.min(2, availableParallelism())),
  timeout: 90_000 * SLOW,
  // A walk that fails once on a busy machine is tried again, and named at the end: it is to be looked at all the same.
  retries: 1,
  expect: { timeout: 10_000 * SLOW },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  use: {
    ...PAGE,
    actionTimeout: ACTION_MS,
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: LAUNCH,
  },
  webServer: [
    {
      command: 'node_modules/.bin/tsx server/main.ts --port 4321',
      url: 'http://127.0.0.1:4321/settings.json',
      reuseExistingServer: false,
      timeout: 60_000 * SLOW,
    },
    {
      command: 'node_modules/.bin/tsx server/main.ts --port 4322 --demo',
      url: 'http://127.0.0.1:4322/settings.json',
      reuseExistingServer: false,
      timeout: 60_000 * SLOW,
    },
  ],
});
