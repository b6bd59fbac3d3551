import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { washRecording, WASHES } from '../scripts/demo-recordings';
import { accessible, bead, choose, complaints, demoKept, enter, kept, newJob, room, undo } from './steps';

/** Opens the part of Sense behind a tab. */
async function part(page: Page, name: RegExp): Promise<void> {
  await room(page, 'Sense');
  await page.getByRole('tab', { name }).click();
}
const csv = (name: string, text: string): { name: string; mimeType: string; buffer: Buffer } => ({
  name,
  mimeType: 'text/csv',
  buffer: Buffer.from(text),
});
/** Picks a recording of the list, and waits until it is the one that is shown. */
async function show(page: Page, name: string): Promise<void> {
  await page.locator('[data-recording] button', { hasText: name }).first().click();
  await expect(page.locator('section.know').getByRole('heading', { name })).toBeVisible();
}
/** Picks files where they are asked for. */
async function give(page: Page, files: { name: string; mimeType: string; buffer: Buffer }[]): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'add recordings' }).click();
  await (await chooser).setFiles(files);
}

test('recordings become a threshold and a hold, which are judged, moved by key, taken back, and stand after a reload', async ({
  page,
}) => {
  const heard = complaints(page);
  await newJob(page, { title: 'Washer', outcome: 'it tells when it is done', when: 'when its draw falls' });
  await part(page, /recordings/);
  const names = ['quick', 'usual', 'strong'];
  await give(
    page,
    names.map((n, i) => csv(`${n}.csv`, washRecording(WASHES[n]!, 30 + i, '2026-11-20T10:00:00Z'))),
  );
  await expect(page.locator('[data-recording]')).toHaveCount(3);
  await page.getByRole('button', { name: 'add one that learns from it' }).click();
  // The others learn by the same sense.
  for (const name of ['usual.csv', 'strong.csv']) {
    await show(page, name);
    await choose(page, 'Learns from it', 'power meter');
    await enter(page, 'Runs in it', '1');
  }
  await show(page, 'quick.csv');
  await enter(page, 'Runs in it', '1');
  await page.getByRole('button', { name: 'find the threshold in them' }).click();
  const over = page.getByRole('slider', { name: 'says so over' });
  await expect(over).toBeVisible();
  const before = Number(await over.getAttribute('aria-valuenow'));
  expect(before).toBeGreaterThan(10);
  expect(before).toBeLessThan(60);
  await expect(page.locator('[data-runs] tbody tr')).toHaveCount(1);
  await expect(page.locator('section.know')).toContainText('3 recordings carry 75 % and no more');
  await expect(page.locator('section.know')).toContainText(/hold .*: 0 ends in mid-run, 0 of 3 not told/);

  // A hold that is shorter than a soak would tell the end in mid-run: a stop, with the hold that works.
  const hold = page.getByRole('slider', { name: 'hold' });
  await hold.focus();
  for (let n = 0; n < 3; n++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(bead(page, 'Sense')).toHaveAccessibleName(/over in mid-run/);
  await page.getByRole('button', { name: /^Use / }).first().click();
  await expect(bead(page, 'Sense')).not.toHaveAccessibleName(/over in mid-run/);

  // The threshold by key: each recording is looked at with it, and one undo takes all of it back.
  await over.focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(over).not.toHaveAttribute('aria-valuenow', String(before));
  await undo(page).click();
  await expect(over).toHaveAttribute('aria-valuenow', String(before));

  await kept(page);
  await page.reload();
  await expect(page.locator('[data-trace] path')).toBeVisible();
  await expect(page.locator('[data-run]')).toHaveCount(1);
  await accessible(page, 'recordings', ['light', 'dark']);
  expect(heard).toEqual([]);
});

test('what is no recording is named with line and reason, the others come, and nothing is lost', async ({ page }) => {
  await newJob(page, { title: 'Odd files', outcome: 'it tells when it is done', when: 'when its draw falls' });
  await part(page, /recordings/);
  const good = washRecording(WASHES['quick']!, 5, '2026-11-20T10:00:00Z');
  const rows = good.split('\n');
  const odd = [...rows.slice(0, 50), '2026-11-20T10:09:00Z,unavailable', ...rows.slice(51)].join('\n');
  await give(page, [
    csv('empty.csv', ''),
    csv('prose.csv', 'this is a letter\nand no table at all\n'),
    csv('odd.csv', odd),
    csv('one-line.csv', 'time,power (W)\n0,1\n'),
  ]);
  await expect(page.getByRole('alert').filter({ hasText: 'empty.csv' })).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'prose.csv' })).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'one-line.csv' })).toContainText('two samples');
  await expect(page.getByText('line 51: 2026-11-20T10:09:00Z,unavailable')).toBeVisible();
  await expect(page.locator('[data-recording]')).toHaveCount(1);
  // The very same bytes are not kept twice.
  await give(page, [csv('again.csv', odd)]);
  await expect(page.getByText('again.csv is here already')).toBeVisible();
  await expect(page.locator('[data-recording]')).toHaveCount(1);
});

test('a recording goes with the zip and comes back with its hash; without it the job opens and says so', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-glass-washer/sense?part=recordings');
  await expect(page.locator('[data-trace] path')).toBeVisible();
  await room(page, 'Pack');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save all as one zip' }).click();
  const zip = readFileSync((await (await saved).path())!);
  const { unpackZip } = await import('../core/house/zip');
  const { recordings, jobs } = unpackZip(new Uint8Array(zip));
  expect(recordings).toHaveLength(4);
  expect(jobs[0]!.loaded).toMatchObject({ ok: true });
  // As if the browser had lost them.
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('gentle-thumb');
        open.onsuccess = () => {
          const t = open.result.transaction('recordings', 'readwrite');
          t.objectStore('recordings').clear();
          t.oncomplete = () => {
            open.result.close();
            resolve();
          };
          t.onerror = () => reject(new Error('not cleared'));
        };
      }),
  );
  await page.reload();
  await part(page, /recordings/);
  await expect(page.getByText('Its bytes are not in this browser').first()).toBeVisible();
  await expect(bead(page, 'Sense')).toHaveAccessibleName(/borne out by few/);
});

test('which sense: what each set leaves confused, and one press takes it', async ({ page }) => {
  await demoKept(page, '/job/demo-hatch-shutter/sense?part=which');
  await expect(page.locator('[data-set]').first()).toContainText('Look alike for good');
  const before = await page.locator('[data-set]').count();
  expect(before).toBeGreaterThan(1);
  await page
    .getByRole('button', { name: /^take contact/ })
    .first()
    .click();
  await expect(page.locator('[data-set]').first()).toContainText('As it is now');
  await page.getByRole('tab', { name: /^senses/ }).click();
  await expect(page.locator('[data-sense]')).not.toHaveCount(0);
});
