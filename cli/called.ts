import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect } from 'vitest';

/** The root of the project. */
export const root = new URL('..', import.meta.url).pathname;

/** The command line in a folder of its own, which goes with the tests of the file that asked for it. */
export interface Called {
  readonly folder: string;
  readonly gt: (...args: string[]) => { readonly status: number | null; readonly out: string; readonly err: string };
  /** What a verb gives, where it gives anything. */
  readonly json: <T>(...args: string[]) => T;
}

/** Makes such a folder. */
export function calledIn(): Called {
  const folder = mkdtempSync(join(tmpdir(), 'gt-cli-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const gt: Called['gt'] = (...args) => {
    const done = spawnSync('node', [join(root, 'scripts/gt.mjs'), ...args], {
      encoding: 'utf8',
      env: { ...process.env, INIT_CWD: folder },
    });
    return { status: done.status, out: done.stdout, err: done.stderr.trim() };
  };
  return {
    folder,
    gt,
    json: <T>(...args: string[]): T => {
      const { status, out, err } = gt(...args);
      expect({ status, err }).toEqual({ status: 0, err: '' });
      return JSON.parse(out) as T;
    },
  };
}
