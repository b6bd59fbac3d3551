import { expect, test } from './profile';
import { bead, choose, complaints, enter, kept, newJob, room, savedText, settled } from './steps';

test('a job with nothing to press: a machine behind a bought switch is listened to, from an empty shelf to its program', async ({
  page,
}) => {
  const heard = complaints(page);
  await newJob(page, { title: 'Glass washer', outcome: 'it is told when it is done', when: 'when its draw falls' });
  await choose(page, 'It', 'only listens, counts or tells');
  await page.getByLabel('mains inside').check();
  await settled(page);
  for (const r of ['Probe', 'Thumb', 'Routine'] as const) await expect(bead(page, r)).toHaveAccessibleName(/settled/);

  await room(page, 'Board');
  await choose(page, 'Controller', 'bought plug-in switch with meter');
  await settled(page);
  await expect(page.locator('section.know')).toContainText('which closes the contact differs from one bought switch');
  await page.getByRole('tab', { name: 'boards' }).click();
  await page.getByRole('button', { name: 'copy this board, to change it' }).click();
  await settled(page);
  await choose(page, 'When mains comes back it is', 'closed');
  await enter(page, 'Its contact bears', '16 A');
  // What contradicts itself is named, and nothing is lost.
  await enter(page, 'and as it closes', '4 A');
  await expect(page.getByText(/bears less as it closes/).first()).toBeVisible();
  await enter(page, 'and as it closes', '30 A');
  await settled(page);
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/feeds itself: settled/);

  await room(page, 'Sense');
  await expect(page.getByRole('heading', { name: 'What is listened to?' })).toBeVisible();
  await page.getByRole('button', { name: 'one more sense' }).click();
  const sense = page.locator('[data-sense=sense]');
  await enter(sense, 'Called', 'its draw');
  await choose(page, 'It is', 'a current in a lead');
  await settled(page);
  await room(page, 'Guard');
  await settled(page);
  await expect(page.locator('section.know')).toContainText('Where the wires of its draw go was not said');
  await room(page, 'Sense');
  await choose(page, 'Its wires go to', /the module’s own/);
  await choose(page, 'It is', 'the watts of a meter');
  await choose(page, 'It tells', 'the work');
  await settled(page);
  // A number says nothing by itself; a threshold by hand is a guess until it is recorded.
  await expect(bead(page, 'Sense')).toHaveAccessibleName(/no threshold/);
  await page.getByRole('button', { name: 'write a threshold by hand' }).click();
  await settled(page);
  await expect(bead(page, 'Sense')).toHaveAccessibleName(/by hand: tight/);
  await expect(bead(page, 'Board')).toHaveAccessibleName(/its own meter: settled/);

  // The machine hangs behind the contact though nothing presses it.
  await room(page, 'Guard');
  await settled(page);
  await expect(page.locator('section.know')).toContainText('The machine hangs behind its contact');
  await enter(page, 'Load, from its rating plate', '4000 W');
  await choose(page, 'Kind of load', 'resistive');
  await expect(bead(page, 'Guard')).toHaveAccessibleName(/stop/);
  await enter(page, 'Load, from its rating plate', '2600 W');
  await expect(bead(page, 'Guard')).not.toHaveAccessibleName(/stop/);
  await page.getByRole('button', { name: 'It is closed again' }).first().click();

  await room(page, 'Act');
  await expect(page.getByRole('heading', { name: 'What is told' })).toBeVisible();
  await room(page, 'Pack');
  await settled(page);
  expect(await savedText(page, 'gentle_thumb.c')).toContain('stays closed');
  await kept(page);
  expect(heard).toEqual([]);
});

test('a press without a button: a valve is said by its plate, wired, held against its volts and packed', async ({
  page,
}) => {
  const heard = complaints(page);
  await newJob(page, { title: 'Ice-bath fill valve', outcome: 'it fills', when: 'at six', never: 'stay open' });
  await page.getByLabel('water near a supply').check();
  await room(page, 'Thumb');
  await page.getByRole('button', { name: 'move something without a button' }).click();
  await settled(page);
  await expect(bead(page, 'Probe')).toHaveAccessibleName(/nothing to read: settled/);
  await page
    .getByRole('button', { name: /Relay contact/ })
    .first()
    .click();
  await settled(page);
  await enter(page, 'This press is called', 'valve');
  await expect(page.getByRole('heading', { name: 'Relay contact: valve' })).toBeVisible();

  await room(page, 'Guard');
  await settled(page);
  await enter(page, 'Load, from its rating plate', '240 W');
  await choose(page, 'Kind of load', 'resistive');
  await settled(page);
  await expect(page.locator('section.know')).toContainText('on how many volts does it run');
  // Few volts are many amperes: 20 A on a contact of 10 A.
  await enter(page, 'It runs on', '12 V');
  await settled(page);
  await expect(bead(page, 'Guard')).toHaveAccessibleName(/stop/);
  await enter(page, 'Load, from its rating plate', '9 W');
  await settled(page);

  await room(page, 'Board');
  await settled(page);
  await page
    .getByRole('button', { name: /^Use pin / })
    .first()
    .click();
  await settled(page);
  await room(page, 'Act');
  await settled(page);
  await page
    .getByRole('button', { name: /^Press for / })
    .first()
    .click();
  await settled(page);
  await room(page, 'Pack');
  await settled(page);
  expect(await savedText(page, 'gentle_thumb.c')).toContain('/* valve */');
  expect(await savedText(page, 'wires.csv')).toContain('valve A');
  await kept(page);
  expect(heard).toEqual([]);
});
