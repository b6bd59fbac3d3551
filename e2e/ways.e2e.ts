import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import {
  DEMO,
  accessible,
  bead,
  choose,
  complaints,
  demoKept,
  kept,
  room,
  settled,
  textOf,
  undo,
  within,
} from './steps';

async function thumb(page: Page, job: string): Promise<void> {
  await demoKept(page, `/job/demo-${job}/thumb`);
  await expect(page.locator('gt-way-list')).toBeVisible();
}
const way = (page: Page, key: string) => page.locator(`[data-way="${key}"]`);
const show = (page: Page, tab: string) => page.getByRole('tab', { name: tab, exact: true }).click();

test('every way stands in the list with its reason; one that is no use is folded and can be chosen all the same', async ({
  page,
}) => {
  const heard = complaints(page);
  await thumb(page, 'rice-pot');
  await expect(page.locator('[data-way]')).toHaveCount(18);
  await expect(way(page, 'reverse-motor')).toBeHidden();
  await page.getByText('more have nothing to do with this control').click();
  await expect(way(page, 'reverse-motor')).toContainText('no pair of motor wires');
  await way(page, 'reverse-motor').click();
  await settled(page);
  await expect(bead(page, 'Thumb')).toHaveAccessibleName(/stop/i);
  await undo(page).click();
  await expect(page.getByRole('heading', { name: 'Solid-state relay across start' })).toBeVisible();
  expect(heard).toEqual([]);
});

test('a module that never lets go is stopped; what would help is tried out, and doing it mends it', async ({
  page,
}) => {
  await thumb(page, 'rice-pot');
  await way(page, 'relay-module').click();
  await expect(page.getByRole('heading', { name: 'Relay module across start' })).toBeVisible();
  await show(page, 'parts');
  await choose(page, 'relay module', 'one relay, presses on low, bare transistor input');
  await settled(page);
  await expect(way(page, 'relay-module').getByRole('img')).toHaveAccessibleName(/stop/i);
  await show(page, 'for and against');
  await expect(page.getByText('Against it here')).toBeVisible();
  await page.getByRole('button', { name: 'Do it: Take a module that presses on high' }).click();
  await settled(page);
  await expect(way(page, 'relay-module').getByRole('img')).not.toHaveAccessibleName(/stop/i);
  // Any two side by side.
  await show(page, 'compare');
  await choose(page, 'The other way', 'Optocoupler');
  await expect(page.getByRole('row', { name: /makes no sound/ })).toContainText('fully (better)');
});

test('parts: own values, impossible ones told, prices for several machines, and the list leaves with the pack', async ({
  page,
}) => {
  await thumb(page, 'rice-pot');
  await show(page, 'parts');
  await page.getByRole('button', { name: 'with own values' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('the ones from the tin');
  await dialog.getByLabel('on-resistance, highest').fill('0.1 ohm');
  await dialog.getByLabel('on-resistance, highest').press('Tab');
  await expect(dialog.getByRole('alert')).toContainText('must rise');
  await expect(dialog.getByRole('button', { name: 'Keep this part' })).toBeDisabled();
  await dialog.getByLabel('on-resistance, highest').fill('6 ohm');
  await dialog.getByLabel('on-resistance, highest').press('Tab');
  await dialog.getByRole('button', { name: 'Keep this part' }).click();
  await settled(page);
  await expect(page.locator('gt-parts-pick mat-select')).toContainText('the ones from the tin (own)');
  await page.getByLabel('Machines alike').fill('12');
  await page.getByLabel('Machines alike').press('Tab');
  const price = page.getByLabel('Price of one: solid-state relay');
  await price.fill('1.25');
  await price.press('Tab');
  const have = page.getByLabel('How many at hand: solid-state relay');
  await have.fill('2');
  await have.press('Tab');
  await expect(page.getByRole('row', { name: /^solid-state relay/ })).toContainText('€12.50');
  await kept(page);
  await page.getByRole('button', { name: 'into the drawer' }).click();
  await room(page, 'Pack');
  await page.getByRole('button', { name: 'parts.csv', exact: true }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save parts.csv' }).click(),
  ]);
  expect(await textOf(file)).toMatch(/solid-state relay,the ones from the tin,12,2,10,1\.25,12\.5/);
  // The part is in the drawer now; another job can take it, and the drawer goes into a file and comes back.
  await page.goto(`${DEMO}/drawer`);
  await expect(page.getByRole('row', { name: /the ones from the tin/ })).toBeVisible();
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'save as a file' }).click(),
  ]);
  const text = await textOf(saved);
  expect(JSON.parse(text)).toMatchObject({
    format: 'gentle-thumb/drawer',
    parts: [{ name: 'the ones from the tin', kind: 'solid-state-relay' }],
  });
  const open = async (name: string, body: string): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'open a file' }).click(),
    ]);
    await chooser.setFiles({ name, mimeType: 'application/json', buffer: Buffer.from(body) });
  };
  await open('broken.json', text.replace('"usual"', '').replace('solid-state-relay', 'tube'));
  await expect(page.getByRole('alert')).toContainText('Part 1 is not as it should be');
  await expect(page.getByRole('row', { name: /the ones from the tin/ })).toBeVisible();
  await open('parts.drawer.json', text.replace('the ones from the tin', 'the ones from the jar'));
  await expect(page.getByRole('row', { name: /the ones from the jar/ })).toBeVisible();
  await page.getByRole('button', { name: 'undo', exact: true }).click();
  await expect(page.getByRole('row', { name: /the ones from the tin/ })).toBeVisible();
});

