import { gzipSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { accessible, bead, complaints, demoKept, dropFault, newJob, room, say, slowness, undo, within } from './steps';

/** Sets of colours that are looked at. */
const BOTH = ['light', 'dark'] as const;
const ROOMS = ['wish', 'probe', 'thumb', 'board', 'feed', 'guard', 'sense', 'act', 'routine', 'try', 'pack'];

async function demo(page: Page, path = ''): Promise<void> {
  await demoKept(page);
  if (path) await within(page, `/job/${path}`);
}

test('every view passes the accessibility rules, light and dark', async ({ page }) => {
  test.slow();
  const heard = complaints(page);
  await demo(page);
  await accessible(page, 'shelf', BOTH);
  for (const r of ROOMS) {
    await within(page, `/job/demo-yard-gate/${r}`);
    await accessible(page, r, BOTH);
    // More than five things to do in one row are a menu.
    const crowded = await page.evaluate(() =>
      [...document.querySelectorAll('.answers, .actions')]
        .map((row) => [...row.querySelectorAll('button:not([gtRow])')].filter((b) => b.checkVisibility()).length)
        .filter((n) => n > 5),
    );
    expect(crowded, r).toEqual([]);
  }
  await within(page, '/new');
  await accessible(page, 'new', BOTH);
  expect(heard).toEqual([]);
});

test('every part of Probe passes the accessibility rules, light and dark', async ({ page }) => {
  test.slow();
  const heard = complaints(page);
  await demo(page);
  for (const [job, part] of [
    ['yard-gate', 'strip'],
    ['dough-proofer', 'keypad'],
    ['dough-proofer', 'supplies'],
    ['hatch-shutter', 'sizes'],
    ['rice-pot', 'photographs'],
    ['rice-pot', 'meter'],
    ['larder-dehumidifier', 'controls'],
  ] as const) {
    await within(page, `/job/demo-${job}/probe?part=${part}`);
    await accessible(page, `probe ${part}`, BOTH);
  }
  expect(heard).toEqual([]);
});

test('the thread shows the stop of the yard gate; one press mends it, another takes it back', async ({ page }) => {
  await demo(page);
  await page.getByRole('link', { name: 'Board: pin 12 twitches' }).click();
  await expect(bead(page, 'Board')).toHaveAccessibleName(/pin 12 twitches: stop/);
  await expect(page.locator('gt-power-up-strip')).toContainText('closed');
  await page.getByRole('button', { name: 'Add the pull-down' }).click();
  await expect(bead(page, 'Board')).toHaveAccessibleName(/4 lines placed: settled/);
  await undo(page).click();
  await expect(bead(page, 'Board')).toHaveAccessibleName(/stop/);
});

test('keys go everywhere, and rest while one types', async ({ page }) => {
  await demo(page, 'demo-rice-pot/wish');
  await page.locator('h2').first().click();
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/probe$/);
  await page.keyboard.press('[');
  await expect(page).toHaveURL(/wish$/);
  await page.keyboard.press('g');
  await page.keyboard.press('a');
  await expect(page).toHaveURL(/act$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('along the thread');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('/');
  await page.keyboard.type('note: g]b?');
  await expect(page.getByLabel('Note line')).toHaveValue('note: g]b?');
  await expect(page).toHaveURL(/act$/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('b');
  await expect(page.locator('gt-job-frame')).toHaveClass(/busy/);
  await expect(page.getByLabel('Note line')).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(page.locator('gt-job-frame')).not.toHaveClass(/busy/);
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page).toHaveURL(/thumb$/);
  // The room is fetched on first use; the key has a number to open only once it stands.
  await expect(page.getByText('Pressed level under')).toBeAttached();
  await page.locator('h2').first().click();
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog')).toContainText('Sources');
});

test('hands busy: digits find the field, Page Down goes on', async ({ page }) => {
  await newJob(page, { title: 'Nothing read' });
  await room(page, 'Probe');
  await say(page, 'control power');
  await page.locator('h2').first().click();
  await page.keyboard.press('b');
  for (const [question, digit] of [
    ['How is the machine fed', '1'],
    ['main switch', '2'],
    ['Where is earth', '3'],
  ] as const) {
    await expect(page.locator('[data-mains-question] h2')).toContainText(question);
    await page.keyboard.press(digit);
  }
  await expect(page.locator('[data-next-title]')).toContainText('ground to live and neutral');
  await page.keyboard.type('19M');
  await expect(page.locator('[data-next-reading]')).toHaveValue('19M');
  await page.keyboard.press('PageDown');
  await expect(page.locator('[data-next-title]')).toContainText('at A to ground');
});

test('a fault dropped on the lanes parts belief from truth, and moves by key', async ({ page }) => {
  await demo(page, 'demo-yard-gate/act');
  await dropFault(page, 'this press is missed');
  await expect(page.getByRole('group', { name: /closed for .* while the plan believes open/ })).toBeVisible();
  await dropFault(page, 'someone presses by hand');
  const pin = page.getByRole('slider', { name: 'someone presses by hand' });
  const before = Number(await pin.getAttribute('aria-valuenow'));
  await pin.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Number(await pin.getAttribute('aria-valuenow'))).toBeGreaterThan(before);
  await page.getByRole('button', { name: 'Step to the next event' }).click();
  await expect(page.getByText(/the machine is closed, the plan believes/)).toBeVisible();
});

