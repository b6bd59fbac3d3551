// `npm run demo`: from a fresh clone to the running app with its demo jobs.
import { spawn } from 'node:child_process';
import { root } from './files.mjs';
import { ensureBuilt, ensurePackages, say } from './lib.mjs';

ensurePackages();
await ensureBuilt();
say('starting the server');
const server = spawn(`${root}node_modules/.bin/tsx`, [`${root}server/main.ts`, '--demo', ...process.argv.slice(2)], {
  stdio: 'inherit',
  cwd: root,
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
