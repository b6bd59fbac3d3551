import { expect, test } from '@playwright/test';
import { bead, newJob, room, say } from './steps';

test('a plug that goes in one way and no insulation tester: read both ways round, and kept apart', async ({ page }) => {
  await newJob(page, { title: 'Bread oven' });
  await room(page, 'Probe');
  await say(
    page,
    'mains plug one-way',
    'mains switch none',
    'mains earth nowhere',
    'control start',
    'ground to mains off >20M',
    'start A to ground off 12.9k',
    'start A-B off 12.8k',
    'start B to ground off 0.1 ohm',
    'ground to earth on 0.3 VAC',
  );
  const title = page.locator('[data-next-title]');
  await expect(title).toContainText(/insulation/i);
  await page.getByRole('button', { name: 'Nobody here has such a tester: go on' }).click();
  // Ohms alone have to tell now: each point by itself, and both ways round.
  await expect(title).toContainText('A to live and neutral');
  await say(page, 'start A to mains off >20M', 'mains to ground off >20M');
  await expect(title).toContainText(/live and neutral.* to A/);
  await say(page, 'start mains to A off >20M');
  await expect(
    page
      .locator('main')
      .getByText(/isolated from mains as far as low voltage tells/)
      .first(),
  ).toBeVisible();
  await expect(title).not.toContainText(/insulation|live and neutral/i);
  await expect(bead(page, 'Probe')).not.toHaveAccessibleName(/settled/);
});
