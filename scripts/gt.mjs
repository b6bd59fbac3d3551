// The command line: installs the packages on first use, then hands over.
import { ensurePackages, root } from './lib.mjs';
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

// Progress of an installation must not mix with the JSON on standard output.
if (!existsSync(`${root}node_modules/.bin/tsx`)) {
  console.log = console.error;
  ensurePackages();
}
// Loaded into Node.js itself: one process less to start than by the tsx command.
const done = spawnSync(
  process.execPath,
  ['--import', `file://${root}node_modules/tsx/dist/loader.mjs`, `${root}cli/main.ts`, ...process.argv.slice(2)],
  { stdio: 'inherit', cwd: process.env.INIT_CWD ?? process.cwd() },
);
process.exit(done.status ?? 1);
