import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { copyOf, freshJob, jobText, loadJob, type Job } from '../core/ground/job';
import { packShelf, unpackZip } from '../core/house/zip';
import { freshDrawer } from '../core/engines/parts';
import { zipBomb } from '../core/testing/bomb';
import { HANGS_MS } from '../core/testing/pace';
import { killed } from './kills';
import { complaints, countKept, DEMO, demoKept, kept, newJob, room, slowness } from './steps';

const folder = mkdtempSync(join(tmpdir(), 'gt-ground-'));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

const demoJobNamed = (name: string): Job => {
  const loaded = loadJob(readFileSync(new URL(`../demo/${name}.json`, import.meta.url), 'utf8'));
  if (!loaded.ok) throw new Error(loaded.problem.what);
  return loaded.job;
};
async function open(page: Page, name: string, content: string | Uint8Array): Promise<void> {
  const path = join(folder, name);
  writeFileSync(path, content);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'open a file' }).click(),
  ]);
  await chooser.setFiles(path);
}
/** Writes a row into the browser's store past the app, as an older or a broken version of it might have. */
const putRow = (page: Page, row: unknown): Promise<void> =>
  page.evaluate(
    (r) =>
      new Promise<void>((done, fail) => {
        const request = indexedDB.open('gentle-thumb');
        request.onerror = () => fail(request.error);
        request.onsuccess = () => {
          const tx = request.result.transaction('jobs', 'readwrite');
          tx.objectStore('jobs').put(r);
          tx.oncomplete = () => {
            request.result.close();
            done();
          };
        };
      }),
    row,
  );

test('a value that no file could hold is refused at its box, and the job opens again after a reload', async ({
  page,
}) => {
  await demoKept(page);
  await page.goto(`${DEMO}/job/demo-hatch-shutter/thumb`);
  await expect(page.locator('#room')).toHaveAttribute('aria-busy', 'false');
  await page.locator('[data-way="hand-mechanism"]').click();
  const turns = page.getByLabel('Turns from end to end');
  await turns.fill('0');
  await turns.press('Tab');
  await expect(page.getByRole('alert')).toContainText('not below 0.001');
  // What was typed stays to be mended; undoing something else brings the box back to its value.
  await expect(turns).toHaveValue('0');
  await turns.fill('183.7');
  await turns.press('Tab');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Turns from end to end')).toHaveValue('183.7');
});

test('a row that this version cannot read is named, saved as a file and taken away; the others go on', async ({
  page,
}) => {
  await newJob(page, { title: 'Good pot' });
  await kept(page);
  const odd = freshJob({ title: 'Odd pot' }, 'odd', '2026-03-02T14:00:00Z');
  await putRow(page, {
    id: 'odd',
    revision: 3,
    document: { ...odd, region: { ...odd.region, timeZone: 'Mars/Base' } },
  });
  await page.goto('/');
  const row = page.locator('[data-unreadable]');
  await expect(row).toContainText('Odd pot cannot be read by this version: There is no time zone "Mars/Base".');
  await expect(page.getByText('Good pot')).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    row.getByRole('button', { name: 'save its file' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('"Mars/Base"');
  await row.getByRole('button', { name: 'take it away' }).click();
  await expect(row).toHaveCount(0);
  await page.reload();
  await expect(page.getByText('Good pot')).toBeVisible();
  await expect(page.locator('[data-unreadable]')).toHaveCount(0);
});

test('a job that cannot be worked out says so on its row and in its frame, and the others go on', async ({ page }) => {
  // The worker gets a question that it must stumble over, as over a fault of ours that no test has found.
  await page.addInitScript(() => {
    const post = Worker.prototype.postMessage as (message: unknown) => void;
    Worker.prototype.postMessage = function (this: Worker, message: { question?: { job?: { title?: string } } }) {
      const broken = message.question?.job?.title === 'Broken pot';
      post.call(
        this,
        broken
          ? { ...message, question: { ...message.question, job: { ...message.question!.job, survey: null } } }
          : message,
      );
    } as never;
  });
  await newJob(page, { title: 'Whole pot' });
  await expect(page.locator('#room')).toHaveAttribute('aria-busy', 'false');
  await newJob(page, { title: 'Broken pot' });
  await expect(page.locator('[data-failure]')).toContainText('could not be worked out');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.locator('[data-failure]').getByRole('button', { name: 'Save the job file' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('"title": "Broken pot"');
  await kept(page);
  await page.goto('/');
  await expect(page.locator('gt-job-row', { hasText: 'Broken pot' })).toContainText('could not be worked out');
  await expect(page.locator('gt-job-row', { hasText: 'Whole pot' })).toContainText('Wish:');
});

test('a backup holds the whole shelf and opens anywhere, merged without loss', async ({ page, browser }) => {
  await newJob(page, { title: 'First pot' });
  await kept(page);
  await newJob(page, { title: 'Second pot' });
  await page.getByLabel('Who else presses it?').fill('the night shift');
  await page.getByLabel('Who else presses it?').press('Tab');
  await kept(page);
  await page.goto('/');
  await expect(page.locator('[data-storage]')).toContainText(/This browser (keeps|may clear)/);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'save a backup of everything' }).click(),
  ]);
  const bytes = readFileSync(await file.path());
  expect(file.suggestedFilename()).toMatch(/^gentle-thumb-\d{4}-\d\d-\d\d\.backup\.zip$/);
  expect(
    unpackZip(new Uint8Array(bytes))
      .jobs.map((j) => (j.loaded.ok ? j.loaded.job.title : ''))
      .sort(),
  ).toEqual(['First pot', 'Second pot']);
  const other = await browser.newContext();
  const there = await other.newPage();
  await newJob(there, { title: 'A pot of its own' });
  await kept(there);
  await there.goto('/');
  await open(there, 'all.backup.zip', bytes);
  for (const title of ['First pot', 'Second pot', 'A pot of its own'])
    await expect(there.getByText(title, { exact: true })).toBeVisible();
  // Opened once more nothing is doubled.
  await open(there, 'all.backup.zip', bytes);
  await expect(there.getByRole('status').filter({ hasText: 'already on the shelf' })).toBeVisible();
  await expect(there.locator('gt-job-row')).toHaveCount(3);
  await there.getByText('Second pot', { exact: true }).click();
  await room(there, 'Wish');
  await expect(there.getByLabel('Who else presses it?')).toHaveValue('the night shift');
  await other.close();
});

