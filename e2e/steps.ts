import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Download, type Locator, type Page } from '@playwright/test';

export const DEMO = 'http://127.0.0.1:4322';

const DEMO_COUNT = 12;

/** How many rows of a sort the browser keeps. */
export const countKept = (page: Page, sort: 'jobs' | 'threads'): Promise<number> =>
  page.evaluate(
    (store) =>
      new Promise<number>((done) => {
        const open = indexedDB.open('gentle-thumb');
        open.onsuccess = () => {
          const count = open.result.transaction(store).objectStore(store).count();
          count.onsuccess = () => {
            open.result.close();
            done(count.result);
          };
        };
      }),
    sort,
  );

/**
 * Opens the demo at one of its addresses, the shelf if none is named, and waits until the browser has kept its jobs; a page
 * of its own finds only what is kept by then.
 */
export async function demoKept(page: Page, path = '/'): Promise<void> {
  await page.goto(`${DEMO}${path}`);
  await expect(path === '/' ? page.getByText('Yard gate') : page.locator('gt-two-columns')).toBeVisible();
  await expect.poll(() => countKept(page, 'jobs')).toBe(DEMO_COUNT);
  if (path !== '/') await settled(page);
}

/**
 * How many times longer than a quarter of a second a fixed piece of work takes in the page at the moment, at least 1:
 * what a busy machine may be late by.
 */
export async function slowness(page: Page): Promise<number> {
  const times = await page.evaluate(() =>
    [0, 1, 2].map(() => {
      const began = performance.now();
      const words: string[] = [];
      for (let i = 0, x = 1; i < 200_000; i++) {
        x = (x * 48271) % 2147483647;
        words.push(String(x));
      }
      words.sort();
      JSON.parse(JSON.stringify(words));
      return performance.now() - began;
    }),
  );
  return Math.max(1, times.sort((a, b) => a - b)[1]! / 250);
}

/** Opens what is folded because it is settled. */
export async function unfold(page: Page): Promise<void> {
  const closed = page.locator('details.folded:not([open]) > summary:visible');
  while ((await closed.count()) > 0) await closed.first().click();
}

/** Listens for whatever the page complains about; ask at the end. */
export function complaints(page: Page): string[] {
  const list: string[] = [];
  page.on('pageerror', (e) => list.push(String(e)));
  page.on('console', (m) => {
    if (m.type() === 'error') list.push(m.text());
  });
  page.on('request', (r) => {
    const { hostname, protocol } = new URL(r.url());
    if (protocol.startsWith('http') && hostname !== '127.0.0.1') list.push(`request to ${hostname}`);
  });
  return list;
}

/** Goes to a room by its bead. */
export async function room(page: Page, name: string): Promise<void> {
  await bead(page, name).click();
  await expect(page).toHaveURL(new RegExp(`/${name.toLowerCase()}$`));
}

/** The verdict of a bead, as a screen reader hears it. */
export const bead = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Rooms of this job' }).getByRole('link', { name: new RegExp(`^${name}\\b`) });

/**
 * Goes to another address of the app that is open, as Back and Forward do: the page stays, and with it what its worker
 * knows, which a load would work out anew. Each arrival gives the page its title.
 */
export async function within(page: Page, path: string): Promise<void> {
  if (page.url() === new URL(path, page.url()).href) return;
  await page.evaluate((to) => {
    document.title = '';
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await expect(page).not.toHaveTitle('');
  if (!path.startsWith('/job/')) return;
  await expect(page.locator('gt-two-columns')).toBeVisible();
  await settled(page);
}

/** Waits until what is shown rests on the job as it is. */
export const settled = (page: Page) => expect(page.locator('#room')).toHaveAttribute('aria-busy', 'false');

export async function textOf(download: Download): Promise<string> {
  return readFileSync(await download.path(), 'utf8');
}

/** Waits until the browser has kept the job. */
/** Opens a file in Pack, saves it, and reads it. */
export async function savedText(page: Page, name: string): Promise<string> {
  await page.getByRole('button', { name, exact: true }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: `Save ${name}` }).click();
  return textOf(await waiting);
}

export const kept = (page: Page) => expect(page.locator('[data-save]')).toHaveText(/^kept/);

export async function newJob(
  page: Page,
  answers: { title: string; outcome?: string; when?: string; never?: string; standin?: boolean },
): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'New job' }).click();
  await page.getByLabel('Which machine?').fill(answers.title);
  await page.getByLabel('What should happen?').fill(answers.outcome ?? '');
  await page.getByLabel('When?').fill(answers.when ?? '');
  await page.getByLabel('What must never happen?').fill(answers.never ?? '');
  if (answers.standin) await page.getByLabel(/No hardware here/).check();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(answers.title);
}

