// Two hundred kills of the browser in mid-save; prints how many edits were lost that the screen had called kept.
import { spawn } from 'node:child_process';
import { killed } from '../e2e/kills';

const times = Number(process.argv[2] ?? 200);
const server = spawn('node_modules/.bin/tsx', ['server/main.ts', '--port', '4399'], { stdio: 'ignore' });
try {
  await new Promise((done) => setTimeout(done, 3000));
  const { edits, lost } = await killed('http://127.0.0.1:4399', times, (line) => console.log(line));
  console.log(`${times} kills, ${edits} edits, ${lost} lost that the screen called kept`);
  process.exitCode = lost > 0 ? 1 : 0;
} finally {
  server.kill();
}