test('a hostile zip is told within seconds, and the page goes on', async ({ page }) => {
  await newJob(page, { title: 'Calm pot' });
  await kept(page);
  await page.goto('/');
  const bomb = zipBomb(22);
  const began = Date.now();
  await open(page, 'bomb.zip', bomb);
  await expect(page.locator('[data-problem]')).toContainText('would unpack to more than 400 MB');
  expect(Date.now() - began).toBeLessThan(15_000 * (await slowness(page)));
  await expect(page.getByText('Calm pot')).toBeVisible();
});

test('a shelf of 300 jobs can be used at once at a warm start, each row with its thread from before', async ({
  page,
}) => {
  test.setTimeout(HANGS_MS);
  const heard = complaints(page);
  // Copies of two: what Probe works out of the first of each serves for all, and the walk is about rows and not about boards.
  const names = ['rice-pot', 'hood-fan'];
  const jobs = Array.from({ length: 300 }, (_, i) => {
    const job = copyOf(
      demoJobNamed(names[i % names.length]!),
      `many-${i}`,
      '2026-03-02T14:00:00Z',
      `, ${i}`,
      'one of many',
    );
    return { ...job, survey: { ...job.survey, photos: [] } };
  });
  await page.goto('/');
  await open(
    page,
    'many.backup.zip',
    packShelf(jobs, freshDrawer(), { pictures: [], recordings: [] }, '2026-03-02T14:00:00Z'),
  );
  await expect(page.locator('gt-job-row')).toHaveCount(300, { timeout: HANGS_MS });
  await expect(page.getByText('being read …')).toHaveCount(0, { timeout: HANGS_MS });
  // Rows are read by the worker while they are written by the page; a slow page is behind.
  await expect.poll(() => countKept(page, 'jobs'), { timeout: HANGS_MS }).toBe(300);
  await expect.poll(() => countKept(page, 'threads'), { timeout: HANGS_MS }).toBe(300);
  // Each start by how slow the machine is around it: the least is what it takes, since what a busy machine adds is not the shelf's.
  const times: number[] = [];
  let before = await slowness(page);
  for (let i = 0; i < 3; i++) {
    await page.reload();
    await expect(page.locator('gt-job-row')).toHaveCount(300, { timeout: HANGS_MS });
    await expect(page.getByText('being read …')).toHaveCount(0, { timeout: HANGS_MS });
    await page.waitForFunction(() => performance.getEntriesByName('shelf-usable').length > 0);
    const took = await page.evaluate(() => performance.getEntriesByName('shelf-usable')[0]!.startTime);
    const after = await slowness(page);
    times.push(Math.round(took / Math.max(before, after)));
    before = after;
  }
  console.log(`shelf of 300 usable after ${times.join(', ')} ms, as if on a quiet machine`);
  // 1.3 to 1.6 s here: what is held is that nothing is worked out anew for each row, which would be tens of seconds.
  expect(Math.min(...times)).toBeLessThan(3000);
  expect(heard).toEqual([]);
});

test('a job file with an edit that the border refuses is told with its place', async ({ page }) => {
  await page.goto('/');
  const pot = demoJobNamed('rice-pot');
  await open(page, 'spoiled.job.json', jobText(pot).replace('"turns": 20', '"turns": 0'));
  await expect(page.locator('[data-problem]')).toContainText('field "presses[0].hand.turns"');
  await expect(page.locator('[data-problem]')).toContainText('Your shelf is as it was');
});

test('what the screen calls kept outlives a browser that is killed in mid-save', async () => {
  test.slow();
  const told: string[] = [];
  const { edits, lost } = await killed('http://127.0.0.1:4321', 5, (line) => told.push(line));
  expect(told).toEqual([]);
  expect(lost).toBe(0);
  expect(edits).toBeGreaterThan(5);
});

test('a room whose code is gone from the server offers the page anew', async ({ page }) => {
  await newJob(page, { title: 'Old pot' });
  await kept(page);
  await page.route(/\.js$/, (r) => r.abort());
  await page
    .getByRole('link', { name: /^Guard\b/ })
    .first()
    .click();
  await expect(page.locator('[data-stale]')).toContainText('no longer on the server');
  await page.unroute(/\.js$/);
  await page.getByRole('button', { name: 'Load the page anew' }).click();
  await expect(page).toHaveURL(/guard$/);
  await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
});
