import { describe, expect, it } from 'vitest';
import { assess } from '../core/house/assess';
import { threadOf } from '../core/house/thread';
import { OF_SUPPLIES } from './situations/feed';
import { OF_PINS } from './situations/board';
import { OF_PRESSES } from './situations/motion';
describe('s', () => {
  it.each([...OF_SUPPLIES, ...OF_PINS, ...OF_PRESSES].map((s) => [s.what, s] as const))('%s', (_, s) => {
    const before = assess(s.sound).findings,
      after = assess(s.make(s.sound)).findings;
    const was = new Map(before.map((f) => [f.id, f.verdict]));
    const said = after.filter(
      (f) => s.rooms.includes(f.room as never) && f.verdict !== 'settled' && f.verdict !== (was.get(f.id) ?? 'settled'),
    );
    const sb = threadOf(before)
      .filter((b) => s.rooms.includes(b.room as never))
      .map((b) => b.room + ':' + b.verdict)
      .join(' ');
    const sa = threadOf(after)
      .filter((b) => s.rooms.includes(b.room as never))
      .map((b) => b.room + ':' + b.verdict)
      .join(' ');
    console.log(
      `${said.length ? 'ok   ' : 'HOLE '} ${s.what} | ${sb} → ${sa} | ${said
        .slice(0, 4)
        .map((f) => f.id + '=' + f.verdict)
        .join(', ')}`,
    );
    expect(true).toBe(true);
  });
});
