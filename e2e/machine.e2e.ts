import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import {
  accessible,
  bead,
  choose,
  complaints,
  demoKept,
  enter,
  isolated,
  MAINS_SAID,
  newJob,
  pick,
  room,
  say,
  settled,
  textOf,
  undo,
  within,
} from './steps';

const button = (name: string): string[] => [
  ...isolated(name),
  `${name} look springs back`,
  `${name} B to ground off 0.1 ohm`,
  `${name} A idle 4.98 V`,
  `${name} short 0.498 mA`,
  `${name} A-B pressed 0.4 ohm`,
  `${name} A neighbour 4.98 V`,
];
const saved = async (page: Page, name: string): Promise<string> => {
  await page.getByRole('button', { name, exact: true }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: `Save ${name}` }).click();
  return textOf(await waiting);
};

test('a machine of two buttons, from an empty shelf to a wiring sheet with both presses', async ({ page }) => {
  const heard = complaints(page);
  await newJob(page, { title: 'Two buttons and a lamp', when: '07:30 and 18:00 on weekdays' });
  await room(page, 'Wish');
  await expect(page.locator('[data-rule]')).toContainText('at 07:30 and 18:00, on weekdays');
  await page.getByRole('button', { name: 'Make it a rule' }).click();
  await expect(page.locator('[data-rule]')).toHaveCount(0);
  await page.getByRole('button', { name: 'one more condition' }).click();
  await enter(page, 'State', 'hot');
  await expect(page.locator('[data-never]')).toContainText('Never “hot” for longer than');

  await room(page, 'Probe');
  await say(page, ...MAINS_SAID, ...button('start'), ...button('stop'));
  await room(page, 'Thumb');
  await page.locator('[data-way=solid-state-relay]').click();
  await settled(page);
  await page.getByRole('button', { name: 'Press “stop” as well' }).click();
  await settled(page);
  await page.locator('[data-way=solid-state-relay]').click();
  await settled(page);
  await expect(bead(page, 'Thumb')).toHaveAccessibleName(/settled/);
  // Both buttons stand on one ground: the second is joined to the first, and no conductor goes to its terminal.
  await page.getByRole('tab', { name: 'wire table' }).click();
  await expect(page.locator('[data-unused]')).toContainText('No conductor goes to stop B');
  await expect(page.getByRole('cell', { name: /\(jumper\)/ })).toBeVisible();
  // Two contacts in series for the second: four wires more, each with a number of its own.
  await page.getByLabel(/two contacts in series/).check();
  await settled(page);
  const numbers = await page.locator('gt-wire-table .mat-column-wire').allTextContents();
  expect(new Set(numbers).size).toBe(numbers.length);

  await say(page, 'sense light lamp: it is on', 'hand stop', 'sign lamp call');
  await room(page, 'Board');
  await choose(page, 'Controller', 'Wi-Fi module, 34 GPIO');
  await settled(page);
  await page.getByRole('button', { name: 'Place all lines' }).first().click();
  await settled(page);
  await expect(page.locator('main').getByText(/^6 lines on 6 pins/)).toBeAttached();
  await page.getByRole('radio', { name: 'while programmed' }).click();
  await expect(page.locator('[data-strip]')).toHaveAccessibleName(/start on pin \d+: contact/);

  await room(page, 'Act');
  await page.getByRole('button', { name: 'press for …' }).click();
  await page.getByRole('button', { name: 'press for …' }).click();
  await choose(page, 'Which press, step 2', 'stop');
  await settled(page);

  await room(page, 'Pack');
  const wires = await saved(page, 'wires.csv');
  expect(wires).toContain('start A');
  expect(wires).toContain('stop A');
  expect(wires).not.toContain('stop B');
  expect(wires).toMatch(/pin \d+ \(IO\d+\)/);
  const sheet = await saved(page, 'wiring.svg');
  for (const name of ['start A', 'stop A', 'No conductor goes to stop B', 'At the controller'])
    expect(sheet).toContain(name);
  const program = await saved(page, 'gentle_thumb.c');
  expect(program).toMatch(/\{ \d+, 1 \}, {3}\/\* start \*\/[^]*\{ \d+, 1 \}, {3}\/\* stop \*\//);
  // Two contacts in series for the second: both their pins in one step.
  expect(program).toMatch(/\{ PRESS, 1u, 180u,[^]*\{ PRESS, 6u, 180u,/);
  expect(heard).toEqual([]);
});

test('an assignment is refused, explained by the lines that are in each other’s way, and mended', async ({ page }) => {
  await demoKept(page, '/job/demo-yard-gate/board');
  // Five things more that want a pin which wakes the chip: the small module has one.
  await say(page, 'hand button ring', 'hand button bell');
  await page.getByRole('tab', { name: 'hands and signs' }).click();
  for (const name of ['ring', 'bell']) {
    await page.locator(`[data-hand=${name}]`).getByLabel('wakes the controller').check();
    await settled(page);
  }
  await page.getByRole('tab', { name: 'lines and pins' }).click();
  const refused = page.locator('[data-finding="board.refused"]');
  await expect(refused).toContainText(/finds no pin|between them/);
  await expect(bead(page, 'Board')).toHaveAccessibleName(/stop/);
  // The proposals were tried out; on the larger module all can be placed.
  await expect(refused).toContainText('On the Wi-Fi module, 34 GPIO all 6 lines can be placed');
  await refused.getByRole('button').last().click();
  await settled(page);
  await expect(refused).toHaveCount(0);
  await expect(page.locator('main').getByText(/^6 lines on 6 pins/)).toBeAttached();
  await undo(page).click();
  await settled(page);
  await expect(refused).toBeVisible();
});

test('an own board is copied, changed, saved, and read back; one that contradicts itself is refused', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-rice-pot/board?view=boards');
  await page.getByRole('button', { name: 'copy this board, to change it' }).click();
  await enter(page, 'Name', 'my bench board');
  await enter(page, 'A pin gives at most', '9 mA');
  await settled(page);
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'save it as a file' }).click();
  const text = await textOf(await waiting);
  expect(JSON.parse(text)).toMatchObject({
    format: 'gentle-thumb/board',
    board: { name: 'my bench board', pinAmps: 0.009, tags: { pinAmps: 'measured' } },
  });
  const folder = mkdtempSync(join(tmpdir(), 'gt-board-'));
  try {
    const twice = join(folder, 'twice.board.json');
    writeFileSync(twice, text.replace('"label": "D1"', '"label": "D2"'));
    const open = page.getByRole('button', { name: 'open a board file' });
    await pick(page, open, twice);
    await expect(page.getByRole('alert')).toContainText('has the label of pin');
    const good = join(folder, 'good.board.json');
    writeFileSync(good, text.replace('my bench board', 'board from a file').replace('wifi-17-mine', 'from-a-file'));
    await pick(page, open, good);
    await expect(page.getByRole('heading', { name: 'board from a file' })).toBeVisible();
  } finally {
    rmSync(folder, { recursive: true });
  }
});

