import { expect, test } from './profile';
import { writeFileSync } from 'node:fs';
import { choose, complaints, demoKept, dropFault, enter, kept, pick, savedText, settled, undo, within } from './steps';

test('a hand at the controller goes before the move, and its direction waits for the coast', async ({ page }) => {
  const heard = complaints(page);
  await demoKept(page, '/job/demo-hatch-shutter/act');
  await dropFault(page, 'someone moves a hand at the controller');
  await choose(page, 'Which: someone moves a hand at the controller', 'rocker at the hatch down');
  await settled(page);
  const lanes = page.locator('svg.lanes');
  await expect(lanes.locator('[data-lane=hand]')).toContainText('rocker at t… down');
  await expect(lanes).toHaveAttribute('aria-label', /goes closed, opening, .*closing/);
  await expect(page.locator('section.know')).toContainText('Run and packed program keep this, whoever asks');
  // The other move, run on the same lanes.
  await choose(page, 'Which move', 'close');
  await expect(page.getByRole('heading', { name: 'One run of the plan: close' })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'the other way' })).toBeChecked();
  expect(heard).toEqual([]);
});

test('a button begins moves in turn, an arm switch lets one start go, and the program has both', async ({ page }) => {
  await demoKept(page, '/job/demo-hatch-shutter/board?view=hands');
  await page.getByRole('button', { name: 'button', exact: true }).click();
  const hand = page.locator('[data-hand=button]');
  await choose(page, 'It does', 'begins “open”');
  await choose(page, 'and the next push begins', '“close”');
  await expect(hand).toContainText('begins “open” and “close” in turn');
  await page.getByRole('button', { name: 'arm switch', exact: true }).click();
  const arm = page.locator('[data-hand=arm-switch]');
  await enter(page, 'Starts for one arming', '1');
  await expect(arm).toContainText('arms for one start, then it has to be armed again, as after a power cut');
  await page.getByRole('tab', { name: 'lines and pins' }).click();
  await choose(page, 'Controller', /34 GPIO/);
  await settled(page);
  await page
    .getByRole('region', { name: 'Do' })
    .getByRole('button', { name: /place all lines/i })
    .click();
  await settled(page);
  await kept(page);
  await within(page, '/job/demo-hatch-shutter/pack');
  await settled(page);
  const program = await savedText(page, 'gentle_thumb.c');
  expect(program).toMatch(/BEGINS, 0, 0u, 0u, 2u, 0u },\s+\/\* button \*\//);
  expect(program).toMatch(/ARMS, 1, 0u, 2u, 0u, 1u },\s+\/\* arm switch \*\//);
  expect(program).not.toContain('lacks the hands');
});

