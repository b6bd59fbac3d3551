import { describe, expect, it } from 'vitest';
import { alone, op } from '../../testing/worlds';
import { compileWorld, FLAG, freshLog, happeningsOf, LOGGED, runTo, worldOf } from './index';
import type { WorldEvent, HandWire, WorldPlan } from './plan';
import type { MachineTable } from './table';

/** A part that runs up and down while it is held. */
const state = (word: string, speed: number, on: Record<string, string>): MachineTable['states'][number] => ({
  key: word,
  word,
  speed,
  after: null,
  atEnd: speed === 0 ? null : 'still',
  on,
});
const lift: MachineTable = {
  start: 'still',
  events: ['up', 'up off', 'down', 'down off'],
  states: [
    state('still', 0, { up: 'rising', down: 'sinking' }),
    state('rising', 0.01, { 'up off': 'still' }),
    state('sinking', -0.01, { 'down off': 'still' }),
  ],
};
const channel = (line: number, down: string): WorldPlan['channels'][number] => ({
  line,
  part: 0,
  down,
  up: `${down} off`,
  held: '',
  least: 0,
  long: Infinity,
  gap: 0,
});
const wire = (set: Partial<HandWire>): HandWire => ({
  does: 'press',
  latching: false,
  line: -1,
  moves: [],
  delay: 0.05,
  most: Infinity,
  ...set,
});
const UP = 0;
const DOWN = 1;
const STOP = 2;
const BEGINS = 3;
const ARM = 4;
const ANSWER = 5;
const plan = (set: Partial<WorldPlan> = {}): WorldPlan => ({
  ...alone(lift),
  lines: 2,
  contacts: [1, 1],
  channels: [channel(0, 'up'), channel(1, 'down')],
  aparts: [{ lines: [0, 1], seconds: 0.5, lead: 0 }],
  hands: [
    wire({ line: 0 }),
    wire({ line: 1 }),
    wire({ does: 'stop', latching: true }),
    wire({ does: 'begin', moves: [0, 1] }),
    wire({ does: 'arm', latching: true, most: 1 }),
    wire({ does: 'answer' }),
  ],
  moves: [
    [op({ do: 'press', lines: [0], seconds: 2 })],
    [op({ do: 'press', lines: [1], seconds: 2 }), op({ do: 'call' })],
  ],
  twitches: [null, null],
  ...set,
});
const at = (t: number, what: WorldEvent['what'], of: number, how = 1): WorldEvent => ({ at: t, what, of, how });

/** Closed spans of each output, to the millisecond, and the world as it ends. */
function ran(p: WorldPlan, list: readonly WorldEvent[], end = 30) {
  const given = happeningsOf(list);
  const log = freshLog();
  const s = worldOf(compileWorld(p), given, log);
  runTo(s, end, given, log);
  const spans = [0, 1].map((line) => {
    const out: number[][] = [];
    for (let i = 0; i < log.count; i++) {
      if (log.kind[i] !== LOGGED.contact || log.index[i] !== line) continue;
      const t = Math.round(1e3 * log.at[i]!) / 1e3;
      if (log.value[i] === 1) out.push([t]);
      else out.at(-1)!.push(t);
    }
    return out;
  });
  return { s, up: spans[0], down: spans[1] };
}

