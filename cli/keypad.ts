import { createReadStream, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { CaptureProblem, readCapture } from '../core/engines/capture';
import type { Keypad } from '../core/ground/job';
import { decodeKeypad, ghosts, sharedLines, type LabelledTiming } from '../core/engines/scan';
import { Unusable } from './unusable';

/** The name of a capture without folder and ending: `idle`, or the key that was held. */
const labelOf = (file: string): string => basename(file).replace(/\.(vcd|csv|txt)$/i, '');

async function timingOf(file: string, only: readonly string[]): Promise<LabelledTiming & { cutOff: boolean }> {
  try {
    const { timing, cutOff } = await readCapture(file, createReadStream(file, { highWaterMark: 1 << 20 }), { only });
    return { label: labelOf(file), timing, cutOff };
  } catch (error) {
    if (error instanceof CaptureProblem) throw new Unusable(`${file}: ${error.message}`);
    throw new Unusable(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}

/**
 * The key map of a pad from captures named after the key that was held, one of them named `idle`.
 * @param out file to write the map to; it is given back as well.
 */
export async function keypadVerb(
  files: readonly string[],
  out: string | undefined,
  only: readonly string[],
): Promise<unknown> {
  const captures: (LabelledTiming & { cutOff: boolean })[] = [];
  for (const file of files) captures.push(await timingOf(file, only));
  const map = decodeKeypad(captures);
  const pad: Keypad = {
    id: 'pad',
    name: 'pad',
    rows: 1,
    columns: 16,
    scan: map.scan,
    keys: map.keys.map((k, i) => ({ label: k.label, row: 0, column: i, lines: [k.strobe, k.sense], from: 'capture' })),
  };
  const cut = captures
    .filter((c) => c.cutOff)
    .map((c) => ({ label: c.label, text: 'The file ends in the middle of a word; what came before was read.' }));
  const result = {
    scan: map.scan,
    keys: map.keys.map(({ label, strobe, sense, overlap }) => ({ label, strobe, sense, overlap })),
    sharedLines: sharedLines(pad),
    ghosts: ghosts(pad),
    problems: [...map.problems, ...cut],
  };
  if (out) {
    try {
      writeFileSync(out, `${JSON.stringify(result, null, 2)}\n`);
    } catch (error) {
      throw new Unusable(`${out}: cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
    }
  }
  return result;
}
