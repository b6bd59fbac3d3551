import { expect, test } from './profile';
import { bead, newJob, room, say, settled } from './steps';

test('a plug that goes in one way and no insulation tester: read past a battery both ways round, and kept apart', async ({
  page,
}) => {
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
  // Ohms leave junctions in a row unseen: a battery in series with the meter tells, once its leads are shown to be on.
  const question = page.locator('[data-mains-question]');
  await expect(question).toContainText('battery');
  const tips = question.getByLabel('The battery in series, tips touching');
  await tips.fill('92 V');
  await tips.press('Enter');
  await expect(question.getByRole('alert')).toContainText('is the machine unplugged?');
  await tips.fill('9.2');
  await tips.press('Enter');
  await expect(title).toContainText('Volts past the battery, ground to live and neutral');
  const answer = page.locator('[data-next-reading]');
  for (const shown of ['0.06', '0.05', '0.06', '0.05']) {
    const before = await page.locator('main').innerText();
    await answer.fill(shown);
    await answer.press('Enter');
    await expect.poll(() => page.locator('main').innerText()).not.toBe(before);
    await settled(page);
  }
  await expect(
    page
      .locator('main')
      .getByText(/isolated from mains as far as low voltage tells/)
      .first(),
  ).toBeVisible();
  await expect(title).not.toContainText(/insulation|live and neutral/i);
  await expect(bead(page, 'Probe')).not.toHaveAccessibleName(/settled/);
});
