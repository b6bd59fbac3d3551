import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { MODEL_KINDS } from '../core/engines/circuit';
import { demoRows, type DemoRow } from '../core/house/demo-rows';
import { drawAhead, takeDrawnAhead } from '../core/rooms/probe';
import { particles } from '../core/rooms/probe/inference/builds';
import { runProgram } from './programs';

const shipped = (): Uint8Array =>
  readFileSync(new URL('../node_modules/.cache/predictions/predictions.bin', import.meta.url));
const bytesOf = (b: Uint8Array): ArrayBuffer =>
  b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer;

describe('predictions that are drawn when the program is built', () => {
  it('are to the last bit those that are drawn anew', () => {
    takeDrawnAhead(new ArrayBuffer(0));
    const anew = new Uint8Array(drawAhead());
    expect(Buffer.compare(anew, shipped())).toBe(0);
  });

  it('give the very findings of a demo job that drawing as one goes gives', () => {
    const root = new URL('..', import.meta.url).pathname;
    // The command line in processes of their own: nothing that was worked out before can help.
    runProgram('node', ['scripts/gt.mjs', 'assess', 'demo/yard-gate.json'], { cwd: root });
    const findings = (name: string, file: string): string =>
      runProgram('node', ['node_modules/.cache/gt.mjs', 'assess', `demo/${name}.json`], {
        cwd: root,
        env: { ...process.env, GT_PREDICTIONS: file },
      });
    for (const name of ['rice-pot', 'larder-dehumidifier', 'dough-proofer'])
      expect(findings(name, 'node_modules/.cache/predictions/predictions.bin')).toBe(findings(name, 'none'));
  });

  it('go with the very rows of the demo that working them out anew gives', () => {
    const demo = new URL('../demo/', import.meta.url);
    const jobs = readdirSync(demo).filter((name) => name.endsWith('.json'));
    const texts = jobs.map((name) => readFileSync(new URL(name, demo), 'utf8'));
    const rows = readFileSync(new URL('../node_modules/.cache/predictions/demo-rows.json', import.meta.url), 'utf8');
    const byId = (all: readonly DemoRow[]): DemoRow[] => [...all].sort((a, b) => a.id.localeCompare(b.id));
    expect(byId(JSON.parse(rows) as DemoRow[])).toEqual(byId(demoRows(texts)));
  });

  it('are not believed where they are cut off, or of another program', () => {
    expect(takeDrawnAhead(bytesOf(shipped().subarray(0, -8)))).toBe(false);
    const other = Float32Array.from(new Float32Array(bytesOf(shipped())), (x) => x * 1.001);
    expect(takeDrawnAhead(other.buffer)).toBe(false);
    // What is not believed is drawn here, and nothing is lost.
    for (const kind of MODEL_KINDS) expect(particles(kind).build(0).kind).toBe(kind);
    expect(takeDrawnAhead(bytesOf(shipped()))).toBe(true);
  });
});