test('commands come by message: one for each move and one in turn, in run and program', async ({ page }) => {
  await demoKept(page, '/job/demo-hatch-shutter/board?view=hands');
  await page.getByRole('button', { name: 'a command for each move, and one in turn' }).click();
  const turns = page.locator('[data-hand=command-in-turn]');
  await expect(turns).toContainText('begins “open” and “close” in turn at each message on');
  await expect(turns).toContainText('behind every hand; it falls back by itself');
  await expect(page.locator('[data-hand^=command]')).toHaveCount(3);
  await expect(turns.getByLabel('Pull-up outside the chip')).toHaveCount(0);
  await enter(turns, 'Topic', 'loft/hatch/toggle');
  await expect(turns).toContainText('at each message on loft/hatch/toggle');
  await within(page, '/job/demo-hatch-shutter/act');
  await dropFault(page, 'someone moves a hand at the controller');
  await choose(page, 'Which: someone moves a hand at the controller', 'in turn');
  await settled(page);
  await expect(page.locator('svg.lanes [data-lane=hand]')).toContainText('in turn');
  await within(page, '/job/demo-hatch-shutter/pack');
  const program = await savedText(page, 'gentle_thumb.c');
  expect(program).toMatch(/\{ -1, 1, 0u, COMMANDS, 0, 0u, 2u, 2u, 0u \},\s+\/\* in turn \*\//);
  expect(program).toContain('lacks what receives the messages of open, close, in turn: call gt_command from it');
  await within(page, '/job/demo-hatch-shutter/board?view=hands');
  await undo(page).click();
  await undo(page).click();
  await undo(page).click();
  await undo(page).click();
  await expect(page.locator('[data-hand^=command]')).toHaveCount(0);
});

test('a run is led by hand and from recordings, and becomes the move; takes that differ are named', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-rice-pot/act?view=led');
  await page.getByRole('button', { name: 'Begin a take' }).click();
  await page.getByRole('button', { name: 'press start' }).click();
  await page.waitForTimeout(300);
  await page.getByRole('button', { name: 'let go of start' }).click();
  await page.waitForTimeout(600);
  await page
    .getByRole('button', { name: /says so$/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'The run is over' }).click();
  const takes = page.locator('[data-takes]');
  await expect(takes).toContainText('take 1: 1 press');
  const led = page.locator('[data-led]');
  await expect(led).toContainText('press start');
  await expect(led).toContainText('wait until rest contact says so');
  // Two recordings of the same: their lines are called as the press and the sense.
  const recording = (seconds: number): string => `time,start,rest contact,clock
0,1,0,0
1,0,0,0
1.2,1,0,0
2,1,1,0
${1.2 + seconds},1,0,0
${3 + seconds},1,0,1
`;
  const files = [1400, 1500].map((s) => {
    const path = test.info().outputPath(`run-${s}.csv`);
    writeFileSync(path, recording(s));
    return path;
  });
  const strange = test.info().outputPath('strange.csv');
  writeFileSync(strange, 'time,a,b\n0,0,0\n1,1,0\n2,0,0\n');
  await pick(page, page.getByRole('button', { name: 'Open recordings' }), [...files, strange]);
  await expect(takes.locator('li')).toHaveCount(3);
  // Two things are told: the file that is no run of this job, and the runs that do not agree.
  const told = page.getByRole('alert');
  await expect(told.filter({ hasText: 'strange has no line called as a press of this job (start)' })).toHaveCount(1);
  await expect(told.filter({ hasText: 'run-1400 differs from take 1 at step 2' })).toHaveCount(1);
  await page.getByRole('button', { name: 'take it away: take 1' }).click();
  await expect(takes.locator('li')).toHaveCount(2);
  await expect(led).toContainText('23 min 20 s, 25 min');
  await expect(led).toContainText('wait until rest contact no longer says so');
  await led
    .getByRole('button', { name: /why\?$/ })
    .last()
    .click();
  await expect(page.getByRole('dialog')).toContainText('the longest that the next one may take');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Keep 2 timings of the machine' }).click();
  await settled(page);
  await page.getByRole('button', { name: /Make it the move “cook”/ }).click();
  await settled(page);
  await expect(page.getByText('“cook” is what was led')).toBeVisible();
  await expect(page.locator('section.know')).toContainText('timed 2 times');
  await page.getByRole('tab', { name: 'one run' }).click();
  // It leaves its rest, and comes back to it.
  await expect(page.locator('[data-step=until]')).toHaveCount(2);
  await undo(page).click();
  await undo(page).click();
  await settled(page);
  await expect(page.locator('[data-step=until]')).toHaveCount(0);
});

test('a start that is armed for once: whoever forgets to arm breaks nothing, and without the count the switch does', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-dough-proofer/act?view=stories');
  const stories = page.locator('[data-stories]');
  const search = stories.getByRole('button', { name: 'Search with one thing wrong' });
  await search.click();
  await expect(stories.locator('[data-kept]')).toHaveCount(1);
  // An arm switch that arms for good: nobody puts it back one day, and the next start comes of the same arming.
  await within(page, '/job/demo-dough-proofer/board?view=hands');
  const arm = page.locator('[data-hand=arm]');
  await arm.getByRole('checkbox', { name: 'stays where it is put' }).check();
  await enter(page, 'Starts for one arming', '');
  await settled(page);
  await kept(page);
  await within(page, '/job/demo-dough-proofer/act?view=stories');
  await settled(page);
  await search.click();
  await expect(stories.locator('[data-story=once]')).toContainText('Nobody comes to move a hand at the controller');
  await stories.locator('[data-story=once]').getByRole('button', { name: 'arm button: armed for one start' }).click();
  await settled(page);
  await search.click();
  await expect(stories.locator('[data-kept]')).toHaveCount(1);
});
