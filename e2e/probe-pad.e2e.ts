import { expect, test } from './profile';
import { choose, isolated, newJob, part, room, say, undo } from './steps';

test('a pad is mapped by the beeper on its tail, and an odd ring is named', async ({ page }) => {
  await newJob(page, { title: 'Little pad' });
  await room(page, 'Probe');
  await part(page, 'keypad');
  await page.getByLabel('Keys, row by row').fill('up down\non .');
  await page.getByRole('button', { name: 'Draw it' }).click();
  const join = async (key: string, a: string, b: string): Promise<void> => {
    await choose(page, 'While held', new RegExp(`^${key}$`));
    await page.getByLabel('pin', { exact: true }).fill(a);
    await page.getByLabel('beeps to pin').fill(b);
    await page.getByRole('button', { name: 'Note it' }).click();
  };
  await join('up', '1', '1');
  await expect(page.getByRole('alert')).toContainText('two different pins');
  await join('up', '1', '4');
  await join('down', '1', '5');
  await join('on', '2', '4');
  await expect(page.getByRole('img', { name: /up joins 1 and 4, down joins 1 and 5, on joins 2 and 4/ })).toBeVisible();
  await expect(page.locator('main').getByText('3 of 3 keys have their two lines')).toBeVisible();
  await join('on', '4', '5');
  await expect(page.getByRole('alert')).toContainText('odd ring');
  await undo(page).click();
  await expect(page.getByRole('alert')).toBeHidden();
});

test('hands busy, a look is answered by a digit and a number by the pedal; every answer is kept once', async ({
  page,
}) => {
  await newJob(page, { title: 'Busy hands' });
  await room(page, 'Probe');
  await say(page, ...isolated('heat'));
  await expect(page.locator('[data-next-title]')).toContainText('Look at heat');
  await page.locator('h2').first().click();
  await page.keyboard.press('b');
  await expect(page.locator('gt-job-frame')).toHaveClass(/busy/);
  await page.keyboard.press('1');
  await expect(page.locator('[data-next-title]')).not.toContainText('Look');
  await expect(page.locator('#room')).toHaveAttribute('aria-busy', 'false');
  await page.keyboard.type('0.2');
  await page.keyboard.press('PageDown');
  await expect(page.getByText('7 taken')).toBeVisible();
  await page.keyboard.press('Escape');
  await undo(page).click();
  await expect(page.getByText('6 taken')).toBeVisible();
});
