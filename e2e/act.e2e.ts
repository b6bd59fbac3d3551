import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import {
  accessible,
  choose,
  complaints,
  demoKept,
  dropFault,
  enter,
  kept,
  savedText,
  settled,
  undo,
  within,
} from './steps';

const open = async (page: Page, job: string, view = ''): Promise<void> => {
  await demoKept(page, `/job/demo-${job}/act${view ? `?view=${view}` : ''}`);
};
const stories = (page: Page) => page.locator('[data-stories]');
const search = async (page: Page, name = 'Search with one thing wrong'): Promise<void> => {
  await settled(page);
  await stories(page).getByRole('button', { name }).click();
  await expect(stories(page).getByRole('button', { name })).toBeVisible();
  await expect(stories(page).locator('[data-old]')).toHaveCount(0);
  await settled(page);
};

test('a story is found, its answer taken, and none is left; what was found comes back with an undo', async ({
  page,
}) => {
  const heard = complaints(page);
  await open(page, 'yard-gate', 'stories');
  await search(page);
  await expect(stories(page).locator('[data-story]')).toHaveCount(2);
  await expect(stories(page).locator('[data-story=night]')).toContainText('With nothing going wrong');
  await expect(stories(page).locator('[data-story=warned]')).toContainText('Power cut for 30 s');
  await expect(page.locator('section.know')).toContainText('“closing” without 3 s of warning before it: broken');
  const answer = async (never: string, words: string): Promise<void> => {
    await stories(page).locator(`[data-story=${never}]`).getByRole('button', { name: words }).click();
    await expect(stories(page).locator('[data-old]')).toBeVisible();
    await search(page);
  };
  await answer('night', 'a contact that tells its rest, and close: look, press, look again');
  await expect(stories(page).locator('[data-story=night]')).toContainText('The contact sticks closed');
  await answer('night', 'two contacts in series for gate');
  await answer('night', 'pins that keep still at power-up');
  await expect(stories(page).locator('[data-story=warned]')).toHaveCount(0);
  await answer('night', 'look again at 10:30');
  await expect(stories(page).locator('[data-story]')).toHaveCount(0);
  await expect(stories(page).locator('[data-kept]')).toHaveCount(2);
  // Of two things that go wrong one story is left that nothing here answers: that is said, and no answer is offered that leaves it.
  await stories(page).getByRole('button', { name: 'with two' }).click();
  await expect(stories(page).locator('[data-unanswered]')).toContainText(
    'No ready change answers it: one change was tried',
  );
  await expect(stories(page).getByRole('button', { name: /look again at/ })).toHaveCount(0);
  await search(page);
  // An edit would end a search that is still under way.
  await expect(stories(page).locator('[data-kept]')).toHaveCount(2);
  // One more change makes it old, and an undo makes it hold again; so does a reload.
  await page.getByRole('tab', { name: 'one run' }).click();
  await enter(page, 'The machine travels end to end in', '17 s');
  await settled(page);
  await page.getByRole('tab', { name: 'what can go wrong' }).click();
  await expect(stories(page).locator('[data-old]')).toBeVisible();
  await undo(page).click();
  await settled(page);
  await expect(stories(page).locator('[data-old]')).toHaveCount(0);
  await kept(page);
  await page.reload();
  await expect(stories(page).locator('[data-kept]')).toHaveCount(2);
  expect(heard).toEqual([]);
});

