import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { HANGS_MS } from '../core/testing/pace';

/** Runs a program with a time limit; throws with what it printed where it fails. */
export function runProgram(
  program: string,
  args: readonly string[],
  options: { cwd?: string; input?: string; env?: NodeJS.ProcessEnv } = {},
): string {
  const done = spawnSync(program, [...args], { encoding: 'utf8', timeout: HANGS_MS, maxBuffer: 1 << 26, ...options });
  if (done.error) throw done.error;
  if (done.status !== 0)
    throw new Error(`${program} ${args.join(' ')} ended with ${done.status}: ${done.stdout}${done.stderr}`);
  return done.stdout;
}

const fresh = (): string => mkdtempSync(join(tmpdir(), 'gentle-thumb-'));
const remove = (folder: string): void => rmSync(folder, { recursive: true, force: true });

/** Calls `f` with a folder that is gone afterwards. */
export function inFolder<T>(f: (folder: string) => T): T {
  const folder = fresh();
  try {
    return f(folder);
  } finally {
    remove(folder);
  }
}

/** The same for work that takes its time. */
export async function inFolderLater<T>(f: (folder: string) => Promise<T>): Promise<T> {
  const folder = fresh();
  try {
    return await f(folder);
  } finally {
    remove(folder);
  }
}