describe('commands by message', () => {
  // Side 3 in place of the button that begins moves; no arm switch but where one is named.
  const far = (arm = false): WorldPlan =>
    plan({
      hands: plan().hands.map((h, i) =>
        i === BEGINS
          ? wire({ does: 'command', moves: [0, 1], delay: 0 })
          : i === ARM && !arm
            ? wire({ does: 'answer' })
            : h,
      ),
    });

  it('begin their moves in turn, each in the place of what runs, and fall back by themselves', () => {
    const { up, down } = ran(far(), [at(1, 'hand', BEGINS), at(1.8, 'hand', BEGINS), at(9, 'hand', BEGINS)]);
    // The other direction waits for the coast of half a second.
    expect(up).toEqual([
      [1, 1.8],
      [9, 11],
    ]);
    expect(down).toEqual([[2.3, 4.3]]);
  });

  it('are not obeyed while a hand presses or a stop holds, and the turn stays', () => {
    const { up, down } = ran(far(), [at(1, 'hand', DOWN, 3), at(2, 'hand', BEGINS), at(9, 'hand', BEGINS)]);
    expect(down).toEqual([[1.05, 4.05]]);
    expect(up).toEqual([[9, 11]]);
    expect(ran(far(), [at(1, 'hand', STOP), at(3, 'hand', BEGINS)]).up).toEqual([]);
  });

  it('heed no hand that a stop barred, though it is held and the plan closes the same output', () => {
    const list = [at(1, 'hand', UP, 20), at(2, 'hand', STOP), at(3, 'let-go', STOP)];
    const { up, down } = ran(far(), [...list, at(4, 'hand', BEGINS), at(5, 'hand', BEGINS)]);
    expect(up).toEqual([
      [1.05, 2.05],
      [4, 5],
    ]);
    expect(down).toEqual([[5.5, 7.5]]);
  });

  it('ask for arming where anything arms, and count against it', () => {
    const list = [at(1, 'hand', BEGINS), at(2, 'hand', ARM), at(3, 'hand', BEGINS), at(9, 'hand', BEGINS)];
    const { up, down, s } = ran(far(true), list);
    expect(up).toEqual([[3, 5]]);
    expect(down).toEqual([]);
    expect(s.flag[FLAG.armed]).toBe(0);
  });

  it('are lost where nobody carries them, and where the controller is dead', () => {
    expect(ran(far(), [at(1, 'nobody', BEGINS), at(2, 'hand', BEGINS), at(6, 'hand', BEGINS)]).up).toEqual([[6, 8]]);
    expect(ran(far(), [at(1, 'controller-out', 0, 5), at(3, 'hand', BEGINS)]).up).toEqual([]);
  });
});