test('a story is pinned on the lanes, and the power is cut where one looks', async ({ page }) => {
  await open(page, 'yard-gate', 'stories');
  await search(page);
  await stories(page).locator('[data-story=warned]').getByRole('button', { name: 'pin it on the lanes' }).click();
  await page.getByRole('tab', { name: 'one run' }).click();
  await expect(page.getByRole('slider', { name: 'power cut' })).toBeVisible();
  await expect(page.getByLabel('How long: power cut')).toHaveValue('30 s');
  // The warning is made longer on the lanes, and stands so in the sentence.
  await page.getByRole('slider', { name: 'Length of step 1' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByLabel('How long, step 1')).toHaveValue('4.5 s');
  await page.getByRole('button', { name: 'Step to the next event' }).click();
  await page.getByRole('button', { name: 'what if power fails here' }).click();
  await expect(page.getByRole('slider', { name: 'power cut' })).toHaveCount(2);
  await dropFault(page, 'something is in the way');
  await expect(page.locator('.fault-pin')).toHaveCount(3);
});

test('a move is written as sentences, takes a ready policy, and the packed program takes the same steps', async ({
  page,
}) => {
  await open(page, 'rice-pot');
  const policies = page.getByRole('group', { name: 'Ready policies' });
  await policies.getByRole('button', { name: /^look, press, look again/ }).click();
  await settled(page);
  await expect(page.locator('[data-step]')).toHaveCount(4);
  await expect(policies.getByRole('button', { name: /, as now$/ })).toHaveCount(1);
  await enter(page, 'How long, step 3', '4 s');
  await choose(page, 'Else, step 4', 'else end here');
  await page.getByRole('button', { name: 'more …' }).click();
  await page.getByRole('menuitem', { name: 'warn for …' }).click();
  await settled(page);
  await expect(page.locator('[data-step]')).toHaveCount(5);
  await dropFault(page, 'this press is missed');
  // It is noticed and pressed again: the press stands twice on the lanes.
  await expect(page.locator('[data-lane=output]').first().locator('rect')).toHaveCount(2);
  await within(page, '/job/demo-rice-pot/pack');
  await settled(page);
  const program = await savedText(page, 'gentle_thumb.c');
  expect(program).toMatch(/\{ LOOK, 0u, 0u, 1, 1, END, 0u, 0u \}/);
  expect(program).toMatch(/\{ UNTIL, 0u, 4000u, 1, 0, GO_ON, 0u, 0u \}/);
  expect(program).toMatch(/\{ AGAIN, 0u, 0u, 1, 0, END, 1u, 1u \}/);
});

test('a machine of two parts: roles, a cell of its table, and what a state shows', async ({ page }) => {
  await open(page, 'larder-dehumidifier');
  await choose(page, 'Which part', 'dryness');
  await expect(page.getByLabel('Its modes')).toHaveValue('dry, drier, driest');
  await page.getByRole('button', { name: 'a ready one …' }).click();
  await page.getByRole('menuitem', { name: 'a fan that steps through its speeds' }).click();
  await settled(page);
  await expect(page.getByLabel('Its modes')).toHaveValue('off, low, high');
  await undo(page).click();
  await settled(page);
  await choose(page, 'Which part', 'dryer');
  await page.getByRole('button', { name: 'more behaviour' }).click();
  await page.getByRole('button', { name: 'state table' }).click();
  await expect(page.locator('[data-table]')).toContainText('after 20 s: asleep');
  await choose(page, 'In on, at press, it goes to', /^asleep$/);
  await settled(page);
  await page.getByLabel('In on it draws').fill('250 W');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByLabel('In on it draws')).toHaveValue('250 W');
  await page.getByRole('button', { name: 'time its run' }).waitFor({ state: 'detached' });
  await accessible(page, 'Act with a state table');
});

test('ready policies are compared on the same days, and one press takes the better one', async ({ page }) => {
  await open(page, 'rice-pot', 'days');
  await page.getByRole('button', { name: 'a year' }).click();
  await expect(page.locator('[data-many]')).toContainText(/Of \d+ starts \d+ went as the plan believes/);
  // The share opens, and says what it was counted from.
  await page
    .locator('[data-many]')
    .getByRole('button', { name: /why\?$/ })
    .click();
  await expect(page.getByRole('dialog')).toContainText('starts that went as the plan believes');
  await page.keyboard.press('Escape');
  const table = page.locator('[data-policies]');
  await expect(table.getByRole('row')).toHaveCount(4);
  await table.getByRole('button', { name: /^take: look, press, look again/ }).click();
  await settled(page);
  await expect(table.getByRole('row').filter({ hasText: 'as now' })).toContainText('look, press, look again');
});

