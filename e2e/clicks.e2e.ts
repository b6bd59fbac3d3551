import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { complaints, enter, newJob, room, savedText, settled } from './steps';

/** Counts what a pointer presses; the keyboard's own presses are none. */
async function counted(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const seen = window as unknown as { pressed: number };
    seen.pressed = 0;
    addEventListener('click', (e) => void (e.isTrusted && e.detail > 0 && seen.pressed++), true);
  });
  return () => page.evaluate(() => (window as unknown as { pressed: number }).pressed);
}

/** What is answered to a question, a look or a reading, the first that fits by its words. */
type Answers = readonly (readonly [asked: RegExp, answer: string | RegExp])[];

const first = (answers: Answers, asked: string): string | RegExp => {
  const found = answers.find(([words]) => words.test(asked));
  expect(found, `an answer to: ${asked}`).toBeDefined();
  return found![1];
};

/** Answers whatever Probe asks of a control until it asks no more; gives how many readings and looks were taken. */
async function survey(page: Page, answers: Answers): Promise<number> {
  const question = page.locator('[data-mains-question]');
  const title = page.locator('[data-next-title]');
  const count = page.locator('.head-row .muted', { hasText: /taken/ });
  for (let taken = 0; ;) {
    await settled(page);
    await expect(question.or(title).or(page.locator('[data-ending]')).first()).toBeVisible();
    if (await question.isVisible()) {
      const asked = await question.locator('h2').innerText();
      await question.getByRole('button', { name: first(answers, asked) }).click();
      await expect(question.locator('h2').filter({ hasText: asked })).toHaveCount(0);
      continue;
    }
    if (!(await title.isVisible())) return taken;
    const asked = await title.innerText();
    const before = (await count.innerText()).split(',')[0]!;
    const answer = first(answers, asked);
    if (/^Look/.test(asked)) await page.locator('[data-look]').getByText(answer).first().click();
    else {
      await page.locator('[data-next-reading]').fill(answer as string);
      await page.locator('[data-next-reading]').press('Enter');
    }
    taken++;
    await expect(count.filter({ hasText: before })).toHaveCount(0);
    expect(taken).toBeLessThan(30);
  }
}

const press = async (page: Page, name: string | RegExp): Promise<void> => {
  await page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();
  await settled(page);
};

test('a fan with two buttons, from an empty shelf to its program, in 60 clicks and 25 readings', async ({ page }) => {
  const heard = complaints(page);
  const clicks = await counted(page);
  await newJob(page, {
    title: 'Wash-up fan',
    outcome: 'the fan runs low, then high',
    when: 'low at 13:00, high at 14:00',
    never: 'run at night',
  });
  await page.getByLabel('mains inside').check();
  await room(page, 'Probe');
  // 5 V, 10 kΩ to it at each button, the other side ground; the plug turns round, and nobody has an insulation tester.
  const button: Answers = [
    [/How is the machine fed/, /either way round/],
    [/main switch/, /it has none/],
    [/Where is earth/, /socket beside/],
    [/^Look/, 'springs back with a click'],
    [/live and neutral/, '>20M'],
    [/AC volts.*turned/, '0.4'],
    [/AC volts/, '0.3'],
    [/Ohms at B/, '0.3'],
    [/Volts at B/, '0'],
    [/held down/, '0.4'],
    [/10 kΩ/, '2.49'],
    [/shorted/, '0.498 mA'],
    [/Ohms/, '11.8k'],
    [/Volts/, '4.98'],
  ];
  await page.getByLabel('Name of the control').fill('low');
  await page.keyboard.press('Enter');
  let readings = await survey(page, button);
  await page.getByText('Another control', { exact: true }).click();
  await page.getByLabel('Name of another control').fill('high');
  await page.keyboard.press('Enter');
  readings += await survey(page, button);
  await room(page, 'Thumb');
  for (const next of ['Press “high” as well', null]) {
    await page.locator('[data-way=solid-state-relay]').click();
    await settled(page);
    if (next) await press(page, next);
  }
  await room(page, 'Board');
  await press(page, 'Place all lines');
  await room(page, 'Feed');
  await press(page, /^Use 5 V/);
  // What Wish says becomes two sentences, each with a move of its own button.
  await room(page, 'Routine');
  await press(page, 'Make it a rule');
  await expect(page.locator('main')).toContainText('“high”');
  await room(page, 'Pack');
  await settled(page);
  const program = await savedText(page, 'gentle_thumb.c');
  expect(program).toContain('/* low */');
  expect(program).toContain('/* high */');
  console.log(`fan: ${readings} readings, ${await clicks()} clicks`);
  expect(readings).toBeLessThanOrEqual(25);
  expect(await clicks()).toBeLessThanOrEqual(60);
  expect(heard).toEqual([]);
});

test('eight motors from an empty shelf to a program that starts two at a time, in 70 clicks', async ({ page }) => {
  const heard = complaints(page);
  const clicks = await counted(page);
  await newJob(page, { title: 'Drying flaps', outcome: 'the flaps open', when: '', never: 'all eight start at once' });
  await room(page, 'Probe');
  await page.getByLabel('Name of the control').fill('flap');
  await page.keyboard.press('Enter');
  // A bare motor of 2.4 Ω on 12 V that has nothing to do with mains.
  await survey(page, [
    [/How is the machine fed/, /no mains plug/],
    [/other cable/, /no cable at all/],
    [/^Look/, 'two wires to a motor'],
    [/Ohms (A to B|B to A)/, '2.4'],
    [/Ohms/, '>20M'],
    [/runs one way/, '12.1'],
    [/runs the other way/, '-12.1'],
  ]);
  await page.getByText('More like “flap”').click();
  await page.getByLabel('How many more like flap').fill('7');
  await page.keyboard.press('Enter');
  await settled(page);
  await room(page, 'Thumb');
  await page.locator('[data-way=reverse-motor]').click();
  await settled(page);
  await press(page, 'Take the 16 A relay');
  await enter(page, 'Running current', '0.8 A');
  await settled(page);
  await room(page, 'Board');
  await press(page, 'Take the Wi-Fi module, 34 GPIO');
  // Fourteen lines say the same, and are told as one.
  await expect(page.locator('[data-alike-findings]')).toHaveCount(1);
  await press(page, 'Add the pull-down');
  await room(page, 'Feed');
  await press(page, /^Use 12 V/);
  await page.getByRole('tab', { name: 'every instant' }).click();
  await press(page, 'group');
  await enter(page, 'Start at once', '2');
  await settled(page);
  await press(page, 'Make its two moves');
  await room(page, 'Pack');
  await settled(page);
  const program = await savedText(page, 'gentle_thumb.c');
  expect(program).toContain('/* flap 8 */');
  console.log(`eight flaps: ${await clicks()} clicks`);
  expect(await clicks()).toBeLessThanOrEqual(70);
  expect(heard).toEqual([]);
});
