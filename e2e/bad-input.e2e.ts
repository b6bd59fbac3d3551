import { mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { JOB_VERSION } from '../core/ground/job';
import { DEMO, countKept, kept, newJob, redo, room, undo } from './steps';

const folder = mkdtempSync(join(tmpdir(), 'gt-bad-'));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function open(page: Page, name: string, content: string | Buffer): Promise<void> {
  const file = join(folder, name);
  writeFileSync(file, content);
  await openFile(page, file);
}

async function openFile(page: Page, file: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'open a file' }).click();
  await (await chooser).setFiles(file);
}

test('bad files are named, with the place and what to do, and the shelf stays as it was', async ({ page }) => {
  await page.goto(DEMO);
  await expect(page.getByText('Yard gate')).toBeVisible();
  const problem = page.locator('[data-problem]');
  const good = JSON.parse(readFileSync('demo/rice-pot.json', 'utf8')) as Record<string, unknown>;
  const cases: [string, string, RegExp][] = [
    ['cut.json', JSON.stringify(good).slice(0, 500), /cut\.json: This file is not complete JSON/],
    ['foreign.json', '{"name":"something else"}', /not a Gentle Thumb job.*field "format"/],
    [
      'newer.json',
      JSON.stringify({ ...good, version: JOB_VERSION + 1 }),
      new RegExp(`version ${JOB_VERSION + 1}; this program reads up to version ${JOB_VERSION}.*newer Gentle Thumb`),
    ],
    ['spoilt.json', JSON.stringify({ ...good, readings: [{ id: 'x' }] }), /readings\[0\]/],
    ['markup.json', `{"format":"<img src=x onerror=alert(1)>"}`, /not a Gentle Thumb job/],
  ];
  for (const [name, content, words] of cases) {
    await open(page, name, content);
    await expect(problem).toHaveText(words);
    await expect(problem).toContainText('Your shelf is as it was');
  }
  const huge = join(folder, 'huge.json');
  writeFileSync(huge, '');
  truncateSync(huge, 200e6);
  await openFile(page, huge);
  await expect(problem).toContainText('This file is 200 MB; a job file is at most 20 MB');
  await expect(page.locator('gt-job-row')).toHaveCount(12);

  await open(page, 'other.json', JSON.stringify({ ...good, title: 'Rice pot, changed' }));
  await expect(page.getByRole('status')).toContainText('stands beside it');
  await expect(page.locator('gt-job-row')).toHaveCount(13);
});

test('a note line with nonsense says where, offers what was meant, and keeps the line', async ({ page }) => {
  await newJob(page, { title: 'Pot' });
  const note = page.getByLabel('Note line');
  await note.fill('start A idel 5 V');
  await expect(page.locator('#note-understood')).toContainText('"idel" is no state');
  await note.press('Enter');
  await expect(note).toHaveValue('start A idel 5 V');
  await page.locator('#note-understood').getByRole('button', { name: 'start A idle 5 V' }).click();
  await note.press('Enter');
  await expect(page.locator('#note-understood')).toContainText('noted: start, A to ground, nobody presses, 5 V DC');
  await undo(page).click();
  await room(page, 'Probe');
  await expect(page.getByText('Name the control first')).toBeVisible();
  await redo(page).click();
  await expect(page.getByText('1 taken')).toBeVisible();
  await page.getByRole('button', { name: 'log', exact: true }).click();
  await expect(page.getByLabel('Log of this job')).toContainText('undone: start, A to ground');
});

test('two tabs on one job: the later one is told, and neither loses anything', async ({ page, context }) => {
  await newJob(page, { title: 'Shared pot' });
  await kept(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('heading', { level: 1 })).toHaveText('Shared pot');
  await page.getByLabel('Who else presses it?').fill('the first tab');
  await page.getByLabel('Who else presses it?').press('Tab');
  await kept(page);
  await expect(other.getByRole('alert')).toContainText('Another tab has changed this job');
  await other.getByLabel('Who else presses it?').fill('the second tab');
  await other.getByLabel('Who else presses it?').press('Tab');
  await expect(other.getByRole('alert')).toContainText('Nothing of either is lost');
  await other.getByRole('button', { name: 'Keep mine as a copy' }).click();
  await expect(other.getByLabel('Who else presses it?')).toHaveValue('the first tab');
  // A page that is loaded finds what is kept by then.
  await expect.poll(() => countKept(other, 'jobs')).toBe(2);
  await other.goto('/');
  await expect(other.getByText('Shared pot, copy')).toBeVisible();
  await other.getByText('Shared pot, copy').click();
  await expect(other.getByLabel('Who else presses it?')).toHaveValue('the second tab');
});

test('a full store is told at once, and the job can still be saved as a file', async ({ page }) => {
  await newJob(page, { title: 'Full pot' });
  await kept(page);
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('The quota has been exceeded.', 'QuotaExceededError');
    };
  });
  await page.getByLabel('Who else presses it?').fill('nobody');
  await page.getByLabel('Who else presses it?').press('Tab');
  await expect(page.getByRole('alert')).toContainText('store is full');
  await expect(page.locator('[data-save]')).toHaveText('not kept');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the job file now' }).click();
  expect(readFileSync(await (await waiting).path(), 'utf8')).toContain('"others": "nobody"');
});

test('a forbidden store leaves a bench that works in this tab', async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(window, 'indexedDB', { value: undefined }));
  await page.goto('/');
  await expect(page.getByRole('alert')).toContainText('The browser forbids its store here');
  await newJob(page, { title: 'Passing pot' });
  await expect(page.getByRole('alert')).toContainText('not kept in the browser');
  await room(page, 'Feed');
  await page.getByRole('button', { name: 'Use 5 V, 1 A' }).click();
  await expect(page.locator('[data-node="supply"]')).toBeVisible();
});

test('a job that is not on this shelf and a page that is none', async ({ page }) => {
  await page.goto('/job/nowhere/probe');
  await expect(page.getByText('This job is not on the shelf of this browser')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the shelf' }).click();
  await page.goto('/no/such/page');
  await expect(page).toHaveURL('/');
});
