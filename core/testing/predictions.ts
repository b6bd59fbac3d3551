import { existsSync, readFileSync } from 'node:fs';
import { takeDrawnAhead } from '../rooms/probe';

// For tests: the predictions that were drawn when the program was built, as the built program takes them, once for all files of a worker.
const FILE = new URL('../../node_modules/.cache/predictions/predictions.bin', import.meta.url);
const TAKEN = Symbol.for('predictions taken');
const here = globalThis as unknown as Record<symbol, true | undefined>;
if (!here[TAKEN] && existsSync(FILE)) {
  here[TAKEN] = true;
  const { buffer, byteOffset, byteLength } = readFileSync(FILE);
  takeDrawnAhead(buffer.slice(byteOffset, byteOffset + byteLength) as ArrayBuffer);
}
