// Small helpers shared by the scripts that must run before anything is installed; plain Node.js only.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { createHash } from 'node:crypto';
import { root } from './files.mjs';
import { ensureShipped } from './predictions.mjs';
import { splitEngine } from './split-engine.mjs';

const began = Date.now();
export const say = (text) => console.log(`[${((Date.now() - began) / 1000).toFixed(0).padStart(4)} s] ${text}`);

/** Runs a command with its output shown; gives its exit code. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    ...options,
    env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1', NG_CLI_ANALYTICS: 'false', ...options.env },
  });
  return done.status ?? 1;
}

/** Runs a command beside others; gives its exit code and all that it printed. */
export const runBeside = (command, args, env = {}) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } });
    let out = '';
    child.stdout.on('data', (text) => (out += text));
    child.stderr.on('data', (text) => (out += text));
    child.on('error', (error) => done({ code: 1, out: String(error) }));
    child.on('close', (code) => done({ code: code ?? 1, out }));
  });

export const has = (program) => spawnSync('sh', ['-c', `command -v ${program}`]).status === 0;

/** Installs the Node packages unless they are there for this very package.json. */
export function ensurePackages() {
  const want = createHash('sha256')
    .update(readFileSync(`${root}package.json`))
    .digest('hex');
  const mark = `${root}node_modules/.gentle-thumb-packages`;
  if (existsSync(mark) && readFileSync(mark, 'utf8') === want) return;
  say('installing Node packages (about a minute and a half)');
  // `npm ci` refuses the lock file on some platforms; `npm install` keeps to it and leaves it as it is.
  if (run('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error']) !== 0) {
    console.error(
      'The Node packages could not be installed. Check the network to the npm registry and run the command again.',
    );
    process.exit(1);
  }
  writeFileSync(mark, want);
}

/** Installs missing Debian packages where that is allowed; names what stays missing. */
export function ensurePrograms(wanted) {
  const missing = wanted.filter((w) => !has(w.program));
  if (missing.length === 0) return;
  const names = missing.map((m) => m.package).join(' ');
  const root = process.getuid?.() === 0;
  const sudo = !root && has('sudo') && spawnSync('sudo', ['-n', 'true']).status === 0 ? ['sudo', '-n'] : [];
  if (has('apt-get') && (root || sudo.length)) {
    say(`installing from Debian's packages: ${names}`);
    const apt = (...args) =>
      run([...sudo, 'apt-get'][0], [...sudo.slice(1), ...(sudo.length ? ['apt-get'] : []), ...args], {
        env: { DEBIAN_FRONTEND: 'noninteractive' },
      });
    apt('update', '-qq');
    apt('install', '-y', '-qq', '--no-install-recommends', ...missing.map((m) => m.package));
  }
  const still = wanted.filter((w) => !has(w.program));
  if (still.length > 0) {
    console.error(
      'Missing: ' +
        `${still.map((s) => `${s.program} (Debian package ${s.package}; ${s.why})`).join('; ')}.\nInstall ` +
        `with: apt-get install ${still.map((s) => s.package).join(' ')}`,
    );
    process.exit(1);
  }
}

/** Builds the app unless the built one is newer than every source. */
export async function ensureBuilt() {
  const newest = Number(
    spawnSync(
      'sh',
      [
        '-c',
        `find app core demo angular.json tsconfig*.json package.json -type f -printf '%T@\\n' | sort -n | tail -1`,
      ],
      { cwd: root, encoding: 'utf8' },
    ).stdout || 0,
  );
  const built = `${root}dist/app/index.html`;
  if (existsSync(built) && statSync(built).mtimeMs / 1000 > newest) return;
  say('drawing the predictions of Probe (some seconds)');
  await ensureShipped();
  say('building the app (a minute or two the first time)');
  splitEngine();
  mkdirSync(`${root}dist`, { recursive: true });
  const { code, out } = await runBeside('node_modules/.bin/ng', ['build'], { NG_CLI_ANALYTICS: 'false' });
  console.log(out.trim());
  if (code !== 0) process.exit(1);
  const app = `${root}dist/app/`;
  const names = readdirSync(app, { recursive: true }).filter((name) => /\.(js|css|json|wasm|bin)$/.test(name));
  await Promise.all(
    names.map(async (name) => {
      const params = { [constants.BROTLI_PARAM_QUALITY]: statSync(app + name).size > 2e6 ? 6 : 11 };
      writeFileSync(`${app}${name}.br`, await promisify(brotliCompress)(readFileSync(app + name), { params }));
    }),
  );
}
