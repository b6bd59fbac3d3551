import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { accessible, demoKept, undo } from './steps';

const know = (page: Page) => page.getByRole('region', { name: 'Know' });

test('rules are said as one says them, told before Enter, and a year shows who holds whom back', async ({ page }) => {
  await demoKept(page, '/job/demo-hatch-shutter/routine');
  const rules = page.locator('[data-rule]');
  await expect(rules).toHaveCount(5);
  const box = page.getByLabel('Say a rule');
  await box.fill('sometimes open');
  await expect(page.getByText(/Not understood yet/)).toBeVisible();
  // What is not understood stays where it was typed.
  await box.press('Tab');
  await expect(box).toHaveValue('sometimes open');
  await expect(page.getByText(/Not understood yet/)).toBeVisible();
  await box.fill('close at half past nine in the evening unless away');
  await expect(page.getByText('Enter adds: At 21:30 on every day, unless “away” is on: “close”.')).toBeVisible();
  await box.press('Enter');
  await expect(rules).toHaveCount(6);
  await expect(rules.last()).toContainText('At 21:30 on every day, unless “away” is on: “close”.');
  await undo(page).click();
  await expect(rules).toHaveCount(5);

  // Slots of the same rule: the sun, and what becomes of it when it is held back.
  const sunset = page.locator('[data-rule="3"]');
  await sunset.getByLabel('later by').fill('45 min');
  await sunset.getByLabel('later by').press('Enter');
  await expect(sunset).toContainText('At 45 min after sunset, not before 18:00');

  await page.getByRole('tab', { name: 'year' }).click();
  const chart = page.getByRole('slider', { name: 'Day of the year' });
  await expect(chart).toBeVisible();
  await expect(know(page).getByText(/comes to nothing \d+ times in the year: it is held back by rule 5/)).toBeVisible();
  const before = await chart.getAttribute('aria-valuenow');
  await chart.focus();
  await page.keyboard.press('ArrowRight');
  await expect(chart).not.toHaveAttribute('aria-valuenow', before!);
  await page
    .getByRole('button', { name: /^show 20/ })
    .first()
    .click();
  await expect(page.locator('[data-day]')).toContainText('is held back, by rule 5');
  await accessible(page, 'the year');

  await page.getByRole('button', { name: 'try its whole range' }).click();
  await expect(know(page).getByText(/^Least is lost from/)).toBeVisible();
});

test('modes, limits and a calendar: a limit that cuts a move off is a stop, a file is read, a broken one is refused in words', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-hatch-shutter/routine?part=modes');
  await expect(know(page).getByText(/lasts at most 25 s: runs and the packed program keep this/)).toBeVisible();
  const longest = page.locator('[data-limit="longest-on"]');
  await longest.getByLabel('for', { exact: true }).fill('5 s');
  await longest.getByLabel('for', { exact: true }).press('Enter');
  await expect(know(page).getByText(/would be cut off and call for help each time/)).toBeVisible();
  await undo(page).click();
  await page.getByRole('button', { name: 'one more limit' }).click();
  await page.locator('[data-limit]').last().getByRole('combobox', { name: 'Limit' }).click();
  await page.getByRole('option', { name: 'a move starts only if armed' }).click();
  await expect(know(page).getByText(/nothing that arms is on a pin/)).toBeVisible();

  await page.getByRole('tab', { name: 'place, calendar' }).click();
  const bring = async (name: string, text: string): Promise<void> => {
    const chosen = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'bring an iCalendar file' }).click();
    await (await chosen).setFiles({ name, mimeType: 'text/calendar', buffer: Buffer.from(text) });
  };
  await bring('broken.ics', 'BEGIN:VCALENDAR\r\nnonsense');
  await expect(page.getByRole('alert').filter({ hasText: 'broken.ics' })).toContainText('Nothing was changed');
  const day = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '');
  await bring(
    'deliveries.ics',
    `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nSUMMARY:bread comes\r\nDTSTART:${day}T063000Z\r\n` +
      'RRULE:FREQ=DAILY;COUNT=5\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
  );
  await expect(page.getByRole('cell', { name: 'bread comes' })).toHaveCount(5);
  await accessible(page, 'the calendar');
});