test('a finger moves with its sliders, and its margins with it', async ({ page }) => {
  await thumb(page, 'extractor-rocker');
  await expect(way(page, 'finger').getByRole('img')).toHaveAccessibleName(/settled/i);
  const drawing = page.locator('gt-joint-drawing').first();
  await expect(drawing).toContainText('press 54°');
  const angle = page.getByRole('slider', { name: 'Angle pressed, slider' });
  await angle.focus();
  for (let i = 0; i < 6; i++) await angle.press('ArrowLeft');
  await expect(drawing).toContainText('press 48°');
  await settled(page);
  await expect(way(page, 'finger').getByRole('img')).toHaveAccessibleName(/stop/i);
  await page
    .getByRole('button', { name: /^Press at \d+°$/ })
    .first()
    .click();
  await expect(way(page, 'finger').getByRole('img')).toHaveAccessibleName(/settled/i);
});

test('a motor run both ways: truth table, drawing by state, interlock, and the order in Act', async ({ page }) => {
  await thumb(page, 'hatch-shutter');
  const panel = page.locator('gt-motor-plan');
  await expect(panel.getByRole('row')).toHaveCount(5);
  await panel.getByRole('button', { name: 'backward' }).click();
  await expect(panel.locator('gt-joint-drawing')).toContainText('runs backward');
  await choose(page, 'Wiring', 'Two changeover relays');
  await expect(panel.getByRole('row', { name: /on on/ })).toContainText('stands, braked');
  await settled(page);
  await room(page, 'Act');
  await expect(page.locator('main').getByText(/First K1 and K2 both off/)).toBeAttached();
});

test('a speed signal: readings make the line, a bad one is told, the knob has its say', async ({ page }) => {
  await thumb(page, 'hood-fan');
  const panel = page.locator('gt-signal-plan');
  await panel.getByLabel('Step of the reading').fill('6');
  await panel.getByLabel(/^Value at that step/).fill('fast');
  await panel.getByRole('button', { name: 'add' }).click();
  await expect(panel.getByRole('alert')).toContainText('not understood');
  await panel.getByLabel(/^Value at that step/).fill('239 Hz');
  await panel.getByRole('button', { name: 'add' }).click();
  await expect(panel.getByRole('row', { name: /^6 239 Hz/ })).toBeVisible();
  await choose(page, 'The old knob', 'both on the same wire');
  await settled(page);
  await expect(way(page, 'drive-signal').getByRole('img')).toHaveAccessibleName(/stop/i);
  await page.getByRole('button', { name: 'Use a changeover' }).click();
  await expect(way(page, 'drive-signal').getByRole('img')).not.toHaveAccessibleName(/stop/i);
});

