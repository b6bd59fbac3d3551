import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { complaints, demoKept, room, slowness, undo, within } from './steps';

async function thumb(page: Page, job: string): Promise<void> {
  await demoKept(page, `/job/demo-${job}/thumb`);
  await expect(page.getByRole('button', { name: 'Prove it' })).toBeVisible();
}

test('the press is proven by simulation, cold and warm, and the log keeps it', async ({ page }) => {
  const heard = complaints(page);
  await thumb(page, 'rice-pot');
  const engine: string[] = [];
  page.on('request', (r) => {
    if (/\/engine\//.test(r.url())) engine.push(r.url());
  });
  const timed = async (button: string): Promise<number> => {
    const began = Date.now();
    await page.getByRole('button', { name: button, exact: true }).click();
    await expect(page.getByText('Closed form and simulation agree within')).toBeVisible();
    return (Date.now() - began) / 1000;
  };
  expect(engine).toEqual([]);
  const cold = await timed('Prove it');
  expect(engine.length).toBeGreaterThan(0);
  await expect(page.getByRole('row', { name: /pressed.*worst|worst.*pressed/i })).toContainText('mV');
  await expect(page.getByText('Of 10000 joints from parts within their tolerances')).toBeVisible();
  // Another joint makes the proof old, and that is said wherever Thumb speaks.
  await page.getByRole('combobox', { name: 'Series resistor' }).fill('390');
  await page.getByRole('combobox', { name: 'Series resistor' }).press('Tab');
  await expect(page.locator('[data-outdated]')).toBeVisible();
  await expect(page.locator('[data-finding="thumb.study.proof"]')).toContainText('changed since');
  await expect(page.getByText('Closed form and simulation agree within')).toBeHidden();
  const warm = await timed('Prove it again');
  console.log(`proof cold ${cold.toFixed(1)} s, warm ${warm.toFixed(2)} s`);
  // Wanted: 4 s and 0.7 s on a machine with nothing else to do (docs/measurements.md); a busy one takes up to three times as long.
  const slow = await slowness(page);
  expect(cold).toBeLessThan(9 * slow);
  expect(warm).toBeLessThan(2.1 * slow);
  await page.getByRole('button', { name: 'log', exact: true }).click();
  await expect(page.getByLabel('Log of this job')).toContainText('proof of solid-state relay');
  // What was proven is kept over a reload, with the findings that it adds.
  await page.reload();
  await expect(page.getByText('Closed form and simulation agree within')).toBeVisible();
  await expect(page.getByText('Of 10000 joints from parts within their tolerances')).toBeVisible();
  expect(heard).toEqual([]);
});

test('a relay joint shows its bounce; without the simulator the closed form stays', async ({ page }) => {
  await thumb(page, 'yard-gate');
  await page.getByRole('button', { name: 'Prove it' }).click();
  await expect(page.getByText('The press is seen and gone in all three')).toBeVisible();
  await page.route('**/engine/**', (route) => route.abort());
  await page.reload();
  await page.getByRole('button', { name: 'Prove it' }).click();
  await expect(page.getByRole('alert')).toContainText('The closed form above stays');
  await expect(page.locator('gt-margin-rulers')).toBeVisible();
});

test('the order of wishes ranks the ways, by button and undone like any edit', async ({ page }) => {
  await thumb(page, 'rice-pot');
  const names = () => page.locator('.choice strong').allInnerTexts();
  expect((await names())[0]).toBe('Solid-state relay');
  await page.getByText('Your order of wishes').click();
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'Earlier: cheap' }).click();
  await expect(page.locator('.wishes li').first()).toContainText('cheap');
  await expect.poll(names).toEqual(expect.arrayContaining(['Optocoupler', 'Solid-state relay']));
  await undo(page).click();
  await expect(page.locator('.wishes li').first()).not.toContainText('cheap');
});

test('with several controls each may be pressed; a decoded pad packs its injector', async ({ page }) => {
  await demoKept(page, '/job/demo-cold-room-alarm/thumb');
  await page.getByRole('button', { name: 'Press “test” as well' }).click();
  await expect(page.getByRole('heading', { name: /across test/ })).toBeVisible();
  await within(page, '/job/demo-dough-proofer/thumb');
  await room(page, 'Pack');
  await page.getByRole('button', { name: 'key_injector.v', exact: true }).click();
  await expect(page.locator('.preview')).toContainText('module key_injector');
});
