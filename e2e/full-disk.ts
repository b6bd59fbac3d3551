// A browser whose disk gets full while a job is edited, and is not full any more: keeping goes on by itself, without a load.
import { execFileSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { kill, start } from './kills';

/** A file system of its own, small enough to be filled: MB. */
const SIZE_MB = 150;

export interface FullDisk {
  /** It was said that the job is not kept, and that the store is full or does not answer. */
  readonly told: boolean;
  /** A load of the page was advised while something was not kept. */
  readonly misled: boolean;
  /** Keeping went on once there was room, without a load. */
  readonly wentOn: boolean;
  /** What was typed while the disk was full is there after the browser was killed. */
  readonly there: boolean;
}

/** Fills what is left of a file system with one file. */
function fill(file: string): void {
  const to = openSync(file, 'w');
  const piece = Buffer.alloc(64 * 1024, 1);
  try {
    for (;;) writeSync(to, piece);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error;
  } finally {
    closeSync(to);
  }
}

/** One run on a fresh file system in memory. Wants to be allowed to mount one. */
export async function fullDisk(base: string, run: number): Promise<FullDisk> {
  const disk = mkdtempSync(join(tmpdir(), 'gt-disk-'));
  execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${SIZE_MB}m`, 'tmpfs', disk]);
  const profile = join(disk, 'profile');
  const filler = join(disk, 'filler');
  try {
    let running = await start(profile);
    let { page } = running;
    await page.goto(`${base}/new`);
    await page.getByLabel('Which machine?').fill(`Full pot ${run}`);
    await page.getByRole('button', { name: 'Begin' }).click();
    const saved = page.locator('[data-save]');
    await saved.getByText(/^kept/).waitFor();
    const url = page.url();
    const box = page.getByRole('textbox', { name: 'Who else presses it?' });
    let text = '';
    const type = async (n: number): Promise<void> => {
      text = `${n} ${'x'.repeat(1500)}`;
      await box.fill(text);
      await box.press('Tab');
    };
    fill(filler);
    // The store may have some room of its own before it asks the disk.
    let told = false;
    for (let n = 0; n < 400 && !told; n++) {
      await type(n);
      if (n % 10 === 0) fill(filler.replace('filler', `filler-${n}`));
      await page.waitForTimeout(30);
      told = (await saved.textContent()) === 'not kept';
    }
    const words = (await page.locator('.trouble').allTextContents()).join(' ');
    const misled = /load the page anew/i.test(words);
    for (const name of execFileSync('ls', [disk], { encoding: 'utf8' }).split('\n'))
      if (name.startsWith('filler')) rmSync(join(disk, name), { force: true });
    const wentOn = await saved
      .getByText(/^kept/)
      .waitFor({ timeout: 120_000 })
      .then(
        () => true,
        () => false,
      );
    await kill(running);
    running = await start(profile);
    ({ page } = running);
    await page.goto(url);
    const after = page.getByRole('textbox', { name: 'Who else presses it?' });
    const opened = await after.waitFor({ timeout: 60_000 }).then(
      () => true,
      () => false,
    );
    const there = opened && (await after.inputValue()) === text;
    if (!there) console.log(`after the kill: ${(await page.locator('body').innerText()).slice(0, 300)}`);
    await kill(running);
    return { told: told && /store|disk/i.test(words), misled, wentOn, there };
  } finally {
    execFileSync('umount', ['-l', disk]);
    rmSync(disk, { recursive: true, force: true });
  }
}
