import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { DEMO, dropFault, isolated, say, unfold } from './steps';

const shot = (page: Page, name: string) => page.screenshot({ path: `docs/screenshots/${name}.png` });

async function at(page: Page, path: string): Promise<void> {
  await page.goto(DEMO);
  await expect(page.locator('gt-job-row .next gt-glyph')).toHaveCount(12);
  await page.waitForTimeout(500);
  if (!path) return;
  await page.goto(`${DEMO}/job/${path}`);
  await expect(page.locator('gt-two-columns')).toBeVisible();
  await page.waitForTimeout(500);
}

test('shelf', async ({ page }) => {
  await at(page, '');
  await shot(page, 'shelf');
});

test('probe', async ({ page }) => {
  await at(page, 'demo-larder-dehumidifier/probe');
  await say(page, 'control fan', ...isolated('fan'), 'fan look springs back', 'fan B to ground off 0.2 ohm');
  await page.waitForTimeout(4200);
  await page.locator('[data-next-reading]').fill('3.29');
  await shot(page, 'probe');
});

test('strip', async ({ page }) => {
  await at(page, 'demo-yard-gate/probe?part=strip');
  await page.waitForTimeout(1000);
  await shot(page, 'strip');
});

test('the rooms that ask and tell', async ({ page }) => {
  for (const [name, path] of [
    ['wish', 'demo-rice-pot/wish'],
    ['guard', 'demo-rice-pot/guard'],
    ['sense', 'demo-glass-washer/sense?part=recordings'],
    ['routine', 'demo-hatch-shutter/routine?part=year'],
    ['pack', 'demo-rice-pot/pack'],
  ] as const) {
    await at(page, path);
    if (name === 'routine') await page.getByRole('slider').waitFor();
    await page.waitForTimeout(name === 'sense' ? 2500 : 600);
    await shot(page, name);
  }
});

test('thumb', async ({ page }) => {
  await at(page, 'demo-rice-pot/thumb');
  await shot(page, 'thumb');
  await unfold(page);
  await page
    .getByRole('button', { name: /mV: why/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.waitForTimeout(400);
  await shot(page, 'explain');
});

test('a motor', async ({ page }) => {
  await at(page, 'demo-hatch-shutter/thumb');
  await page.getByRole('button', { name: 'backward' }).click();
  await page.locator('gt-motor-plan').evaluate((e) => e.querySelector('section')!.scrollIntoView());
  await page.waitForTimeout(300);
  await shot(page, 'motor');
});

test('board', async ({ page }) => {
  await at(page, 'demo-yard-gate/board');
  await shot(page, 'board');
});

test('a whole machine', async ({ page }) => {
  await at(page, 'demo-steam-flaps/feed');
  await expect(page.locator('gt-two-columns')).toBeVisible();
  await page.waitForTimeout(1500);
  await shot(page, 'feed');
});

test('act', async ({ page }) => {
  await at(page, 'demo-yard-gate/act');
  await dropFault(page, 'someone presses by hand');
  await page.waitForTimeout(600);
  await shot(page, 'act');
});

test('what can hurt', async ({ page }) => {
  await at(page, 'demo-yard-gate/guard?view=apart');
  await expect(page.locator('[data-pairs]')).toBeVisible();
  await page.locator('gt-board-picture').evaluate((e) => e.scrollIntoView());
  await page.waitForTimeout(300);
  await shot(page, 'apart');
  await page.getByRole('tab', { name: 'failure drill' }).click();
  await page.getByRole('button', { name: 'Drill with one failure' }).click();
  await expect(page.locator('[data-told]')).toBeVisible();
  await page.locator('[data-told]').evaluate((e) => e.scrollIntoView());
  await page.waitForTimeout(600);
  await shot(page, 'drill');
});

test('try', async ({ page }) => {
  await at(page, 'demo-yard-gate/try');
  await shot(page, 'try');
});

test('phone, dark', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, colorScheme: 'dark' });
  const page = await context.newPage();
  await at(page, 'demo-larder-dehumidifier/probe');
  await say(page, 'control fan');
  await page.waitForTimeout(4200);
  await shot(page, 'phone');
  await context.close();
});

test('ledger', async ({ page }) => {
  await at(page, 'demo-yard-gate/thumb');
  const resistor = page.getByRole('combobox', { name: 'Series resistor' });
  await resistor.fill('22');
  await resistor.press('Tab');
  await page.waitForTimeout(1500);
  await page.getByRole('link', { name: /^Guard/ }).click();
  const ledger = page.locator('[data-ledger]');
  await expect(ledger).toBeVisible();
  await ledger.scrollIntoViewIfNeeded();
  await page.getByRole('heading', { name: 'Every part, every rating' }).evaluate((h) => h.scrollIntoView());
  await page.waitForTimeout(500);
  await shot(page, 'ledger');
});