test('a scanned key: the program is too late, the logic is not', async ({ page }) => {
  await thumb(page, 'dough-proofer');
  await way(page, 'strobe-answer').click();
  await expect(page.locator('gt-scan-plan')).toContainText('this pad, 2 ms');
  await expect(way(page, 'strobe-answer').getByRole('img')).toHaveAccessibleName(/stop/i);
  await way(page, 'logic-injector').click();
  await settled(page);
  await show(page, 'wire table');
  await expect(page.getByRole('cell', { name: 'logic select[3]' })).toBeVisible();
  // How long the machine looks before its strobe ends is a size that nobody confirmed.
  await expect(way(page, 'logic-injector').getByRole('img')).toHaveAccessibleName(/tight/i);
  await show(page, 'for and against');
  await page
    .getByRole('button', { name: /They are right as they stand/ })
    .first()
    .click();
  await expect(way(page, 'logic-injector').getByRole('img')).toHaveAccessibleName(/settled/i);
});

test('a shutter on its tube: torque stops a small stepper, its winding is drawn, a fit is read off the caliper', async ({
  page,
}) => {
  await thumb(page, 'hatch-shutter');
  await way(page, 'hand-mechanism').click();
  const panel = page.locator('gt-hand-plan');
  await expect(panel.getByRole('row', { name: /crank shaft coupling bore/ })).toContainText('slides');
  await choose(page, 'Motor', 'stepper');
  await panel.getByLabel('cut the centre tap').check();
  await expect(panel.getByText('four wires')).toBeVisible();
  await settled(page);
  await expect(way(page, 'hand-mechanism').getByRole('img')).toHaveAccessibleName(/stop/i);
  await show(page, 'parts');
  await choose(page, /stepper/, 'hybrid stepper, 42 mm, 1.8°, four wires');
  // A four-wire motor has no tap to cut; the remedy leaves it whole.
  await page.getByRole('button', { name: 'Leave it as it is' }).first().click();
  await expect(panel.getByLabel('cut the centre tap')).not.toBeChecked();
  await panel.getByLabel('What hangs on it').fill('half a sack');
  await panel.getByLabel('What hangs on it').press('Tab');
  await expect(panel.getByRole('alert')).toContainText('not understood');
});

test('a supply switched is asked about with a power cut, and a spare remote with its battery', async ({ page }) => {
  await thumb(page, 'rice-pot');
  await way(page, 'switched-supply').click();
  await expect(way(page, 'switched-supply').getByRole('img')).toHaveAccessibleName(/not yet known/i);
  await choose(page, 'Afterwards it', 'waited for somebody');
  await settled(page);
  await expect(page.locator('gt-way-list details')).toHaveAttribute('open', '');
  await expect(way(page, 'switched-supply')).toContainText('waits for somebody');
  await way(page, 'spare-remote').click();
  await choose(page, 'A spare one', 'is at hand');
  await settled(page);
  await expect(way(page, 'spare-remote').getByRole('img')).toHaveAccessibleName(/tight/i);
  await show(page, 'for and against');
  await page
    .getByRole('button', { name: /They are right as they stand/ })
    .first()
    .click();
  await expect(way(page, 'spare-remote').getByRole('img')).toHaveAccessibleName(/settled/i);
  await show(page, 'wire table');
  await expect(page.getByRole('cell', { name: 'remote A' })).toBeVisible();
  await page.getByRole('button', { name: 'Prove it' }).click();
  await expect(page.getByText('The press is seen and gone in all three')).toBeVisible();
});