/** Takes the one next reading of Probe with the number typed. */
export async function takeReading(page: Page, title: RegExp, number: string): Promise<void> {
  await expect(page.locator('[data-next-title]')).toHaveText(title);
  await page.locator('[data-next-reading]').fill(number);
  await page.locator('[data-next-reading]').press('Enter');
}

/** Takes every proposed reading from the stand-in until there is none; gives how many. */
export async function measureAll(page: Page): Promise<number> {
  const meter = page.getByRole('button', { name: 'From the stand-in', exact: true });
  for (let taken = 0; ; taken++) {
    await expect(page.locator('#room')).toHaveAttribute('aria-busy', 'false');
    await expect(meter.or(page.locator('[data-ending]'))).toBeVisible();
    if (!(await meter.isVisible())) return taken;
    expect(taken).toBeLessThan(32);
    await meter.click();
    await expect(page.getByText(`${taken + 1} taken`)).toBeVisible();
  }
}

/** Writes note lines, each until it is kept. */
export async function say(page: Page, ...lines: string[]): Promise<void> {
  const note = page.getByLabel('Note line');
  for (const line of lines) {
    await note.fill(line);
    await note.press('Enter');
    // The line before may still be shown as kept: this one is when the field is empty again.
    await expect(note).toHaveValue('');
    await expect(page.locator('#note-understood')).toContainText('noted');
  }
}

/** The mains side as most benches have it, in note lines. */
export const MAINS_SAID = ['mains plug turns', 'mains switch none', 'mains earth nowhere'] as const;
/** A control `name` read as isolated, plugged in either way round. */
export const isolated = (name: string): string[] => [
  ...MAINS_SAID,
  'ground to mains off >20M',
  `${name} A to mains off >20M`,
  `${name} B to mains off >20M`,
  `${name} A to earth on 0.2 VAC`,
  `${name} A to earth plug-turned 0.3 VAC`,
];

/** Answers what is asked about the mains side before the first reading, by its buttons. */
export async function answerMains(page: Page): Promise<void> {
  for (const [question, answer] of [
    [/How is the machine fed/, /either way round/],
    [/main switch/, /it has none/],
    [/Where is earth/, /from a socket beside it/],
  ] as const) {
    await expect(page.locator('[data-mains-question] h2')).toHaveText(question);
    await page.getByRole('button', { name: answer }).click();
  }
  await expect(page.locator('[data-mains-said]')).toContainText('main switch: it has none');
}

/** Picks one of a few answers. */
export async function choose(page: Page, label: string | RegExp, answer: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: answer }).click();
  // The list is gone before the next thing is pressed, as for a hand.
  await expect(page.getByRole('listbox')).toHaveCount(0);
}

/** Adds a supply, a converter or a load to the tree of Feed. */
export async function addToTree(page: Page, what: string): Promise<void> {
  await page.getByRole('button', { name: 'add to the tree …' }).click();
  await page.getByRole('menuitem', { name: what, exact: true }).click();
}

/** The frame's undo; the one beside a message of what was taken away has the same name and is not meant. */
export const undo = (page: Page) => page.locator('.frame-title').getByRole('button', { name: /^undo/ });
export const redo = (page: Page) => page.locator('.frame-title').getByRole('button', { name: /^redo/ });

/** Presses a button that asks for files, and gives them. */
export async function pick(page: Page, button: Locator, files: string | string[]): Promise<void> {
  const asking = page.waitForEvent('filechooser');
  await button.click();
  await (await asking).setFiles(files);
}

/** Fills a field by its label and leaves it. */
export async function enter(page: Page | Locator, label: string, text: string): Promise<void> {
  await page.getByLabel(label, { exact: true }).fill(text);
  await page.getByLabel(label, { exact: true }).press('Tab');
}