test('what names a press keeps it: taking it away is refused with where, and done once nothing presses it', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-larder-dehumidifier/thumb?press=dryness');
  await page.getByRole('button', { name: 'take this press away' }).click();
  await expect(page.getByRole('alert')).toContainText('Take its steps out of the moves in Act first');
  await room(page, 'Act');
  await page.getByRole('button', { name: 'take it away: step 5' }).click();
  await within(page, '/job/demo-larder-dehumidifier/thumb?press=dryness');
  await settled(page);
  await page.getByRole('button', { name: 'take this press away' }).click();
  await settled(page);
  await expect(page.locator('[data-press]')).toHaveCount(1);
});

test('eight flaps leave with a pin table, one bill and a test sheet for each row of flaps', async ({ page }) => {
  await demoKept(page, '/job/demo-steam-flaps/pack');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save all as one zip' }).click();
  const folder = mkdtempSync(join(tmpdir(), 'gt-flaps-'));
  try {
    await (await waiting).saveAs(join(folder, 'all.zip'));
    execFileSync('unzip', ['-q', 'all.zip'], { cwd: folder });
    const pins = readFileSync(join(folder, 'pins.csv'), 'utf8').trim().split('\r\n');
    expect(pins).toHaveLength(23);
    expect(new Set(pins.slice(1).map((row) => row.split(',')[1])).size).toBe(22);
    expect(readFileSync(join(folder, 'parts.csv'), 'utf8')).toMatch(/motor bridge,.*,16,/);
    expect(readFileSync(join(folder, 'test-sheet-wall-row.csv'), 'utf8')).toContain(
      'Mirrored: its motor runs, or its horn swings, the other way',
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
});

test('Board with hands, signs and boards passes the accessibility rules, by day and on a phone at night', async ({
  browser,
}) => {
  for (const [width, colorScheme] of [
    [1280, 'light'],
    [390, 'dark'],
  ] as const) {
    const context = await browser.newContext({
      colorScheme,
      viewport: { width, height: 844 },
      reducedMotion: 'reduce',
    });
    const page = await context.newPage();
    await demoKept(page);
    for (const view of ['pins', 'hands', 'boards']) {
      await within(page, `/job/demo-yard-gate/board?view=${view}`);
      await accessible(page, `board ${view}, ${width}`);
      expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(width);
    }
    await context.close();
  }
});
