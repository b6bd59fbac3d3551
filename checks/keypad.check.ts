// A keypad scanned in an independent Verilog simulator; its value change dumps are read and decoded to the map that was built.
import { createReadStream, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { readCapture } from '../core/engines/capture';
import { decodeKeypad, type LabelledTiming } from '../core/engines/scan';
import { inFolderLater, runProgram } from './programs';

/** Which row and column each key joins: deliberately not in reading order, so that the map cannot be guessed. */
const KEYS: Record<string, readonly [row: number, column: number]> = {
  up: [2, 1],
  down: [0, 2],
  on: [3, 0],
  off: [1, 1],
  timer: [0, 0],
  fan: [2, 2],
};

/** Rows driven low one after the other, 1 ms of every 4 ms slot; columns pulled up; one key's switch closed. */
const verilog = (key: string | null, file: string): string => `
\`timescale 1us/1us
module pad;
  reg [3:0] row = 4'b1111;
  wire [2:0] col;
  pullup (col[0]);
  pullup (col[1]);
  pullup (col[2]);
  ${key ? `assign col[${KEYS[key]![1]}] = row[${KEYS[key]![0]}] ? 1'bz : 1'b0;` : ''}
  integer i, n;
  initial begin
    $dumpfile("${file}");
    $dumpvars(1, pad);
    for (n = 0; n < 30; n = n + 1)
      for (i = 0; i < 4; i = i + 1) begin
        // Scanned in the order 3, 1, 0, 2.
        #1500 row = 4'b1111 ^ (1 << ((32'h2013 >> (4 * i)) & 15));
        #1000 row = 4'b1111;
        #1500;
      end
    $finish;
  end
endmodule
`;

async function captured(folder: string, key: string | null): Promise<LabelledTiming> {
  const name = key ?? 'idle';
  const [source, program, dump] = [join(folder, `${name}.v`), join(folder, `${name}.vvp`), join(folder, `${name}.vcd`)];
  writeFileSync(source, verilog(key, dump));
  runProgram('iverilog', ['-o', program, source]);
  runProgram('vvp', [program]);
  const { timing, cutOff } = await readCapture(dump, createReadStream(dump), { only: ['row', 'col'] });
  expect(cutOff).toBe(false);
  return { label: name, timing };
}

describe('captures written by an independent simulator', () => {
  it('give period, width, polarity, strobe order and the whole key map', async () => {
    await inFolderLater(async (folder) => {
      const captures = [await captured(folder, null)];
      for (const key of Object.keys(KEYS)) captures.push(await captured(folder, key));
      const map = decodeKeypad(captures);
      expect(map.problems).toEqual([]);
      expect(map.scan!.periodSeconds).toBeCloseTo(0.016, 6);
      expect(map.scan!.widthSeconds).toBeCloseTo(0.001, 6);
      expect(map.scan!.polarity).toBe('low');
      // Any rotation of 3, 1, 0, 2 is the same order.
      const order = map.scan!.strobes.map((s) => Number(/\d+/.exec(s)![0]));
      const start = order.indexOf(3);
      expect([...order.slice(start), ...order.slice(0, start)]).toEqual([3, 1, 0, 2]);
      expect(Object.fromEntries(map.keys.map((k) => [k.label, [k.strobe, k.sense]]))).toEqual(
        Object.fromEntries(Object.entries(KEYS).map(([k, [r, c]]) => [k, [`row[${r}]`, `col[${c}]`]])),
      );
    });
  });

  it('are told as cut off where the file ends in the middle', async () => {
    await inFolderLater(async (folder) => {
      await captured(folder, null);
      const whole = readFileSync(join(folder, 'idle.vcd'), 'utf8');
      const middle = whole.lastIndexOf('b1');
      async function* pieces() {
        yield new TextEncoder().encode(whole.slice(0, middle + 3));
      }
      const { cutOff, timing } = await readCapture('cut.vcd', pieces(), { only: ['row', 'col'] });
      expect(cutOff).toBe(true);
      expect(timing.events).toBeGreaterThan(10);
    });
  });
});
