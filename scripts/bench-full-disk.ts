// Twenty browsers whose disk gets full in mid-edit and has room again: prints in how many it was told, keeping went on without a load, and
// what was typed meanwhile was there after a kill. Wants to be allowed to mount a file system in memory.
import { spawn } from 'node:child_process';
import { fullDisk } from '../e2e/full-disk';

const times = Number(process.argv[2] ?? 20);
const server = spawn('node', ['--import', 'tsx', 'server/main.ts', '--port', '4398'], { stdio: 'ignore' });
try {
  await new Promise((done) => setTimeout(done, 4000));
  const sum = { told: 0, misled: 0, wentOn: 0, there: 0 };
  for (let n = 0; n < times; n++) {
    const run = await fullDisk('http://127.0.0.1:4398', n);
    for (const key of ['told', 'misled', 'wentOn', 'there'] as const) sum[key] += run[key] ? 1 : 0;
    console.log(`run ${n + 1}: ${JSON.stringify(run)}`);
  }
  console.log(
    `${times} full disks: told in ${sum.told}, a load advised in ${sum.misled}, went on without a load in ${sum.wentOn}, ` +
      `all there after a kill in ${sum.there}`,
  );
  process.exitCode = sum.misled === 0 && [sum.told, sum.wentOn, sum.there].every((n) => n === times) ? 0 : 1;
} finally {
  server.kill();
}
