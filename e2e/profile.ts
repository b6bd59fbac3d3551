import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, type BrowserContext } from '@playwright/test';
import { ACTION_MS, LAUNCH, PAGE } from '../playwright.config';

interface OfWorker {
  /** One browser profile for all walks of a worker: what it has compiled of the app once, it need not compile for each walk. */
  readonly profile: BrowserContext;
}

/** The origins that a walk may leave something of. */
const ORIGINS = ['http://127.0.0.1:4321', 'http://127.0.0.1:4322'];

/** Throws away all that the walk before left: its rows, its settings, its permissions. */
async function emptied(context: BrowserContext): Promise<void> {
  const devtools = await context.newCDPSession(context.pages()[0] ?? (await context.newPage()));
  for (const origin of ORIGINS) await devtools.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
  await devtools.detach();
  await context.clearPermissions();
  await context.setOffline(false);
  await context.unrouteAll();
}

/** Ends what a walk has open, all but the blank page that the browser began with. */
async function closed(context: BrowserContext): Promise<void> {
  for (const page of context.pages().slice(1)) await page.close();
}

/** A test whose pages begin with an empty store in a browser that already knows the app's scripts. */
export const test = base.extend<object, OfWorker>({
  profile: [
    async ({ playwright }, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'gt-profile-'));
      const context = await playwright.chromium.launchPersistentContext(folder, {
        ...LAUNCH,
        ...PAGE,
        reducedMotion: 'reduce',
        acceptDownloads: true,
      });
      context.setDefaultTimeout(ACTION_MS);
      await use(context);
      await context.close();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 0 },
  ],
  context: async ({ profile }, use) => {
    await emptied(profile);
    await use(profile);
    await closed(profile);
  },
  page: async ({ context }, use) => {
    await use(await context.newPage());
  },
});

export { expect } from '@playwright/test';
