import { expect, test } from './profile';
import { choose, complaints, demoKept, enter, kept, room, savedText, settled, undo } from './steps';

const COASTS = 'Turns on after power is off';

test('seven more like one: added at once, edited as one, taken back at once, each to be read by itself', async ({
  page,
}) => {
  const heard = complaints(page);
  await demoKept(page, '/job/demo-hatch-shutter/probe');
  await page.locator('[data-alike] summary').click();
  await enter(page, 'How many more like motor', '7');
  await page.getByRole('button', { name: 'Add them' }).click();
  await settled(page);
  await choose(page, 'Control', 'motor 8');
  await expect(page.locator('[data-like]')).toContainText('Taken to be like motor');
  await expect(page.locator('section.know')).toContainText('motor 8 is taken to be like motor; nothing was read of it');
  // Whether it is tied to mains is asked of itself.
  await expect(page.locator('gt-next-sheet')).toBeVisible();

  await room(page, 'Thumb');
  await settled(page);
  const presses = page.getByRole('group', { name: 'Presses of this job' }).locator('[data-press]');
  await expect(presses).toHaveCount(8);
  await enter(page, COASTS, '0.9 s');
  await settled(page);
  // The last one has it as well, until it differs.
  await presses.last().click();
  await expect(page.getByLabel(COASTS)).toHaveValue('900 ms');
  await undo(page).click();
  await settled(page);
  await expect(page.getByLabel(COASTS)).toHaveValue('400 ms');
  await undo(page).click();
  await settled(page);
  await expect(presses).toHaveCount(1);
  await kept(page);
  expect(heard).toEqual([]);
});

test('a contact at the far end holds a shutter until it is there; a cup is taken for what is said', async ({
  page,
}) => {
  const heard = complaints(page);
  await demoKept(page, '/job/demo-hatch-shutter/sense');
  await page.getByRole('button', { name: /One contact at the far end/ }).click();
  await settled(page);
  await expect(page.locator('section.know')).toContainText('tells that the machine stands at its far end (open)');

  await room(page, 'Act');
  await settled(page);
  await page.getByRole('button', { name: /look, press, look again, call/ }).click();
  await settled(page);
  await expect(page.locator('section.know')).toContainText('“open” does it from each of');
  const lanes = page.locator('svg.lanes');
  await expect(lanes).toHaveAttribute('aria-label', /goes closed, opening, open/);

  // What is no state of the machine has to be said to a run.
  await room(page, 'Sense');
  await page.getByRole('button', { name: 'one more sense' }).click();
  const sense = page.locator('[data-sense=sense]');
  await expect(sense.locator('[data-states]').getByRole('button')).toHaveCount(5);
  await enter(sense, 'Which is', 'a cup stands there');
  await choose(page, 'Runs take it for', /^so$/);
  await settled(page);
  await sense.locator('[data-states]').getByRole('button', { name: 'open', exact: true }).click();
  await settled(page);
  await expect(page.getByLabel('Runs take it for')).toHaveCount(0);
  await kept(page);
  expect(heard).toEqual([]);
});

test('a lamp that a move looks at does not cost the program: it is a function to fill in', async ({ page }) => {
  await demoKept(page, '/job/demo-rice-pot/sense');
  await choose(page, 'It is', 'a lamp that is read by its light');
  await room(page, 'Act');
  await settled(page);
  await page.getByRole('button', { name: /look, press, look again, call/ }).click();
  await settled(page);
  await room(page, 'Pack');
  await settled(page);
  await expect(page.locator('section.know')).toContainText('fill it in as gt_read_sense');
  expect(await savedText(page, 'gentle_thumb.h')).toContain('int gt_read_sense(int sense);');
});
