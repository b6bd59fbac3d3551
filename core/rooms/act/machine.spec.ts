import { describe, expect, it } from 'vitest';
import { edited, freshPart, type MachineKind, type MachinePart } from '../../ground/job';
import { demoJob, findingOf, machined } from '../../testing/jobs';
import { asReady, lacksOfPart, READY_MACHINES, sceneOf, tableOf } from '.';

const NOW = '2026-03-02T14:00:00Z';
const part = (kind: MachineKind, set: Partial<MachinePart> = {}): MachinePart => ({
  ...freshPart('it', 'it'),
  kind,
  shortestPressSeconds: 0.05,
  runSeconds: 10,
  ...set,
});
/** Where each event of a state leads. */
const row = (p: MachinePart, key: string) => tableOf(p).states.find((s) => s.key === key)!;

describe('what a part is, as a table', () => {
  it('has a row for each state and a column for each event of its kind', () => {
    const t = tableOf(part('opens-and-closes'));
    expect(t.events).toEqual(['open', 'close', 'stop', 'power lost', 'power back']);
    expect(t.states.map((s) => s.key).slice(0, 5)).toEqual(['closed', 'opening', 'open', 'closing', 'stopped']);
    expect(row(part('opens-and-closes', { backSeconds: 8 }), 'closing')).toMatchObject({
      speed: -1 / 8,
      atEnd: 'closed',
    });
    expect(row(part('steps', { modes: ['off', 'low', 'high'] }), 'high').on['press']).toBe('off');
    expect(row(part('travels-while-held'), 'opening').on['open let go']).toBe('stopped');
  });

  it('asks for its presses in turn, and begins again where it is cancelled', () => {
    const heeds = ['lid', 'water', 'ready'].map((press) => ({ press, other: false, as: 'press' as const }));
    const t = tableOf(part('in-turn', { heeds }));
    expect(
      t.states.slice(0, 4).map((s) => [s.key, s.on['press 1'], s.on['press 2'], s.on['press 3'], s.on['off']]),
    ).toEqual([
      ['at rest', 'after 1', undefined, undefined, undefined],
      ['after 1', undefined, 'after 2', undefined, 'at rest'],
      ['after 2', undefined, undefined, 'ready', 'at rest'],
      ['ready', undefined, undefined, undefined, 'at rest'],
    ]);
  });

  it('sleeps and is woken, has a timer of its own, is switched off by a long press, and goes back from what is in its way', () => {
    const sleepy = part('flips', { firstPressWakes: true, awakeSeconds: 20 });
    expect(tableOf(sleepy).start).toBe('asleep');
    expect(row(sleepy, 'asleep').on['press']).toBe('off');
    expect(row(sleepy, 'off').after).toEqual({ seconds: 20, then: 'asleep' });
    expect(row(part('flips', { timerSeconds: 60 }), 'on').after).toEqual({ seconds: 60, then: 'off' });
    expect(row(part('opens-and-closes', { timerSeconds: 60 }), 'open').after).toEqual({ seconds: 60, then: 'closing' });
    const long = part('steps', { longestPressSeconds: 3, longPress: 'off', modes: ['off', 'low'] });
    expect(row(long, 'low').on['press held long']).toBe('off');
    const gate = part('open-stop-close-stop', { whenBlocked: 'goes-back' });
    expect([row(gate, 'closing').on['obstacle'], row(gate, 'opening').on['obstacle']]).toEqual([
      'opening',
      'stopped on its way up',
    ]);
    expect(row(part('starts-and-stops-itself', { deafWhileBusy: true }), 'running').on['press']).toBeUndefined();
  });

  it('stands where the power left it if it has a way, and comes back as it is told if it has none', () => {
    expect(row(part('open-stop-close-stop', { afterPowerCut: 'on' }), 'opening').on['power lost']).toBe(
      'dark, stopped on its way up',
    );
    const back = (afterPowerCut: MachinePart['afterPowerCut']) =>
      row(part('flips', { afterPowerCut }), 'dark, off').on['power back'];
    expect([back('off'), back('as-before'), back('on')]).toEqual(['off', 'off', 'on']);
  });

  it('takes the cells that were set by hand over what follows', () => {
    const p = part('flips', {
      cells: [
        { state: 'on', event: 'press', to: '' },
        { state: 'off', event: 'nonsense', to: 'on' },
      ],
    });
    expect(row(p, 'on').on['press']).toBeUndefined();
    expect(row(p, 'off').on['nonsense']).toBeUndefined();
  });

  it('says what it lacks, what excludes each other, and what never rests', () => {
    expect(lacksOfPart(part('flips', { shortestPressSeconds: null, runSeconds: null }))).toBe(
      'the shortest press that it obeys',
    );
    expect(lacksOfPart(part('travels-while-held', { runSeconds: null }))).toBe('how long it travels');
    const pot = demoJob('rice-pot');
    const bad = (set: Partial<MachinePart>, id: string) => findingOf(machined(pot, set), `act.part.pot.${id}`);
    expect(bad({ runSeconds: null }, 'lacks')).toMatchObject({ verdict: 'unknown' });
    expect(bad({ runSeconds: 0 }, 'no-time')).toMatchObject({ verdict: 'stop' });
    expect(bad({ timerSeconds: 30 }, 'clash')).toMatchObject({
      verdict: 'stop',
      title: expect.stringContaining('timer'),
    });
    expect(bad({ kind: 'while-held', firstPressWakes: true, awakeSeconds: 5 }, 'clash')).toMatchObject({
      verdict: 'stop',
    });
  });
});

describe('ready machines', () => {
  it('are tables that can be run once their times are said, and keep the times that were', () => {
    const larder = demoJob('larder-dehumidifier');
    for (const ready of READY_MACHINES) {
      const bare = asReady(larder, { ...larder.act.parts[0]!, runSeconds: 12, awakeSeconds: 5 }, ready);
      const made = { ...bare, asks: bare.asks.map((a) => ({ ...a, seconds: 20 })) };
      expect(made.shortestPressSeconds, ready.key).toBe(0.06);
      expect(lacksOfPart(made), ready.key).toBe('');
      expect(tableOf(made).states.length, ready.key).toBeGreaterThan(2);
      const job = edited(larder, { do: 'put', list: 'act.parts', item: made }, NOW);
      expect(sceneOf(job)!.parts.length, ready.key).toBe(2);
    }
    const keypad = asReady(
      larder,
      larder.act.parts[0]!,
      READY_MACHINES.find((r) => r.key === 'keypad')!,
    );
    expect(keypad.heeds.map((h) => h.press)).toEqual(['power', 'dryness']);
    // Both directions of one motor have a role each.
    const hatch = demoJob('hatch-shutter');
    const shutter = asReady(
      hatch,
      hatch.act.parts[0]!,
      READY_MACHINES.find((r) => r.key === 'shutter')!,
    );
    expect(shutter.heeds).toEqual([
      { press: 'motor', other: false, as: 'open' },
      { press: 'motor', other: true, as: 'close' },
    ]);
    const second = asReady(larder, larder.act.parts[1]!, READY_MACHINES[0]!);
    expect(second.heeds).toEqual([{ press: 'dryness', other: false, as: 'press' }]);
  });
});