test('the shelf finds, sorts, duplicates and archives', async ({ page }) => {
  await demo(page);
  await expect(page.locator('[data-summary]')).toHaveText('Marrow Street Kitchen, 12 jobs, 3 held by a stop');
  await page.getByRole('button', { name: 'nearest to done first' }).click();
  await expect(page.locator('gt-job-row').first()).toContainText('Rice pot');
  await page.getByRole('searchbox').fill('gate');
  await expect(page.locator('gt-job-row')).toHaveCount(1);
  await page.getByRole('button', { name: 'More for Yard gate' }).click();
  await page.getByRole('menuitem', { name: 'The same again' }).click();
  await expect(page.locator('gt-job-row')).toHaveCount(2);
  await page.getByRole('button', { name: 'More for Yard gate, again' }).click();
  await page.getByRole('menuitem', { name: 'To the archive' }).click();
  await expect(page.locator('gt-job-row')).toHaveCount(1);
  await page.getByRole('button', { name: '1 in the archive' }).click();
  await expect(page.locator('gt-job-row')).toContainText('Yard gate, again');
});

test('on a phone Do and Know are two tabs, and nothing spills over', async ({ browser }) => {
  test.slow();
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await demo(page);
  for (const r of ROOMS) {
    await within(page, `/job/demo-rice-pot/${r}`);
    await expect(page.getByRole('tab', { name: 'Know', exact: true })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
  await page.getByRole('tab', { name: 'Know', exact: true }).click();
  await expect(page.getByText('Is it whole?')).toBeInViewport();
  for (const [job, part] of [
    ['yard-gate', 'strip'],
    ['dough-proofer', 'keypad'],
    ['dough-proofer', 'supplies'],
    ['hatch-shutter', 'sizes'],
    ['rice-pot', 'meter'],
  ] as const) {
    await within(page, `/job/demo-${job}/probe?part=${part}`);
    await expect(page.locator('gt-parts-nav')).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth), part).toBeLessThanOrEqual(390);
  }
  await context.close();
});

test('the shelf can be used within a second from a warm server, under 300 kB of script', async ({ browser }) => {
  const times: number[] = [];
  let bytes = 0;
  let slow = 1;
  for (let i = 0; i < 6; i++) {
    const context = await browser.newContext();
    const page = await context.newPage();
    const scripts: Promise<Buffer>[] = [];
    page.on('response', (r) => {
      if (r.request().resourceType() === 'script') scripts.push(r.body());
    });
    await page.goto('/');
    await page.getByRole('link', { name: 'New job' }).waitFor();
    await expect
      .poll(() => page.evaluate(() => performance.getEntriesByName('shelf-usable').length))
      .toBeGreaterThan(0);
    times.push(await page.evaluate(() => Math.round(performance.getEntriesByName('shelf-usable')[0]!.startTime)));
    slow = Math.max(slow, await slowness(page));
    bytes = (await Promise.all(scripts)).reduce((s, body) => s + gzipSync(body).length, 0);
    await context.close();
  }
  // The first warms the server; of the others the second best, so that one lucky start does not pass and a busy machine does not fail.
  const best = times.slice(1).sort((a, b) => a - b)[1]!;
  console.log(
    `shelf usable after ${times.join(', ')} ms; ${(bytes / 1000).toFixed(0)} kB ` +
      `of script, gzip; allowed ${slow.toFixed(1)} times as long here`,
  );
  expect(bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThan(300_000);
  // A second by the pace of this machine, and a fifth for what a pace does not tell.
  expect(best).toBeLessThan(1200 * slow);
});

test('each room brings less than 120 kB of script beyond the shelf and the frame', async ({ browser }) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  const sizes = new Map<string, Promise<number>>();
  page.on('response', (r) => {
    if (r.request().resourceType() !== 'script' || /worker/.test(r.url())) return;
    if (!sizes.has(r.url()))
      sizes.set(
        r.url(),
        r.body().then((b) => gzipSync(b).length),
      );
  });
  const sum = async (): Promise<number> => (await Promise.all(sizes.values())).reduce((a, b) => a + b, 0);
  await demoKept(page);
  await page.waitForLoadState('networkidle');
  let before = await sum();
  const grown: string[] = [];
  // The frame of a job comes with its first room.
  for (const r of ROOMS) {
    await within(page, `/job/demo-yard-gate/${r}`);
    await page.waitForLoadState('networkidle');
    const after = await sum();
    grown.push(`${r} ${((after - before) / 1000).toFixed(0)}`);
    expect(after - before, r).toBeLessThan(120_000);
    before = after;
  }
  console.log(`script that each room adds, in this order, kB gzip: ${grown.join(', ')}`);
  await context.close();
});
