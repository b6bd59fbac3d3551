// A browser killed in the middle of saving, as by a power cut: what the screen called kept must be there when it comes up again.
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';

const ARGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--remote-debugging-port=0',
];

export interface Running {
  readonly process: ChildProcess;
  readonly browser: Browser;
  readonly page: Page;
}

export async function start(profile: string): Promise<Running> {
  rmSync(join(profile, 'DevToolsActivePort'), { force: true });
  const process = spawn('/usr/bin/chromium', [...ARGS, `--user-data-dir=${profile}`, 'about:blank'], {
    stdio: 'ignore',
    detached: true,
  });
  for (let i = 0; ; i++) {
    try {
      const [port] = readFileSync(join(profile, 'DevToolsActivePort'), 'utf8').split('\n');
      const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
      const context = browser.contexts()[0]!;
      return { process, browser, page: context.pages()[0] ?? (await context.newPage()) };
    } catch (error) {
      if (i > 150) throw error;
      await new Promise((done) => setTimeout(done, 100));
    }
  }
}

/** Ends the browser with all its processes at once, as nothing that it could prepare for. */
export async function kill({ process: child, browser }: Running): Promise<void> {
  const gone = new Promise((done) => child.once('exit', done));
  process.kill(-child.pid!, 'SIGKILL');
  await gone;
  await browser.close().catch(() => undefined);
}

/** The number that an edit wrote last, as it stands in the job. */
const written = async (page: Page): Promise<number> =>
  Number(await page.getByLabel('Who else presses it?').inputValue());

/**
 * Kills the browser `times` times while edits are typed as fast as they go; gives the edits that the screen had called kept and that
 * were not there afterwards.
 */
export async function killed(
  base: string,
  times: number,
  say: (line: string) => void,
): Promise<{ edits: number; lost: number }> {
  const profile = mkdtempSync(join(tmpdir(), 'gt-kills-'));
  let edits = 0;
  let lost = 0;
  try {
    let url = '';
    let kept = 0;
    for (let n = 0; n < times; n++) {
      const running = await start(profile);
      const { page } = running;
      if (!url) {
        await page.goto(`${base}/new`);
        await page.getByLabel('Which machine?').fill('Kill pot');
        await page.getByRole('button', { name: 'Begin' }).click();
        await page.locator('[data-save]').getByText(/^kept/).waitFor();
        url = page.url();
      } else {
        await page.goto(url);
        await page.getByLabel('Who else presses it?').waitFor();
        const there = await written(page);
        if (there < kept) {
          lost += kept - there;
          say(`kill ${n}: ${kept} was called kept, ${there} is there`);
        }
      }
      // The page itself types, one edit after the other, and remembers the last that its own screen called kept.
      const box = await page.getByLabel('Who else presses it?').elementHandle();
      const until = box!.evaluate(async (input, first) => {
        const state = window as unknown as { said: number; typed: number };
        state.said = 0;
        for (let i = first; ; i++) {
          (input as HTMLInputElement).value = String(i);
          input.dispatchEvent(new Event('input', { bubbles: true }));
          input.dispatchEvent(new Event('change', { bubbles: true }));
          state.typed = i;
          // The screen is looked at once it has been drawn anew.
          await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
          if (document.querySelector('[data-save]')?.textContent?.startsWith('kept')) state.said = i;
        }
      }, kept + 1);
      until.catch(() => undefined);
      await page.waitForTimeout(300 + Math.random() * 1200);
      const seen = await page.evaluate(() => {
        const state = window as unknown as { said: number; typed: number };
        return [state.said ?? 0, state.typed ?? 0] as const;
      });
      await kill(running);
      edits += seen[1] - kept;
      kept = Math.max(kept, seen[0]);
    }
  } finally {
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  }
  return { edits, lost };
}
