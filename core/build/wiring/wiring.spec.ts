import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import {
  edited,
  freshHand,
  freshPress,
  freshSense,
  freshSign,
  type Job,
  type JobEdit,
  type Press,
} from '../../ground/job';
import { demoJob, pressed } from '../../testing/jobs';
import { wholeBill, wholeWiring } from '../../house/job-wiring';

const NOW = '2026-03-02T14:00:00Z';
const wired = (job: Job) => wholeWiring(job, assess(job));
const larder = demoJob('larder-dehumidifier');
const pot = demoJob('rice-pot');
const put = (job: Job, ...edits: JobEdit[]): Job => edited(job, { do: 'several', edits }, NOW);
const second = (set: Partial<Press>): Job => put(larder, { do: 'set', at: 'press', of: 'dryness', set: set as never });

describe('the wires of a whole machine', () => {
  it('are numbered through, each once, over presses, senses, hands and signs', () => {
    for (const name of ['rice-pot', 'yard-gate', 'larder-dehumidifier', 'steam-flaps'] as const) {
      const numbers = wired(demoJob(name)).wires.map((w) => w.number);
      expect(new Set(numbers).size, name).toBe(numbers.length);
      expect([...numbers].sort((a, b) => a - b)).toEqual(numbers);
    }
  });

  it('reach a common ground once: the second press is joined to the first, and the spare conductor is named', () => {
    const { wires, unused } = wired(larder);
    expect(wires.filter((w) => / B$/.test(w.to)).map((w) => w.to)).toEqual(['power B']);
    const jumper = wires.find((w) => w.jumper)!;
    expect(jumper).toMatchObject({ of: 'dryness', from: 'dryness: output 2', to: 'power: output 2' });
    expect(unused).toEqual([{ terminal: 'dryness B', by: 4, net: 'ground' }]);
  });

  it('leave a second ground wire out where both presses hang on the controller’s ground already', () => {
    const both = put(
      larder,
      { do: 'set', at: 'press', of: 'power', set: { way: 'npn-to-ground' } },
      { do: 'set', at: 'press', of: 'dryness', set: { way: 'npn-to-ground' } },
    );
    const { wires, unused } = wired(both);
    expect(wires.filter((w) => / B$/.test(w.to))).toHaveLength(1);
    expect(wires.some((w) => w.jumper)).toBe(false);
    expect(unused.map((u) => u.terminal)).toEqual(['dryness B']);
  });

  it('are kept apart where two presses have one name: a contact of one is none of the other', () => {
    const named = put(larder, { do: 'set', at: 'press', of: 'dryness', set: { name: 'power' } });
    const count = (job: Job): number => wired(job).wires.filter((w) => w.jumper).length;
    expect(count(named)).toBe(count(larder));
    expect(count(named)).toBe(1);
  });

  it('take no common for granted that nobody read', () => {
    const unread = put(
      larder,
      ...larder.readings
        .filter((r) => r.control === 'control-dryness')
        .map((r): JobEdit => ({ do: 'strike-reading', id: r.id, struck: true })),
    );
    expect(wired(unread).unused).toEqual([]);
  });

  it('share a terminal of a strip that two pairs have, and one that a meter found joined', () => {
    const gate = demoJob('yard-gate');
    const pairs = [
      [3, 4],
      [5, 4],
      [6, 1],
    ];
    const names = pairs.map(([a, b]) => `back.${a}.${b}`);
    const base: Job = {
      ...gate,
      controls: names.map((name, i) => ({
        ...gate.controls[0]!,
        id: `c${i}`,
        name,
        strip: 'strip-back',
        terminals: pairs[i]!,
      })),
      readings: gate.readings
        .filter((r) => r.control === 'control-gate')
        .flatMap((r) => names.map((_, i) => ({ ...r, id: `${r.id}-${i}`, control: `c${i}` }))),
      presses: names.map((name, i) => ({ ...freshPress(`p${i}`, name, `c${i}`), way: 'solid-state-relay' as const })),
      act: { ...gate.act, moves: [] },
      senses: [],
      hands: [],
      signs: [],
      board: { ...gate.board, pins: [] },
    };
    expect(wired(base).unused.map((u) => u.terminal)).toEqual(['back.5.4 B']);
    const joined: Job = {
      ...base,
      readings: [
        ...base.readings,
        {
          ...gate.readings.find((r) => r.kind === 'ohms')!,
          id: 'joined',
          control: 'strip-back',
          from: { kind: 'contact', name: '4' },
          to: { kind: 'contact', name: '1' },
          relation: '=',
          value: 0.2,
        },
      ],
    };
    expect(wired(joined).unused.map((u) => u.terminal)).toEqual(['back.5.4 B', 'back.6.1 B']);
  });

  it('put a second contact in series: a driver and a pin of its own, twice the parts, and one wire between the two', () => {
    const one = wired(larder);
    const two = wired(second({ twoContacts: true }));
    const between = two.wires.find((w) => w.to === 'dryness: output 1 of contact 2')!;
    expect(between.from).toBe('dryness: output 2 of contact 1');
    // Each contact its pin, ground and pull-down; the two sides, and the wire between.
    expect(two.wires.filter((w) => w.of === 'dryness')).toHaveLength(7 + 4);
    const count = (w: typeof one): number => w.parts.find((p) => p.name === 'solid-state relay')!.quantity;
    expect([count(one), count(two)]).toEqual([2, 3]);
    const a = assess(second({ twoContacts: true }));
    expect(a.lines.filter((l) => l.owner === 'dryness')).toHaveLength(2);
    // 2.5 Ω at most of one contact, 5 Ω of two: the pressed level follows.
    const level = (job: Job): number =>
      assess(job).findings.find((f) => f.id === 'thumb.solid-state-relay.pressed-level@dryness')!.value!.value;
    expect(level(second({ twoContacts: true })) / level(larder)).toBeGreaterThan(1.5);
  });

  it('stop two contacts in series of a way that has no contact to stand twice', () => {
    const found = assess(second({ way: 'optocoupler', twoContacts: true })).findings;
    expect(found.find((f) => f.id === 'thumb.optocoupler.series@dryness')!.verdict).toBe('stop');
  });
});

