import { expect, test } from '@playwright/test';
import { answerMains, bead, complaints, kept, measureAll, newJob, planThePress, room, textOf } from './steps';

test('a newcomer without hardware walks the whole way on the stand-in', async ({ page }) => {
  const heard = complaints(page);
  await newJob(page, {
    title: 'Practice pot',
    outcome: 'it starts by itself',
    when: 'at noon',
    never: 'start empty',
    standin: true,
  });
  await page.getByLabel('mains inside').check();
  await page.getByLabel('heat while nobody watches').check();

  await room(page, 'Probe');
  await page.getByLabel('Name of the control').fill('start');
  await page.getByRole('button', { name: 'Name it' }).click();
  await answerMains(page);
  expect(await measureAll(page)).toBeLessThanOrEqual(20);
  await expect(page.locator('main').getByText('start is known; no reading is worth another touch')).toBeVisible();
  await expect(bead(page, 'Probe')).toHaveAccessibleName(/settled\. low when pressed/);

  await planThePress(page);

  await room(page, 'Try');
  await page.getByRole('button', { name: 'As expected', exact: true }).click();
  for (const step of ['dummy-load', 'restarts', 'one-press', 'many-presses', 'hand-switch']) {
    await expect(page.locator(`[data-step="${step}"]`)).toBeVisible();
    await page.getByRole('button', { name: 'Run it on the stand-in' }).click();
  }
  await expect(page.getByRole('cell', { name: /on the stand-in/ })).toHaveCount(5);
  // What a stand-in did is a rehearsal: it signs nothing off.
  await expect(bead(page, 'Try')).toHaveAccessibleName(/1 of 8 passed, 5 rehearsed/);
  await page.locator('.steps button', { hasText: 'Sign off' }).click();
  await expect(page.getByRole('button', { name: 'As expected', exact: true })).toBeDisabled();

  await room(page, 'Pack');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save log.md' }).click();
  expect(await textOf(await waiting)).toContain('from the stand\\-in');
  await kept(page);

  // It is all still there after a reload.
  await page.reload();
  await expect(bead(page, 'Try')).toHaveAccessibleName(/1 of 8 passed, 5 rehearsed/);
  expect(heard).toEqual([]);
});
