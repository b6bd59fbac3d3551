import type { Page } from '@playwright/test';
import { expect, test } from './profile';
import { accessible, bead, demoKept, enter, kept, undo, within } from './steps';
import { HANGS_MS } from '../core/testing/pace';

const know = (page: Page) => page.getByRole('region', { name: 'Know' });

test('a failure drill tells stories, offers the fewest answers, and what is left is accepted by name until the plan changes', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-yard-gate/guard?view=drill');
  await expect(know(page).getByText('Whether any failure brings about')).toBeVisible();
  await page.getByRole('button', { name: 'Drill with one failure' }).click();
  await expect(page.locator('[data-told]')).toContainText('that break a condition', { timeout: HANGS_MS });
  await expect(bead(page, 'Guard')).toHaveAccessibleName(/stories unanswered/);
  const story = page.locator('[data-drill]', { hasText: 'without 3 s of warning' }).first();
  await expect(story).toContainText('whoever stands in the gateway');
  await accessible(page, 'failure drill');
  await story.getByRole('button', { name: 'where from?' }).click();
  await expect(page.getByRole('dialog')).toContainText('power cut');
  await page.keyboard.press('Escape');
  // What the plan itself breaks nobody can accept.
  const own = page.locator('[data-drill]', { hasText: 'With nothing going wrong' }).first();
  await expect(own.getByRole('button', { name: /accept/ })).toHaveCount(0);
  await expect(story.getByRole('button', { name: 'accept it, by name' })).toBeDisabled();
  await page.getByLabel('Who accepts it, by name').fill('the owner');
  await page.getByLabel('Who accepts it, by name').press('Enter');
  await story.getByRole('button', { name: 'the owner accepts it as it is' }).click();
  await expect(story.locator('[data-accepted]')).toContainText('the owner');
  await expect(page.locator('[data-fewest] li').first()).toBeVisible();
  await page.getByRole('button', { name: 'Take all of them' }).click();
  await expect(page.locator('[data-old]')).toContainText('changed since');
  await expect(know(page).getByText(/failure drill was run on a plan that was changed since/)).toBeVisible();
  await page.getByRole('button', { name: 'Drill with one failure' }).click();
  await expect(page.locator('[data-told]')).toContainText('none breaks a condition', { timeout: HANGS_MS });
  await expect(page.locator('[data-drill]')).toHaveCount(0);
});

test('a board: copper that was left, a shared hole and a moved part are told, and what cures them is tried', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-yard-gate/guard?view=apart');
  const pairs = page.locator('[data-pairs]');
  await expect(pairs).toContainText('8.49 mm');
  const relay = page.getByRole('button', { name: /light relay, column 6/ });
  await relay.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: /light relay, column 5/ })).toBeVisible();
  await undo(page).click();
  await expect(pairs).toContainText('8.49 mm');
  const slot = page.locator('[data-slot="saw"]');
  await slot.getByRole('button', { name: /take/i }).first().click();
  await expect(
    know(page)
      .getByText(/reinforced insulation over the surface/)
      .first(),
  ).toBeVisible();
  await expect(pairs).not.toContainText('8.49 mm');
  await page.getByRole('group', { name: 'What cures it, tried' }).getByRole('button').first().click();
  await expect(page.locator('[data-slot]').first()).toBeVisible();
  await accessible(page, 'board');
  await enter(page.locator('[data-part="terminal"]'), 'First hole, column', '6');
  await expect(page.getByRole('alert').first()).toContainText('share the hole');
});

test('the mains lead is read link by link, gates keep who and on which reading, and an edit opens them again', async ({
  page,
}) => {
  await demoKept(page, '/job/demo-glass-washer/guard?view=lead');
  const links = page.locator('[data-links]');
  await expect(links.locator('.weakest')).toContainText('gives first');
  await enter(page, 'Flexible cord', '0.75 mm2');
  await expect(bead(page, 'Guard')).toHaveAccessibleName(/stop/);
  await undo(page).click();
  await within(page, '/job/demo-glass-washer/guard');
  await enter(page, 'Who ticks', 'the morning cook');
  await enter(page, 'On which reading or look', 'drip loop seen');
  const water = page.getByLabel('Water reaches a supply or a joint: in place');
  await water.click();
  await expect(page.locator('label', { hasText: 'the morning cook, drip loop seen' })).toBeVisible();
  await kept(page);
  // What was added by hand is a gate of its own, and opens no other.
  await page.getByRole('button', { name: 'something else that can hurt' }).click();
  await expect(page.locator('[data-own-hazard]')).toHaveCount(1);
  await expect(water).toBeChecked();
  await within(page, '/job/demo-glass-washer/wish');
  await page.getByLabel('something can be pinched').check();
  await within(page, '/job/demo-glass-washer/guard');
  await expect(page.locator('label', { hasText: 'open again: since' }).first()).toBeVisible();
  await expect(water).not.toBeChecked();
  await accessible(page, 'gates');
});

test('who can press from where: a way of links, what is open to others, and less reach', async ({ page }) => {
  await demoKept(page, '/job/demo-yard-gate/guard?view=reach');
  await page.getByRole('button', { name: 'a link' }).click();
  await page.getByRole('button', { name: 'a link' }).click();
  const second = page.locator('[data-link]').nth(1);
  await enter(second, 'Called', 'phone');
  await second.getByRole('combobox', { name: 'It is' }).click();
  await page.getByRole('option', { name: 'a port opened to the outside' }).click();
  await expect(know(page).getByText(/phone shows it to the whole world/)).toBeVisible();
  await expect(bead(page, 'Guard')).toHaveAccessibleName(/stop|open to all/);
  await accessible(page, 'reach');
  await know(page).getByRole('button', { name: 'Do without it' }).first().click();
  await expect(page.locator('[data-link]')).toHaveCount(1);
});
