// Pairs, loads, pads, motors, knobs and buses as they are met: structures and values of common practice.
import type { Look, MachineState } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import { moving, still, type Control, type Sheet } from './board';
import { boardOhms, ends } from './buttons';
import { between, chance, closedOhms, decades, pick, resistor } from './draw';

/** A full wave in eight parts, as shares of its peak. */
const WAVE = [0.195, 0.556, 0.831, 0.981, 0.981, 0.831, 0.556, 0.195];

export function dryPair(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['terminals', 84],
    ['springs-back', 10],
    ['connector', 4],
    ['two-wires', 2],
  ]);
  const common = pick(random, [
    ['floating', 5],
    ['ground', 4],
    ['supply', 1.5],
  ] as const);
  const closed = closedOhms(random);
  const board = boardOhms(random);
  const feed = pick(random, [
    ['dc', 7],
    ['unfiltered', 1],
    ['24 VAC', 1.5],
    ['header', 1.5],
  ] as const);
  const volts =
    feed === 'header'
      ? pick(random, [
          [3.3, 1],
          [5, 2],
        ]) * between(random, 0.97, 1.03)
      : feed === '24 VAC'
        ? between(random, 22, 29)
        : pick(random, [
            [5, 1],
            [8, 1],
            [12, 6],
            [15, 1.5],
            [24, 5],
          ]) * between(random, 0.88, 1.15);
  const ohms =
    feed === '24 VAC'
      ? decades(random, 30, 2e3)
      : feed === 'header'
        ? resistor(random, 1e3, 10e3)
        : resistor(random, 330, 10e3);
  const base = { kind: 'dry-pair' as const, variant: `${feed}, ${common} common`, look };
  const draw =
    (share: number) =>
    (s: Sheet, state: MachineState): void => {
      const pressed = state === 'pressed';
      if (common === 'floating') {
        s.r('p', x, ohms).contact(x, y, pressed, closed).r(y, 'G', 5e8);
        if (s.powered) s.v('p', y, volts * share, 0.5);
        else s.r('p', y, board);
      } else if (common === 'ground') {
        s.r('p', x, ohms).r(y, 'G', 0.05).contact(x, y, pressed, closed);
        if (s.powered) s.v('p', 'G', volts * share, 0.5);
        else s.r('p', 'G', board);
      } else {
        if (s.powered) s.v('p', 'G', volts * share, 0.5);
        else s.r('p', 'G', board);
        s.r(y, 'p', 0.05).r(x, 'G', ohms).contact(x, y, pressed, closed);
      }
    };
  if (feed === 'dc' || feed === 'header') return still(base, 5, board, draw(1));
  const wave =
    feed === 'unfiltered' ? WAVE.map((w) => w * 1.3) : [...WAVE, ...WAVE.map((w) => -w)].map((w) => w * Math.SQRT2);
  return moving(
    base,
    5,
    board,
    wave.map(() => 1 / wave.length),
    feed === 'unfiltered' ? 100 : 50,
    () => true,
    (s, state, phase) => draw(phase < 0 ? 0 : wave[phase]!)(s, state),
  );
}

export function encoder(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['turns-on', 88],
    ['turns-to-stops', 5],
    ['connector', 5],
    ['springs-back', 2],
  ]);
  const tips = pick(random, [
    ['two phases', 6],
    ['a phase and its common', 4],
  ] as const);
  const common = pick(random, [
    ['ground', 6],
    ['supply', 2],
    ['driven', 2],
  ] as const);
  const { ohms, inChip } = {
    ohms: chance(random, 0.5) ? decades(random, 20e3, 100e3) : resistor(random, 1e3, 100e3),
    inChip: chance(random, 0.4),
  };
  const closed = closedOhms(random);
  const rest = Math.floor(random.next() * 4);
  const hertz = between(random, 3, 40);
  return moving(
    { kind: 'encoder', variant: `${tips}, ${common}`, look },
    pick(random, [
      [3.3, 1],
      [5, 1],
    ]) * between(random, 0.96, 1.04),
    boardOhms(random),
    [0.25, 0.25, 0.25, 0.25],
    hertz,
    (state) => state === 'turning',
    (s, state, phase) => {
      // Two contacts a quarter turn apart; unplugged and turned it stands somewhere else.
      const at = phase >= 0 ? phase : state === 'turning' ? (rest + 1) % 4 : rest;
      const [first, second] = [at === 1 || at === 2, at === 2 || at === 3];
      const phaseLine = (node: string, made: boolean): void => {
        if (common === 'driven') s.pin(node, made ? 'low' : 'high', 500);
        else {
          s.pull(node, common === 'supply' ? 'G' : 'V', ohms, inChip).pin(node, 'open', 1);
          if (tips === 'two phases') s.contact(node, common === 'supply' ? 'V' : 'G', made, closed);
        }
      };
      phaseLine(x, first);
      if (tips === 'two phases') phaseLine(y, second);
      else {
        s.r(y, common === 'supply' ? 'V' : 'G', 0.05);
        if (common !== 'driven') s.contact(x, y, first, closed);
      }
    },
  );
}

export function bus(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['connector', 88],
    ['terminals', 6],
    ['two-wires', 4],
    ['springs-back', 2],
  ]);
  const variant = pick(random, [
    ['push-pull and ground', 4],
    ['two push-pull lines', 2],
    ['open drain, two lines', 3],
    ['single wire at 12 V', 1.5],
  ] as const);
  const volts =
    variant === 'single wire at 12 V'
      ? between(random, 11, 14)
      : pick(random, [
          [3.3, 5],
          [5, 5],
        ]) * between(random, 0.96, 1.04);
  const talks = chance(random, 0.5);
  const busy = decades(random, 0.02, 0.4);
  const pull = variant === 'single wire at 12 V' ? 1e3 : resistor(random, 1e3, 10e3);
  const open = variant === 'open drain, two lines' || variant === 'single wire at 12 V';
  const one = variant === 'push-pull and ground' || variant === 'single wire at 12 V';
  return moving(
    { kind: 'serial-bus', variant: `${variant}${talks ? '' : ', silent'}`, look },
    volts,
    boardOhms(random),
    [busy, 1 - busy],
    decades(random, 50, 40e3),
    () => talks,
    (s, _state, phase) => {
      const line = (node: string): void => {
        s.pin(node, phase === 0 ? 'low' : open ? 'open' : 'high', 50);
        if (open) s.r(node, 'V', pull);
      };
      line(x);
      if (one) s.r(y, 'G', 0.05);
      else line(y);
    },
  );
}
