import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Runs a program with a time limit; throws with what it printed where it fails. */
export function runProgram(program: string, args: readonly string[], options: { cwd?: string; input?: string } = {}): string {
  const done = spawnSync(program, [...args], { encoding: 'utf8', timeout: 60_000, maxBuffer: 1 << 26, ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) throw new Error(`${program} ${args.join(' ')} ended with ${done.status}: ${done.stdout}${done.stderr}`);
  return done.stdout;
}

/** Calls `f` with a folder that is gone afterwards. */
export function inFolder<T>(f: (folder: string) => T): T {
  const folder = mkdtempSync(join(tmpdir(), 'gentle-thumb-'));
  try {
    return f(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
