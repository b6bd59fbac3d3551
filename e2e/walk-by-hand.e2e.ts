import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from './profile';
import { answerMains, bead, complaints, enter, kept, newJob, planThePress, room, takeReading } from './steps';

test('the rice pot from an empty shelf to the downloaded zip, typed and clicked', async ({ page }) => {
  const heard = complaints(page);
  await page.goto('/');
  await expect(page.getByText('No machine on the shelf yet')).toBeVisible();
  await newJob(page, {
    title: 'Rice pot',
    outcome: 'the pot starts by itself',
    when: 'before lunch on weekdays',
    never: 'start empty',
  });

  await page.getByLabel('mains inside').check();
  await page.getByLabel('heat while nobody watches').check();
  await page.getByLabel('Where does it stand?').fill('Marrow Street Kitchen');
  await page.getByLabel('Where does it stand?').press('Tab');
  await expect(bead(page, 'Wish')).toHaveAccessibleName(/settled/);

  await room(page, 'Probe');
  await page.getByLabel('Name of the control').fill('start');
  await page.getByRole('button', { name: 'Name it' }).click();
  await answerMains(page);
  // A slip of the finger is named by its place, and nothing is lost.
  await page.locator('[data-next-reading]').fill('2o M');
  await page.locator('[data-next-reading]').press('Enter');
  await expect(page.getByRole('alert')).toContainText('Not understood at character 2');
  await expect(page.locator('[data-next-title]')).toHaveText(/ground to live and neutral/);
  await page.locator('[data-next-reading]').fill('');
  await page.getByRole('button', { name: 'over range' }).click();
  // What leads to the ground is apart with it: neither terminal is read against the pins.
  await takeReading(page, /at A to ground/, '12.9k');
  await takeReading(page, /A to B/, '12.8k');
  await takeReading(page, /AC volts ground to earth/, '0.3');
  await takeReading(page, /AC volts ground to earth.*turned/, '0.4');
  await expect(
    page.locator('main').getByText('start is isolated from mains, as far as these readings tell'),
  ).toBeVisible();
  // The rest by the note line, in the maker's own words.
  const note = page.getByLabel('Note line');
  for (const [line, understood] of [
    ['start look springs back', 'eye and finger, springs back'],
    ['start B to ground off 0.1 ohm', 'B to ground, unplugged, 0.1 Ω'],
    ['start A idle 4.98 V', 'A to ground, nobody presses, 4.98 V DC'],
    ['start short 0.498 mA', 'A shorted to B'],
    ['start A-B pressed 0.4 ohm', 'A to B, held pressed'],
    ['start A neighbour 4.98 V', 'A to ground, a neighbour held'],
    ['note: foam behind the board', 'a remark for the log'],
  ] as const) {
    await page.keyboard.press('Escape');
    await page.locator('h2').first().click();
    await page.keyboard.press('/');
    await note.fill(line);
    await expect(page.locator('#note-understood')).toContainText(understood);
    await note.press('Enter');
  }
  await expect(page.locator('main').getByText(/start is low when pressed/)).toBeVisible();
  await expect(bead(page, 'Probe')).toHaveAccessibleName(/low when pressed: settled/);
  await note.press('Escape');

  // A number opens: formula, numbers, where each comes from; Esc closes it.
  await page
    .getByRole('button', { name: /Ω: why\?/ })
    .first()
    .click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('measured');
  await expect(sheet.locator('math')).not.toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();

  await planThePress(page);

  await room(page, 'Try');
  await enter(page, 'Who tests?', 'the morning cook');
  const steps = page.locator('.steps button');
  // Each press, sense and hand by itself, in safe order; the arm switch and the contact at rest among them.
  await expect(steps.filter({ hasText: /one-shot ends a press|tells both ways|lets a start go/ })).toHaveCount(3);
  const now = page.locator('section.now');
  for (let left = await steps.count(); left > 0; left--) {
    const step = await now.getAttribute('data-step');
    const all = page.getByRole('button', { name: /^All \d+ left/ });
    if (await all.isVisible()) await all.click();
    else await page.getByRole('button', { name: 'As expected', exact: true }).click();
    await expect(now).not.toHaveAttribute('data-step', step!);
  }
  await expect(
    page.locator('main').getByRole('heading', { name: /Every step passed on the machine; signed by the morning cook/ }),
  ).toBeVisible();
  await expect(bead(page, 'Try')).toHaveAccessibleName(/signed off/);
  // A one-shot fires at each edge: that a restart loop was tried is said as well.
  await room(page, 'Guard');
  // What was ticked before moves and rules were there rests on others now, and is looked at again.
  for (const box of await page.locator('main mat-checkbox input').all()) await box.check();
  await page.getByRole('button', { name: 'It was tried' }).first().click();
  // Nobody said yet, as a condition, what must never happen.
  await expect(bead(page, 'Guard')).toHaveAccessibleName(/nothing to drill for: not yet known/);

  await room(page, 'Pack');
  // What Guard still asks, Pack says as well.
  await expect(bead(page, 'Pack')).toHaveAccessibleName(/1 still open/);
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save all as one zip' }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe('rice-pot.zip');
  const folder = mkdtempSync(join(tmpdir(), 'gt-walk-'));
  try {
    await download.saveAs(join(folder, 'all.zip'));
    execFileSync('unzip', ['-q', 'all.zip'], { cwd: folder });
    const job = JSON.parse(readFileSync(join(folder, 'rice-pot.job.json'), 'utf8')) as {
      readings: unknown[];
      trials: unknown[];
      log: { text: string }[];
    };
    expect(job.readings).toHaveLength(11);
    expect(job.trials).toHaveLength(11);
    expect(job.log.some((e) => e.text === 'foam behind the board')).toBe(true);
    expect(readFileSync(join(folder, 'gentle_thumb.c'), 'utf8')).toMatch(/\{ 5, 1 \}, {3}\/\* start \*\//);
    expect(readFileSync(join(folder, 'log.md'), 'utf8')).toContain('foam behind the board');
    expect(readFileSync(join(folder, 'wires.csv'), 'utf8')).toContain('start A');

    // What left comes back: the same job on another shelf, identical.
    await kept(page);
    await page.goto('/');
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'open a file' }).click();
    await (await chooser).setFiles(join(folder, 'rice-pot.job.json'));
    await expect(page.getByRole('status')).toContainText('already on the shelf, just as in the file');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  expect(heard).toEqual([]);
});
