import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, freshHand, type Hand, type Job } from '../../ground/job';
import { demoJob, pressed } from '../../testing/jobs';
import { handsIn } from '.';

const NOW = '2026-03-02T14:00:00Z';
const withHand = (job: Job, set: Partial<Hand>): Job =>
  edited(
    { ...job, hands: [], board: { ...job.board, pins: [] } },
    { do: 'put', list: 'hands', item: { ...freshHand('h', 'h'), ...set } },
    NOW,
  );

describe('what hands do', () => {
  const shutter = demoJob('hatch-shutter');
  it('is told of each side, and a rocker that asks for one motor both ways asks for its other direction', () => {
    const rocker = handsIn(withHand(shutter, { kind: 'rocker', asks: ['motor', 'motor'] }));
    expect(rocker.map((h) => [h.id, h.asks, h.other])).toEqual([
      ['h/up', 'motor', false],
      ['h/down', 'motor', true],
    ]);
    // A press that has but one side is pressed by both.
    const plain = pressed(shutter, { way: 'relay-contact' });
    expect(handsIn(withHand(plain, { kind: 'rocker', asks: ['motor', 'motor'] })).map((h) => h.other)).toEqual([
      false,
      false,
    ]);
    expect(handsIn(withHand(shutter, { kind: 'rocker', asks: ['', 'motor'] })).map((h) => h.asks)).toEqual([
      '',
      'motor',
    ]);
  });

  it('is what its kind says: a stop that was a button before stops, whatever it began then', () => {
    for (const kind of ['stop', 'arm', 'answer'] as const) {
      const [hand] = handsIn(withHand(shutter, { kind, begins: ['open'] }));
      expect(hand).toMatchObject({ does: kind, moves: [], asks: '' });
    }
    expect(handsIn(withHand(shutter, { kind: 'button', begins: ['open', 'close'] }))[0]).toMatchObject({
      does: 'begin',
      moves: [0, 1],
    });
  });
});

describe('two hands on keys of one pad', () => {
  it('are a stop: their numbers would mix', () => {
    const proofer = demoJob('dough-proofer');
    const key = (id: string, asks: string): Hand => ({ ...freshHand(id, id), kind: 'button', asks: [asks] });
    const both = { ...proofer, hands: [key('a', 'key-2'), key('b', 'key-7')] };
    expect(assess(both).findings.find((f) => f.id === 'act.keys.hands')?.verdict).toBe('stop');
    const one = { ...proofer, hands: [key('a', 'key-2'), key('b', 'key-2')] };
    expect(assess(one).findings.some((f) => f.id === 'act.keys.hands')).toBe(false);
  });
});