describe('what stands at the controller', () => {
  const job = put(
    pot,
    { do: 'put', list: 'hands', item: { ...freshHand('rock', 'rocker'), kind: 'rocker', asks: ['start'] } },
    { do: 'put', list: 'signs', item: { ...freshSign('lamp', 'lamp'), forwardVolts: 2, amps: 0.005 } },
    { do: 'put', list: 'signs', item: { ...freshSign('horn', 'horn'), kind: 'beeper', amps: 0.04 } },
    {
      do: 'put',
      list: 'senses',
      item: { ...freshSense('five', 'tank'), kind: 'light', highVolts: 5, joint: 'divider' },
    },
  );
  const { wires, parts, panel } = wired(job);
  const of = (name: string) => wires.filter((w) => w.of === name);

  it('is wired with its resistor, its common, its transistor, its divider', () => {
    expect(of('rocker').map((w) => w.from)).toEqual(['pin ?', 'pin ?', 'rocker common']);
    // (3.2 V − 2 V) / 5 mA is 240 Ω, and the next of E12 above is 270 Ω.
    expect(parts.find((p) => p.name === 'resistor, of a lamp')!.value).toContain('270 Ω');
    // 40 mA at a forced gain of 15 want 2.67 mA: (2.9 V − 0.7 V) / 2.67 mA is 825 Ω, and the next below is 820 Ω.
    expect(parts.find((p) => p.name === 'resistor, of a sign’s base')!.value).toContain('820 Ω');
    expect(of('horn').map((w) => w.to)).toContain('horn +');
    // 10 kΩ · (5 V / (0.9 · 3.4 V) − 1) is 6.34 kΩ.
    expect(parts.find((p) => p.name === 'resistor, upper of a divider')!.value).toContain('6.34 kΩ');
    expect(panel.find((t) => t.id === 'rock')!.what).toBe('asks for start when up');
  });

  it('is judged: a lamp that the pin cannot light, a contact that bounces for longer than it settles', () => {
    const found = (edit: JobEdit, id: string) => assess(put(job, edit)).findings.find((f) => f.id === id)!;
    expect(
      found(
        { do: 'put', list: 'signs', item: { ...freshSign('lamp', 'lamp'), forwardVolts: 3.3 } },
        'board.sign.lamp.seen',
      ).verdict,
    ).toBe('stop');
    expect(
      found(
        { do: 'put', list: 'hands', item: { ...freshHand('rock', 'rocker'), kind: 'rocker', debounceSeconds: 0.002 } },
        'board.hand.rock.debounce',
      ),
    ).toMatchObject({ verdict: 'stop', remedy: { label: 'Use 30 ms' } });
    expect(
      found(
        { do: 'put', list: 'signs', item: { ...freshSign('lamp', 'lamp'), resistorOhms: 47 } },
        'board.sign.lamp.pin-current',
      ).verdict,
    ).toBe('stop');
  });

  it('keeps the colour that was chosen for a wire when another press gains one', () => {
    const key = wires.find((w) => w.of === 'lamp')!.key;
    const red = put(job, { do: 'set', at: 'bench', set: { colours: { [key]: 'red' } } });
    expect(wired(red).wires.find((w) => w.key === key)!.colour).toBe('red');
    const longer = pressed(red, { way: 'relay-contact' });
    expect(wired(longer).wires.find((w) => w.key === key)!.colour).toBe('red');
    expect(wired(longer).wires.find((w) => w.key === key)!.number).not.toBe(wires.find((w) => w.key === key)!.number);
  });

  it('stands in one bill for all machines', () => {
    const flaps = demoJob('steam-flaps');
    const bill = wholeBill(flaps, wired(flaps));
    expect(bill.lines.find((l) => l.name === 'motor bridge')!.quantity).toBe(16);
    expect(new Set(bill.lines.map((l) => `${l.name} ${l.value}`)).size).toBe(bill.lines.length);
  });
});
