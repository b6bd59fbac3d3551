import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { accessible, demoKept, undo, within } from './steps';

const know = (page: Page) => page.getByRole('region', { name: 'Know' });
/** Types into a field and keeps it. */
async function set(
  page: Page,
  name: string,
  text: string,
  at = page.locator('[data-loop], [data-amount]').first(),
): Promise<void> {
  const box = at.getByLabel(name, { exact: true });
  await box.fill(text);
  await box.press('Enter');
}

test('a loop runs by its own rules, past what may never be passed it is a stop, and its cleaning switch is a mode', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-proving-cabinet/routine?part=loops');
  await expect(page.getByRole('img', { name: /proving over some days: between 19.5 and/ })).toBeVisible();
  await expect(know(page).getByText(/its own regulator in series opens at 32 °C/)).toBeVisible();
  await set(page, 'Never over', '28 °C');
  await expect(know(page).getByText(/comes to .* and it may never be over 28 °C/)).toBeVisible();
  await undo(page).click();
  await set(page, 'Dead time', '0 s');
  await expect(know(page).getByText(/How long proving goes on after it is switched was not said/)).toBeVisible();
  await undo(page).click();
  await accessible(page, 'warmth');

  await page.getByRole('tab', { name: 'year' }).click();
  await page.getByRole('button', { name: 'run ten years' }).click();
  await expect(page.locator('[data-years]')).toContainText('156');
  await expect(page.getByRole('img', { name: /A dial of the day/ })).toBeVisible();

  await within(page, '/job/demo-proving-cabinet/board?view=hands');
  await page.getByRole('button', { name: 'mode switch' }).click();
  await expect(
    know(page)
      .getByText(/mode switch puts no mode on yet/)
      .first(),
  ).toBeVisible();
});

test('litres over a flow that was poured are seconds, and what runs over is a stop', async ({ page }) => {
  await demoKept(page, '/job/demo-ice-bath-valve/routine?part=loops');
  await set(page, 'More than this never fits', '47 l');
  await expect(know(page).getByText(/what one opening brings at the most/)).toBeVisible();
  await undo(page).click();
  await page.getByRole('button', { name: 'one more trial' }).click();
  await set(page, 'Seconds 4', '40 s');
  await expect(
    know(page)
      .getByText(/and “fill” opens it for|what one opening brings/)
      .first(),
  ).toBeVisible();
  await undo(page).click();
  await undo(page).click();
  await accessible(page, 'amounts');
});

test('a logged temperature is taken over as a loop', async ({ page }) => {
  await demoKept(page, '/job/demo-proving-cabinet/sense?part=recordings');
  await page.getByRole('button', { name: 'it warmed: take it as a loop' }).click();
  await expect(page.getByText(/Taken: Routine has the loop/)).toBeVisible();
});
