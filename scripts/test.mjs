// `npm test`: installs what is missing, then lint, types, unit tests, checks against other programs, build and end-to-end tests.
import { mkdirSync, readFileSync } from 'node:fs';
import { root } from './files.mjs';
import { bundleTests } from './bundle-tests.mjs';
import { ensureBuilt, ensurePackages, ensurePrograms, run, runBeside, say } from './lib.mjs';
import { ensureShipped } from './predictions.mjs';

ensurePackages();
ensurePrograms([
  { program: 'chromium', package: 'chromium', why: 'the end-to-end tests drive it' },
  { program: 'ngspice', package: 'ngspice', why: 'the joints are checked against it' },
  { program: 'iverilog', package: 'iverilog', why: 'its captures are read and its keypad decoded' },
  { program: 'cc', package: 'gcc', why: 'the packed firmware is compiled with it' },
  { program: 'xmllint', package: 'libxml2-utils', why: 'the wiring sheet is checked with it' },
  { program: 'unzip', package: 'unzip', why: 'the zip is opened with it' },
]);

const results = `${root}test-results`;
mkdirSync(results, { recursive: true });
const bin = (name) => `${root}node_modules/.bin/${name}`;
const total = { passed: 0, failed: 0 };

function failed() {
  console.log(`${total.passed} passed, ${Math.max(1, total.failed)} failed`);
  process.exit(1);
}

/** Adds what a step counted; gives whether it went well. */
function take(name, code, count) {
  const { passed, failed: wrong } = count();
  total.passed += passed;
  total.failed += wrong;
  if (code !== 0) console.error(`${name}: failed`);
  return code === 0;
}

function step(name, command, args, count, env = {}) {
  say(name);
  if (!take(name, run(command, args, { env: { FORCE_COLOR: '0', ...env } }), count)) failed();
}

/** A step beside another one; what it said is shown once it is done. */
async function counted(name, command, args, count, env) {
  say(name);
  const { code, out } = await runBeside(command, args, { FORCE_COLOR: '0', ...env });
  console.log(out.trim());
  return take(name, code, count);
}

/** Checks that count nothing, beside each other; what each said is shown once it is done. */
async function together(steps) {
  say(steps.map(([name]) => name).join('; '));
  const codes = await Promise.all(
    steps.map(async ([name, command, args]) => {
      const { code, out } = await runBeside(command, args, { FORCE_COLOR: '0' });
      if (out.trim() !== '') console.log(out.trim());
      if (code !== 0) console.error(`${name}: failed`);
      return code;
    }),
  );
  if (codes.every((code) => code === 0)) return;
  console.log(`${total.passed} passed, ${codes.filter((code) => code !== 0).length} failed`);
  process.exit(1);
}

const read = (file) => JSON.parse(readFileSync(`${results}/${file}`, 'utf8'));
const vitest = (file) => () => ({ passed: read(file).numPassedTests, failed: read(file).numFailedTests });
const vitestArgs = (config, file) => [
  'run',
  '--config',
  config,
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${results}/${file}`,
];

await together([
  ['format, at the settings of .prettierrc.json', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['lint and import boundaries', bin('eslint'), ['.', '--max-warnings', '0']],
  ['exports, files and packages that nobody uses', bin('knip'), ['--no-progress']],
  ['types of the core, without a DOM', bin('tsc'), ['-p', 'core']],
  ['types of the workers', bin('tsc'), ['-p', 'tsconfig.worker.json', '--noEmit']],
  ['types of the command line, the server and the tests', bin('tsc'), ['-p', 'tsconfig.node.json']],
]);
say('drawing the predictions of Probe');
await ensureShipped();
say('bundling the tests');
const UNITS = await bundleTests('units', ['core', 'cli', 'server', 'app/store', 'app/rooms'], '.spec.ts');
const CHECKS = await bundleTests('checks', ['checks'], '.check.ts');
step('unit tests', bin('vitest'), vitestArgs('vitest.config.ts', 'unit.json'), vitest('unit.json'), {
  BUNDLED_TESTS: UNITS,
});
step('the kit of fields, through Material’s harnesses', bin('ng'), ['test'], vitest('kit.json'));
const checksOf = (project) => [...vitestArgs('vitest.checks.config.ts', `${project}.json`), '--project', project];
step('checks against other programs and published tables', bin('vitest'), checksOf('answers'), vitest('answers.json'), {
  BUNDLED_TESTS: CHECKS,
});
// Those that hold a time run one after the other, by what the machine does meanwhile: the build has the other core.
const [times] = await Promise.all([
  counted('checks that hold a time', bin('vitest'), checksOf('times'), vitest('times.json'), {
    BUNDLED_TESTS: CHECKS,
  }),
  ensureBuilt(),
]);
if (!times) failed();
step('end-to-end tests in Chromium', bin('playwright'), ['test'], () => {
  const { stats } = read('e2e.json');
  if (stats.flaky > 0) say(`${stats.flaky} of these needed a second try, and are named above as flaky`);
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
});
say('all done');
console.log(`${total.passed} passed, ${total.failed} failed`);