describe('hands at the controller', () => {
  it('press while they are held, once they have settled, and shorter than that never', () => {
    expect(ran(plan(), [at(1, 'hand', UP, 2), at(5, 'hand', UP, 0.04)]).up).toEqual([[1.05, 3.05]]);
  });

  it('go before a move: it ends, and none starts while they press; the other direction waits for the coast', () => {
    const { up, down, s } = ran(plan(), [
      at(1, 'start', 0, 0),
      at(2, 'hand', DOWN, 3),
      at(3, 'start', 0, 0),
      at(10, 'start', 0, 0),
    ]);
    expect(up).toEqual([
      [1, 2.05],
      [10, 12],
    ]);
    expect(down).toEqual([[2.55, 5.05]]);
    expect(s.flag[FLAG.missedStarts]).toBe(1);
  });

  it('that ask for the other direction while one is pressed, or awaited, are not obeyed before they are let go', () => {
    const { up, down } = ran(plan(), [at(1, 'hand', UP, 4), at(2, 'hand', DOWN, 5), at(8, 'hand', DOWN, 1)]);
    expect(up).toEqual([[1.05, 5.05]]);
    expect(down).toEqual([[8.05, 9.05]]);
    const waiting = ran(plan(), [at(1, 'hand', UP, 1), at(2.1, 'hand', DOWN, 2), at(2.2, 'hand', UP, 2)]);
    expect(waiting.up).toEqual([[1.05, 2.05]]);
    expect(waiting.down).toEqual([[2.55, 4.15]]);
  });

  it('that stop end everything, hold until they are let go, and bar whoever still presses', () => {
    const list = [at(1, 'hand', UP, 9), at(3, 'hand', STOP), at(4, 'start', 0, 0), at(6, 'let-go', STOP)];
    const { up, s } = ran(plan(), list);
    expect(up).toEqual([[1.05, 3.05]]);
    expect(s.flag[FLAG.missedStarts]).toBe(1);
    expect(ran(plan(), [...list, at(12, 'hand', BEGINS)]).up).toEqual([
      [1.05, 3.05],
      [12.05, 14.05],
    ]);
  });

  it('begin moves in turn, and end the one that runs', () => {
    const { up, down, s } = ran(plan(), [at(1, 'hand', BEGINS), at(2.5, 'hand', BEGINS), at(9, 'hand', BEGINS)]);
    expect(up).toEqual([
      [1.05, 2.55],
      [9.05, 11.05],
    ]);
    expect(down).toEqual([[3.05, 5.05]]);
    expect(s.flag[FLAG.calls]).toBe(1);
    expect(s.flag[FLAG.open]).toBe(1);
    expect(ran(plan(), [at(1, 'start', 1, 0), at(9, 'hand', ANSWER)]).s.flag[FLAG.open]).toBe(0);
  });

  it('arm for so many starts, and for none where nobody came to arm anew', () => {
    const days = [at(1, 'hand', ARM), at(5, 'start', 0, 1), at(10, 'start', 0, 1)];
    expect(ran(plan(), days).up).toEqual([[5, 7]]);
    const again = [at(8, 'let-go', ARM), at(9, 'hand', ARM)];
    expect(ran(plan(), [...days, ...again]).up).toEqual([
      [5, 7],
      [10, 12],
    ]);
    expect(ran(plan(), [...days, ...again, at(7.5, 'nobody', ARM)]).up).toEqual([[5, 7]]);
  });

  it('that stay put are not obeyed after a power cut, but a stop is, and a switch that arms for any number', () => {
    const cut = at(3, 'controller-out', 0, 2);
    const latched = plan({ hands: plan().hands.map((h, i) => (i === UP ? { ...h, latching: true } : h)) });
    expect(ran(latched, [at(1, 'hand', UP), cut]).up).toEqual([[1.05, 3]]);
    const armed = [at(1, 'hand', ARM), cut, at(6, 'start', 0, 1)];
    expect(ran(plan(), armed).up).toEqual([]);
    const free = plan({ hands: plan().hands.map((h, i) => (i === ARM ? { ...h, most: Infinity } : h)) });
    expect(ran(free, armed).up).toEqual([[6, 8]]);
    expect(ran(plan(), [at(1, 'hand', STOP), cut, at(6, 'start', 0, 0)]).up).toEqual([]);
  });

  it('find both directions at rest only once the coast is over after power came back', () => {
    expect(ran(plan(), [at(3, 'controller-out', 0, 2), at(5.1, 'start', 1, 0)]).down).toEqual([[5.5, 7.5]]);
  });
});

describe('a sense', () => {
  const sensed = plan({
    senses: [{ part: 0, yes: ['rising'], taken: ['rising', 'still'], delay: 0, hold: 0, stale: null, away: false }],
    moves: [[op({ do: 'until', sense: 0, seconds: 20 }), op({ do: 'press', lines: [1], seconds: 1 })]],
  });
  const up = (t: number): WorldEvent => at(t, 'thumb', 0, 3);
  const called = (list: readonly WorldEvent[]): number =>
    ran(sensed, [at(1, 'start', 0, 0), ...list]).s.flag[FLAG.calls]!;

  it('whose next news is lost is heard again at the one after', () => {
    expect(called([up(3)])).toBe(0);
    expect(called([at(2, 'lost', 0), up(3)])).toBe(1);
    expect(called([at(2, 'lost', 0), up(3), up(9)])).toBe(0);
  });
  it('that has moved from its place says the same for ever', () => {
    expect(called([at(2, 'moved', 0), up(3)])).toBe(1);
  });
});

describe('two directions', () => {
  it('are never pressed in one step', () => {
    const both = plan({ moves: [[op({ do: 'press', lines: [0, 1], seconds: 1 })]] });
    expect(() => compileWorld(both)).toThrow('step 1 of move 1 presses both directions at once');
  });
  it('keep their whole length after the wait, and go on without one in the same direction', () => {
    const steps = [0, 1, 1, 0].map((line) => op({ do: 'press', lines: [line], seconds: 1 }));
    const { up, down } = ran(plan({ moves: [steps] }), [at(1, 'start', 0, 0)]);
    expect(up).toEqual([
      [1, 2],
      [5, 6],
    ]);
    // Two presses in a row are one: nothing lets go between them.
    expect(down).toEqual([[2.5, 4.5]]);
  });
});
