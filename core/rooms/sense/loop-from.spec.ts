import { describe, expect, it } from 'vitest';
import { legsOf, TraceReader } from '../../engines/trace';
import { warmRecording } from '../../../scripts/demo-recordings';
import { roomFrom } from './loop-from';

function legs(text: string) {
  const reader = new TraceReader('a.csv');
  reader.push(new TextEncoder().encode(text));
  return legsOf(reader.end());
}

describe('a loop from a logged temperature', () => {
  // The stand-in of the cabinet: 19.5 °C around it, 31 K by its heater, a time constant of 2100 s.
  const all = legs(warmRecording(5, '2026-11-28T20:00:00Z'));

  it('takes over how far and how fast it goes, and what is around it', () => {
    const room = roomFrom(all, 'warms');
    if (!room.ok) throw new Error(room.why);
    expect(room.numbers.kelvin! / 31).toBeCloseTo(1, 1);
    expect(room.numbers.tauSeconds! / 2100).toBeCloseTo(1, 1);
    expect(room.numbers.around).toBeCloseTo(19.5, 0);
  });

  it('takes nothing from a stretch that is too short, or where warming and cooling differ', () => {
    expect(roomFrom(all.slice(0, 1), 'warms')).toMatchObject({ ok: false, why: expect.stringContaining('left') });
    expect(
      roomFrom(
        all.map((l) => ({ ...l, short: true })),
        'warms',
      ),
    ).toMatchObject({ ok: false });
    const uneven = all.map((l) => (l.way === 'colder' ? { ...l, tauSeconds: 2 * l.tauSeconds } : l));
    expect(roomFrom(uneven, 'warms')).toMatchObject({ ok: false, why: expect.stringContaining('different rates') });
  });
});
