import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import {
  accessible,
  addToTree,
  bead,
  choose,
  complaints,
  demoKept,
  enter,
  kept,
  settled,
  textOf,
  undo,
  unfold,
  within,
} from './steps';

const open = async (page: Page, job: string, view = ''): Promise<void> => {
  await demoKept(page, `/job/demo-${job}/feed${view ? `?view=${view}` : ''}`);
};
const part = (page: Page, id: string) => page.locator(`[data-node="${id}"]`);
const finding = (page: Page, words: RegExp) =>
  page.getByRole('region', { name: 'Know' }).locator('li', { hasText: words });

test('a linear regulator across 31 V is a stop, and one press makes it a step-down converter that settles it', async ({
  page,
}) => {
  const heard = complaints(page);
  await open(page, 'hood-fan');
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/stop/);
  await expect(part(page, 'regulator')).toHaveAccessibleName(/stop$/);
  // The heat opens to its arithmetic.
  await finding(page, /Heat of the regulator (?!on)/)
    .first()
    .getByRole('button', { name: /why/ })
    .click();
  await expect(page.getByRole('dialog')).toContainText('heat in the regulator');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Make it a step-down converter' }).first().click();
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/spare: settled/);
  await undo(page).click();
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/stop/);
  expect(heard).toEqual([]);
});

test('eight flaps at once are too many; the group that holds is one press away and stays after a reload', async ({
  page,
}) => {
  await open(page, 'steam-flaps', 'time');
  await enter(page, 'Start at once', '8');
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/stop/);
  await expect(finding(page, /8 start at once and no more than \d may/)).toBeVisible();
  await page
    .getByRole('button', { name: /^Start \d at once, 500 ms apart/ })
    .first()
    .click();
  await expect(bead(page, 'Feed')).not.toHaveAccessibleName(/stop/);
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Start at once', { exact: true })).not.toHaveValue('8');
  await expect(page.locator('[data-curve]')).toHaveAccessibleName(/Current out of the supply over .*least 4\.8 V/);
});

test('a group that two moves of Act keep is told once it starts otherwise, and a step is changed and undone', async ({
  page,
}) => {
  await open(page, 'steam-flaps', 'time');
  await unfold(page);
  await expect(finding(page, /open the row. and .close the row. start them so, in run and program/)).toBeVisible();
  await enter(page, 'Start at once', '1');
  await expect(finding(page, /“open the row” starts 2 of them within 500 ms, and the group says 1/)).toBeVisible();
  await undo(page).click();
  await within(page, '/job/demo-steam-flaps/act');
  const third = page.getByRole('button', { name: /^And with it, step 3/ });
  await expect(third).toHaveText('and flap.2 and 2 more');
  await third.click();
  await page.getByRole('menuitemcheckbox', { name: 'not flap.4' }).click();
  await expect(third).toHaveText('and flap.2 and flap.3');
  await undo(page).click();
  await expect(third).toHaveText('and flap.2 and 2 more');
});

test('a tree is built from what one has: rail, regulator, lead and a load of its own, taken apart and put back', async ({
  page,
}) => {
  await open(page, 'rice-pot');
  await part(page, 'supply').click();
  await addToTree(page, 'step-down');
  await expect(part(page, 'step-down')).toBeVisible();
  await choose(page, 'It hangs on', 'lead, 5 V');
  await enter(page, 'Set to', '3.3 kg');
  await expect(page.getByRole('alert')).toBeVisible();
  await enter(page, 'Set to', '3.3 V');
  // What hangs at the end of the tree hangs behind it now, and the board does not run from that.
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/stop/);
  await part(page, 'controller').click();
  await choose(page, 'It hangs on', 'lead, 5 V');
  await unfold(page);
  await expect(finding(page, /Least voltage at the Wi-Fi module/)).toBeVisible();
  await addToTree(page, 'load');
  await enter(page, 'Called', 'fan of the box');
  await enter(page, 'Runs from', '3 V');
  await enter(page, 'and bears', '3.6 V');
  await choose(page, 'It hangs on', 'step-down, 3.3 V');
  await unfold(page);
  await expect(finding(page, /Least voltage at the fan of the box/).first()).toBeVisible();
  await part(page, 'step-down').click();
  await page.getByRole('button', { name: 'take it away: step-down' }).click();
  // It falls to what is left of the tree, which is too much for it, and is told so.
  await expect(finding(page, /Highest voltage at the fan of the box/).first()).toBeVisible();
  await page.locator('.undo-bar, mat-snack-bar-container').getByRole('button', { name: 'undo' }).click();
  await expect(part(page, 'step-down')).toBeVisible();
});

test('cells tell how long they last, and a chip that does not bear fresh ones is a stop', async ({ page }) => {
  await open(page, 'cold-room-alarm', 'cells');
  const life = page.locator('[data-life]');
  await expect(life).toContainText(/two cells: [\d.]+ to [\d.]+ months/);
  const before = await life.innerText();
  await enter(page, 'Wakes in a day', '260');
  await expect(life).not.toHaveText(before);
  await expect(life).toContainText(/days/);
  await page.getByRole('tab', { name: 'tree' }).click();
  await part(page, 'cells').click();
  await choose(page, 'Cells of', /^lithium-ion/);
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/stop/);
});

test('grounds of two supplies are read before they are joined; leads and changes of cells leave with the pack', async ({
  page,
}) => {
  await open(page, 'steam-flaps');
  await addToTree(page, 'plug-in supply');
  await enter(page, 'The supply gives', '5 V');
  await enter(page, 'and at most', '2 A');
  await part(page, 'controller').click();
  await choose(page, 'It hangs on', /^plug-in supply 2/);
  await expect(finding(page, /grounds of plug-in supply 2 and plug-in supply are to be joined/)).toBeVisible();
  await page.getByRole('tab', { name: /^leads and grounds/ }).click();
  await enter(page, 'Between them across 1 kΩ', '12 mV');
  await unfold(page);
  await expect(finding(page, /Between the grounds of plug-in supply 2 and plug-in supply/)).toBeVisible();
  await within(page, '/job/demo-cold-room-alarm/pack');
  await settled(page);
  await page.getByRole('button', { name: 'cells.ics', exact: true }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save cells.ics' }).click();
  expect(await textOf(await waiting)).toContain('RRULE:FREQ=MONTHLY');
});

for (const [width, light] of [
  [1280, 'light'],
  [390, 'dark'],
] as const)
  test(`every view of Feed passes the accessibility rules, ${width} wide, ${light}`, async ({ page }) => {
    await page.setViewportSize({ width, height: 844 });
    await page.emulateMedia({ colorScheme: light });
    await demoKept(page);
    for (const [job, view] of [
      ['hood-fan', ''],
      ['steam-flaps', 'time'],
      ['steam-flaps', 'leads'],
      ['cold-room-alarm', 'cells'],
    ] as const) {
      await within(page, `/job/demo-${job}/feed${view ? `?view=${view}` : ''}`);
      await settled(page);
      if (!view) await part(page, 'regulator').click();
      await accessible(page, `${job} ${view}`);
      const spills = await page.evaluate(() => document.documentElement.scrollWidth > innerWidth);
      expect(spills, `${job} ${view}`).toBe(false);
    }
  });
