import { expect, test } from './profile';
import { accessible, complaints, demoKept, within } from './steps';

const PART = '/job/demo-rice-pot/pack?part=rehearsal';

test('the packed file presses as the plan has it, and a program of one’s own is told where it breaks off', async ({
  page,
}) => {
  const heard = complaints(page);
  await demoKept(page);
  await within(page, PART);
  const verdict = page.locator('[data-verdict]');
  await page.getByRole('button', { name: 'Rehearse main.py for a day' }).click();
  await expect(verdict).toHaveText('main.py ran for a whole day: its one press came when the plan has it.');
  await expect(page.getByRole('row', { name: /start 10:40:00\.000, 0\.18 s 10:40:00\.000, 0\.18 s/ })).toBeVisible();
  await expect(page.getByText('rice-pot/online: yes, kept')).toBeVisible();
  await accessible(page, 'rehearsal');

  const own = async (name: string, text: string): Promise<void> => {
    const picking = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'rehearse a program of your own' }).click();
    await (await picking).setFiles({ name, mimeType: 'text/x-python', buffer: Buffer.from(text) });
  };
  await own('mine.py', 'import time\nimport wonder\n');
  await expect(verdict).toContainText('mine.py ended at 00:00:00.000: ImportError');
  await expect(verdict).toContainText('line 2');
  await expect(page.locator('pre').first()).toHaveText('2  import wonder');
  await own('idle.py', 'import time\nwhile True:\n    time.sleep(3600)\n');
  await expect(verdict).toContainText('idle.py and the plan part at 10:40:00.000: start is to be pressed then');
  // What never comes back is ended by a press.
  await own('hangs.py', 'while True:\n    pass\n');
  await page.getByRole('button', { name: 'stop', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Rehearse main.py for a day' })).toBeEnabled();
  await page.getByRole('tab', { name: 'files' }).click();
  await page.getByRole('button', { name: 'main.py', exact: true }).click();
  await expect(page.getByText('It runs by itself as main.py')).toBeVisible();
  // A sheet is read as it will be printed.
  await page.getByRole('button', { name: 'programming.html', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Before it is fitted' })).toBeVisible();
  await expect(page.getByText('“rice-pot is in charge” means that the program is in charge.')).toBeVisible();
  await accessible(page, 'a sheet');
  expect(heard).toEqual([]);
});
