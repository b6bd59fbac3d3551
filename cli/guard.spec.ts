import { readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { calledIn, root } from './called';

const { folder, gt, json } = calledIn();

beforeAll(() => {
  writeFileSync(join(folder, 'huge.json'), '');
  truncateSync(join(folder, 'huge.json'), 200e6);
});

describe('what can hurt, on the command line', () => {
  it('drills a job, and tells how far the nets of a board are apart', () => {
    const file = join(root, 'demo/yard-gate.json');
    const drill = json<{
      whole: boolean;
      broken: { never: string; power: string }[];
      answers: string[];
      left: object[];
    }>(...(['drill', file] as const));
    expect(drill.whole).toBe(true);
    expect(drill.broken.length).toBeGreaterThan(1);
    expect(drill.answers.length).toBeGreaterThan(1);
    expect(gt('drill', join(root, 'demo/glass-washer.json')).err).toContain('nothing can be drilled');
    const [board] = (JSON.parse(readFileSync(file, 'utf8')) as { guard: { boards: object[] } }).guard.boards;
    writeFileSync(
      join(folder, 'board.json'),
      JSON.stringify({ board: { ...board, slots: [], cleared: [] }, place: 'dry' }),
    );
    const apart = json<{ pairs: { surface: number; enough: boolean }[]; cures: object[] }>('apart', 'board.json');
    expect(apart.pairs[0]).toMatchObject({ surface: 0, enough: false });
    expect(apart.cures.length).toBeGreaterThan(0);
    writeFileSync(join(folder, 'off.json'), JSON.stringify({ ...board, pitch: 'wide' }));
    expect(gt('apart', 'off.json')).toMatchObject({ status: 2, err: expect.stringContaining('pitch') });
    expect(gt('apart', 'huge.json').status).toBe(2);
  });
});