/** Rooms after Probe, filled in as for the rice pot; Try is left to the caller. */
export async function planThePress(page: Page): Promise<void> {
  await room(page, 'Thumb');
  await page.getByRole('button', { name: /^(settled )?Solid-state relay/ }).click();
  await expect(bead(page, 'Thumb')).toHaveAccessibleName(/settled/);

  await room(page, 'Board');
  await page.getByRole('button', { name: /\b5\b D1 keeps still/ }).click();
  await page.getByLabel(/3.3 kΩ from the pin to ground/).check();
  await page.getByRole('tab', { name: 'hands and signs' }).click();
  await page.getByRole('button', { name: 'arm switch', exact: true }).click();
  await page.getByRole('tab', { name: 'lines and pins' }).click();
  // The line without a pin is the one that is placed.
  await page.getByRole('button', { name: /\b14\b D5 weakly high/ }).click();
  await expect(bead(page, 'Board')).toHaveAccessibleName(/settled/);

  await room(page, 'Feed');
  await page.getByRole('button', { name: 'Use 5 V, 1 A' }).click();
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/not yet known/);
  await page.getByRole('button', { name: 'It was read, and is right' }).first().click();
  await page.getByRole('button', { name: 'It has both' }).first().click();
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/tight/);
  await page.locator('[data-node="lead"]').click();
  await enter(page, 'Its length', '1.5 m');
  await enter(page, 'Cross-section of a conductor', '0.14mm2');
  // The programming lead and the supply would feed the board both.
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/two feeds at once: tight/);
  await page.getByRole('button', { name: 'It is taken off first' }).first().click();
  await expect(bead(page, 'Feed')).toHaveAccessibleName(/spare.*settled/);

  await room(page, 'Sense');
  await page.getByRole('button', { name: /One contact at rest/ }).click();
  await room(page, 'Board');
  await page.getByRole('button', { name: /\b13\b D7 weakly high/ }).click();

  await room(page, 'Act');
  await page.getByRole('button', { name: 'Press for 180 ms' }).click();
  await choose(page, 'A press', 'starts on a press and stops by itself');
  await enter(page, 'The machine overlooks presses under', '40 ms');
  await enter(page, 'A press may last at most', '2 s');
  await enter(page, 'The machine runs for', '25 min');

  await room(page, 'Guard');
  await choose(page, 'Where does it stand?', 'steam or splashes');
  await choose(page, 'What ends a press?', 'a one-shot of its own');
  // Settled, and so folded.
  await expect(page.locator('main').getByText(/ends a press, whatever the controller does/)).toBeAttached();
  for (const box of await page.locator('main mat-checkbox input').all()) await box.check();
  await expect(bead(page, 'Guard')).not.toHaveAccessibleName(/settled/);
  // What must never happen is held by something, and that something is said.
  await room(page, 'Wish');
  await enter(page, 'What holds it to that?', 'the arm switch, set by whoever fills it');
  // What it did when it was whole is kept before the first screw.
  await page.getByRole('button', { name: 'one more run as it was bought' }).click();
  await enter(page, 'It took', '25 min');

  await room(page, 'Routine');
  await page.getByRole('button', { name: 'one more sentence' }).click();
  await page.getByLabel('Clock time', { exact: true }).fill('10:40');
  await page.getByRole('button', { name: 'weekdays', exact: true }).click();
  await expect(
    page.getByRole('region', { name: 'Know' }).getByText(/At 10:40 on weekdays, if armed, press/),
  ).toBeAttached();
}

/** What a page breaks of the rules of accessibility: of all, or of one. */
async function broken(page: Page, where: string, only?: string): Promise<string[]> {
  // There are no frames, and of what passes nothing is asked: so it takes half the time.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'], iframes: false });
  const asked = only ? axe.withRules(only) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']);
  return (await asked.analyze()).violations.map(
    (v) =>
      `${where}: ${v.id} ${v.nodes
        .map((n) => `${n.target.join(' ')} ${n.any[0]?.message ?? ''}`)
        .slice(0, 3)
        .join(' | ')}`,
  );
}

/**
 * Fails with every rule of accessibility that the page breaks: with all of them as it stands, or in the first of several sets of colours,
 * and in each further set with those that colours can break.
 */
export async function accessible(page: Page, where: string, sets: readonly ('light' | 'dark')[] = []): Promise<void> {
  if (sets.length === 0) return expect(await broken(page, where)).toEqual([]);
  for (const [i, colorScheme] of sets.entries()) {
    await page.emulateMedia({ colorScheme });
    const only = i === 0 ? undefined : 'color-contrast';
    expect(await broken(page, `${where}, ${colorScheme}`, only)).toEqual([]);
  }
}

/** Goes to a part of Probe. */
export async function part(page: Page, name: string): Promise<void> {
  await page
    .getByRole('tablist', { name: 'What to survey' })
    .getByRole('tab', { name: new RegExp(`^${name}`) })
    .click();
  await expect(page).toHaveURL(name === 'controls' ? /probe$/ : new RegExp(`part=${name}`));
}

/** Drops a fault of one kind on the lanes of Act. */
export async function dropFault(page: Page, words: string): Promise<void> {
  await page.getByRole('button', { name: 'drop a fault …' }).click();
  await page.getByRole('menuitem', { name: words, exact: true }).click();
}