test('what the drawer holds is offered in a job, with its count and price', async ({ page }) => {
  await demoKept(page);
  await page.getByRole('link', { name: 'drawer' }).click();
  await choose(page, 'Another part', 'optocoupler');
  await page.getByRole('button', { name: 'Put it in' }).first().click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('alert')).toContainText('give the part a name');
  await dialog.getByLabel('Name').fill('salvaged optocoupler');
  await dialog.getByLabel('Name').press('Tab');
  await dialog.getByRole('button', { name: 'Keep this part' }).click();
  const row = page.getByRole('row', { name: /salvaged optocoupler/ });
  await row.getByLabel(/^How many at hand/).fill('6');
  await row.getByLabel(/^Price of one/).fill('0.4');
  await row.getByLabel(/^Price of one/).press('Tab');
  await within(page, '/job/demo-rice-pot/thumb');
  await way(page, 'optocoupler').click();
  await show(page, 'parts');
  await choose(page, 'optocoupler', 'salvaged optocoupler (from the drawer, 6 there)');
  await settled(page);
  await page.getByRole('button', { name: 'take counts and prices from the drawer' }).click();
  await expect(page.getByLabel('How many at hand: optocoupler')).toHaveValue('6');
  await expect(page.getByRole('row', { name: /^optocoupler/ })).toContainText('€0.00');
});

test('a wish is dragged to the top, and the ways follow', async ({ page }) => {
  await thumb(page, 'rice-pot');
  await page.getByText('Your order of wishes').click();
  const [from, to] = [
    page.locator('.wishes li', { hasText: 'the machine stays shut' }),
    page.locator('.wishes li').first(),
  ];
  await from.scrollIntoViewIfNeeded();
  const a = (await from.boundingBox())!;
  await page.mouse.move(a.x + 40, a.y + a.height / 2);
  await page.mouse.down();
  await to.scrollIntoViewIfNeeded();
  const b = (await to.boundingBox())!;
  await page.mouse.move(b.x + 40, b.y + 4, { steps: 25 });
  await page.mouse.up();
  await expect(page.locator('.wishes li').first()).toContainText('the machine stays shut');
  await settled(page);
  // Of the ways that pass barely, the one that opens nothing stands before the relays now.
  const names = await page.locator('.choice strong').allInnerTexts();
  expect(names.indexOf('Finger on a servo')).toBeLessThan(names.indexOf('Relay contact'));
});

/** Each view that only some ways of pressing have: a demo job, the way where it is not the chosen one, and the tab. */
const VIEWS: readonly (readonly [job: string, way: string, tab: string])[] = [
  ['rice-pot', '', 'parts'],
  ['rice-pot', '', 'compare'],
  ['rice-pot', 'relay-contact', 'for and against'],
  ['extractor-rocker', '', 'drawing'],
  ['extractor-rocker', 'control-box', 'drawing'],
  ['hatch-shutter', '', 'drawing'],
  ['hatch-shutter', 'hand-mechanism', 'wire table'],
  ['hood-fan', '', 'drawing'],
  ['dough-proofer', 'strobe-answer', 'drawing'],
  ['rice-pot', 'switched-supply', 'drawing'],
  ['rice-pot', 'spare-remote', 'drawing'],
];

for (const [name, width, colorScheme] of [
  ['on a screen by day', 1280, 'light'],
  ['on a phone by night', 390, 'dark'],
] as const)
  test(`every view of the ways and the drawer passes the accessibility rules and spills over nothing, ${name}`, async ({
    browser,
  }) => {
    test.slow();
    const context = await browser.newContext({
      colorScheme,
      viewport: { width, height: 844 },
      reducedMotion: 'reduce',
    });
    const page = await context.newPage();
    const heard = complaints(page);
    await demoKept(page);
    for (const [job, key, tab] of VIEWS) {
      await within(page, '/');
      await within(page, `/job/demo-${job}/thumb`);
      if (key) await way(page, key).evaluate((e: HTMLElement) => e.click());
      await settled(page);
      await page.getByRole('tab', { name: tab, exact: true }).click();
      await accessible(page, `${job} ${key} ${tab}`);
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth),
        `${job} ${key} ${tab}`,
      ).toBeLessThanOrEqual(width);
    }
    await within(page, '/drawer');
    await page.getByRole('button', { name: 'Put it in' }).first().click();
    await accessible(page, 'part editor');
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await accessible(page, 'drawer');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    expect(heard).toEqual([]);
    await context.close();
  });
