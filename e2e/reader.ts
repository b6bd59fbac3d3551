import type { Page } from '@playwright/test';

/** A slow reader: so many words a minute, and so many seconds for each thing done. */
const WORDS_A_MINUTE = 150;
const SECONDS_AN_ACTION = 3;

/** How long a walk takes whoever reads every new word of the work in hand and of what would settle it, and does every action. */
export interface Reading {
  readonly words: number;
  readonly actions: number;
  readonly minutes: number;
}

/**
 * Begins to count in the page: what stands in full ink in sight, in the Do column, the guide, the remedy and dialogs, each
 * sentence once, and every click and entry.
 */
export async function startReading(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const kept = JSON.parse(sessionStorage.getItem('reader') ?? '{"seen":[],"actions":0}') as {
      seen: string[];
      actions: number;
    };
    const seen = new Set(kept.seen);
    let { actions } = kept;
    const keep = (): void => sessionStorage.setItem('reader', JSON.stringify({ seen: [...seen], actions }));
    const look = (): void => {
      const blocks = document.querySelectorAll<HTMLElement>(
        [
          ':is(.do, .new-job, .newcomer, .settle, .guide, [role=dialog])',
          ':is(p, h2, h3, li, td, th, mat-label, mat-option, button, summary, mat-checkbox)',
        ].join(' '),
      );
      for (const b of blocks) {
        // A block within a block is read with it.
        if (!b.checkVisibility() || b.parentElement?.closest('p, li, td, th, button')) continue;
        // Muted ink is for whoever wants to know more; rulers and lists tell what would follow, or what comes later.
        if (b.closest('.muted, gt-meanings, gt-reading-ruler, gt-joint-drawing, gt-margin-rulers, div.steps, td.mono'))
          continue;
        // Only what is in sight is read.
        const { top, bottom } = b.getBoundingClientRect();
        if (top < 0 || bottom > innerHeight - 50) continue;
        const muted = [...b.querySelectorAll<HTMLElement>('.muted, .mono')].map((m) => m.innerText);
        const text = muted
          .reduce((t, m) => t.replace(m, ''), b.innerText)
          .trim()
          .replace(/\s+/g, ' ');
        // A sentence that was read is known when it comes again.
        for (const sentence of text.split(/(?<=[.!?;])\s+/)) if (sentence) seen.add(sentence);
      }
      keep();
    };
    // What stands there when a hand acts could be read before it; what passes in between depends on the machine's pace.
    for (const act of ['pointerdown', 'keydown']) addEventListener(act, (e) => void (e.isTrusted && look()), true);
    addEventListener('click', (e) => void (e.isTrusted && actions++), true);
    // A box that is ticked was clicked already.
    addEventListener(
      'change',
      (e) => void (/^(text|search)$/.test((e.target as HTMLInputElement).type) && actions++),
      true,
    );
    Object.assign(window, { lookLast: look });
  });
}

export async function readingOf(page: Page): Promise<Reading> {
  await page.evaluate(() => (window as unknown as { lookLast: () => void }).lookLast());
  const { seen, actions } = JSON.parse((await page.evaluate(() => sessionStorage.getItem('reader'))) ?? '{}') as {
    seen: string[];
    actions: number;
  };
  const words = seen.reduce((n, text) => n + text.split(' ').filter((w) => /\p{L}|\d/u.test(w)).length, 0);
  return { words, actions, minutes: words / WORDS_A_MINUTE + (actions * SECONDS_AN_ACTION) / 60 };
}