test('from wherever it stands the way is told, or that somebody has to look', async ({ page }) => {
  await open(page, 'yard-gate', 'way');
  const way = page.locator('[data-way]');
  await expect(way).toContainText('No presses and waits bring it there for certain');
  // Only open is left of what it may be.
  const may = page.getByRole('group', { name: 'It may be now' });
  for (const name of ['closed', 'opening', 'closing', 'stopped on its way up', 'stopped on its way down'])
    await may.getByRole('button', { name, exact: true }).click();
  await expect(way.getByRole('listitem')).toHaveText(['1. Press gate.', '2. Wait 16 s, until nothing moves.']);
  await choose(page, 'It should be', /^open$/);
  await expect(way.getByRole('listitem')).toHaveText(['It is there already.']);
});

test('a run is timed with the watch, and the mean is what the machine takes', async ({ page }) => {
  await open(page, 'yard-gate');
  await page.getByRole('button', { name: 'more behaviour' }).click();
  await page.getByRole('button', { name: 'time its way there' }).click();
  await page.waitForTimeout(1200);
  await page.getByRole('button', { name: 'it is there: stop the watch' }).click();
  await settled(page);
  await expect(page.locator('[data-timing]')).toHaveCount(1);
  await expect(page.getByLabel('The machine travels end to end in')).toHaveValue(/^1\.[2-9]\d* s$/);
  await expect(page.locator('section.know')).toContainText('timed once');
});

test('on a phone Act spills nowhere, stories and table included', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, colorScheme: 'dark' });
  const page = await context.newPage();
  for (const view of ['', 'stories', 'days', 'way']) {
    await open(page, 'yard-gate', view);
    if (view === 'stories') await search(page);
    if (view === 'days') await page.getByRole('button', { name: 'a month' }).click();
    if (view === '') {
      await page.getByRole('button', { name: 'more behaviour' }).click();
      await page.getByRole('button', { name: 'state table' }).click();
    }
    const spill = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(spill, view).toBeLessThanOrEqual(0);
  }
  await context.close();
});

test('a second move is begun by a sentence of its own, and both are packed', async ({ page }) => {
  await open(page, 'rice-pot');
  await page.getByRole('button', { name: 'one more move' }).click();
  await settled(page);
  await enter(page, 'Name of the move', 'keep warm');
  await page.getByRole('button', { name: 'press for …', exact: true }).click();
  await settled(page);
  await within(page, '/job/demo-rice-pot/routine');
  await settled(page);
  await choose(page, 'Which move it begins', 'keep warm');
  await settled(page);
  await within(page, '/job/demo-rice-pot/pack');
  await settled(page);
  const program = await savedText(page, 'gentle_thumb.c');
  expect(program).toContain('#define MOVES 2');
  expect(program).toContain('{ 0x3eu, 38400u, 1, 1 }');
});

test('a machine that asks for something between its presses is waited for; with nobody there it stands', async ({
  page,
}) => {
  await demoKept(page);
  await open(page, 'dough-proofer');
  const know = page.locator('section.know');
  await page.getByRole('button', { name: 'it asks for something between' }).click();
  await expect(know).toContainText('how long “water” takes');
  await enter(page, 'Ask 1 takes', '20 s');
  await settled(page);
  // The keys come too early for it now.
  await expect(know).not.toContainText('and goes: at rest, asks for water, after 1, after 2, after 3, ready');
  await page.getByRole('button', { name: 'press and hope' }).click();
  await settled(page);
  await expect(know).toContainText('and goes: at rest, asks for water, after 1, after 2, after 3, ready');
  const lanes = page.locator('svg.lanes');
  await expect(lanes).toHaveAttribute('aria-label', /asks for water, after 1, after 2, after 3, ready/);
  await dropFault(page, 'nobody does what the machine asks for');
  await enter(page, 'When: nobody does what the machine asks for', '5 s');
  await settled(page);
  await expect(lanes).toHaveAttribute(
    'aria-label',
    /^The machine goes at rest, asks for water\. The plan believes .*ready/,
  );
  await page.getByRole('button', { name: 'take it away: ask 1' }).click();
  await settled(page);
  await expect(page.locator('[data-ask]')).toHaveCount(0);
});
