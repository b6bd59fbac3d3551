import { defineConfig } from '@playwright/test';

const CHROMIUM = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Debian's Chromium against the built app on servers of its own: one with an empty shelf, one with the demo. */
export default defineConfig({
  testDir: 'e2e',
  // The core's own settings stand in for the types of a library; here the library itself is wanted.
  tsconfig: './tsconfig.node.json',
  testMatch: '**/*.e2e.ts',
  workers: 1,
  timeout: 90_000,
  // A walk that fails once on a busy machine is tried again, and named at the end: it is to be looked at all the same.
  retries: 1,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  outputDir: 'test-results/e2e',
  use: {
    baseURL: 'http://127.0.0.1:4321',
    viewport: { width: 1280, height: 800 },
    actionTimeout: 15_000,
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM },
  },
  webServer: [
    {
      command: 'node_modules/.bin/tsx server/main.ts --port 4321',
      url: 'http://127.0.0.1:4321/settings.json',
      reuseExistingServer: false,
    },
    {
      command: 'node_modules/.bin/tsx server/main.ts --port 4322 --demo',
      url: 'http://127.0.0.1:4322/settings.json',
      reuseExistingServer: false,
    },
  ],
});
