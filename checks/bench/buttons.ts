// Buttons, ladders, keypads, latches and selectors as they are met: structures and values of common practice.
import type { Look, MachineState } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import { moving, still, type Control } from './board';
import { between, chance, closedOhms, decades, logicVolts, pick, resistor } from './draw';

/** Tips stand on the two terminals in either order. */
export const ends = (random: Random): ['A', 'B'] | ['B', 'A'] => (chance(random, 0.5) ? ['A', 'B'] : ['B', 'A']);
export const boardOhms = (random: Random): number => decades(random, 150, 300e3);

function buttonLook(random: Random): Look {
  return pick<Look>(random, [
    ['springs-back', 80],
    ['membrane', 13],
    ['terminals', 4],
    ['rocker', 1.5],
    ['stays-down', 0.5],
    ['connector', 1],
  ]);
}

/** Pull of a button line: on the board, or inside the chip. */
function pullOf(random: Random, chipShare: number): { ohms: number; inChip: boolean } {
  const inChip = chance(random, chipShare);
  return { inChip, ohms: inChip ? decades(random, 20e3, 100e3) : resistor(random, 1e3, 220e3) };
}

/** A button that joins its line to ground or to the supply, the pull on the other side, now and then a resistor in the far leg. */
function plain(
  random: Random,
  kind: 'low-when-pressed' | 'high-when-pressed',
  chipShare: number,
  legShare: number,
): Control {
  const [rail, far] = kind === 'low-when-pressed' ? (['V', 'G'] as const) : (['G', 'V'] as const);
  const [x, y] = ends(random);
  const look = buttonLook(random);
  const { ohms, inChip } = pullOf(random, chipShare);
  const leg = chance(random, legShare) ? resistor(random, 100, 1000) : 0.05;
  const closed = closedOhms(random, look === 'membrane');
  return still(
    { kind, variant: `${inChip ? 'chip' : 'board'} pull${leg > 1 ? ', resistor in the far leg' : ''}`, look },
    logicVolts(random),
    boardOhms(random),
    (s, state) =>
      s
        .pull(x, rail, ohms, inChip)
        .pin(x, 'open', 1)
        .r(y, far, leg)
        .contact(x, y, state === 'pressed', closed),
  );
}
export const low = (random: Random): Control => plain(random, 'low-when-pressed', 0.35, 0.15);
export const high = (random: Random): Control => plain(random, 'high-when-pressed', 0.25, 0.2);

export function ladder(random: Random): Control {
  const [x, y] = ends(random);
  const look = buttonLook(random);
  const volts = logicVolts(random);
  const board = boardOhms(random);
  const pull = resistor(random, 1e3, 100e3);
  const own = resistor(random, pull * 0.05, pull * 4);
  const other = resistor(random, pull * 0.05, pull * 4);
  const closed = closedOhms(random, look === 'membrane');
  const variant = pick(random, [
    ['resistor to ground', 4],
    ['resistor at the line', 3],
    ['chain', 3],
    ['no resistor of its own', 2],
    ['to the supply', 2],
    ['to the supply, resistor at the line', 1],
  ] as const);
  const base = { kind: 'ladder' as const, variant, look };
  switch (variant) {
    case 'resistor to ground':
    case 'no resistor of its own':
      return still(base, volts, board, (s, state) =>
        s
          .r('V', x, pull)
          .pin(x, 'open', 1)
          .r(y, 'G', variant === 'resistor to ground' ? own : 0.05)
          .contact(x, y, state === 'pressed', closed)
          .contact(x, 'n', state === 'neighbour', closed)
          .r('n', 'G', other),
      );
    case 'resistor at the line':
      return still(base, volts, board, (s, state) =>
        s
          .r('V', 'line', pull)
          .pin('line', 'open', 1)
          .r('line', x, own)
          .r(y, 'G', 0.05)
          .contact(x, y, state === 'pressed', closed)
          .contact('line', 'n', state === 'neighbour', closed)
          .r('n', 'G', other),
      );
    case 'chain': {
      // Its key joins one tap of a chain to ground; a neighbour joins the next tap, nearer to the line or further off.
      const nearer = chance(random, 0.5);
      return still(base, volts, board, (s, state) => {
        s.r('V', 'line', pull).pin('line', 'open', 1);
        if (nearer) s.r('line', 'n', other).r('n', x, own);
        else s.r('line', x, own).r(x, 'n', other);
        s.r(y, 'G', 0.05)
          .contact(x, y, state === 'pressed', closed)
          .contact('n', 'G', state === 'neighbour', closed);
      });
    }
    case 'to the supply':
      return still(base, volts, board, (s, state) =>
        s
          .r('G', x, pull)
          .pin(x, 'open', 1)
          .r(y, 'V', own)
          .contact(x, y, state === 'pressed', closed)
          .contact(x, 'n', state === 'neighbour', closed)
          .r('n', 'V', other),
      );
    case 'to the supply, resistor at the line':
      return still(base, volts, board, (s, state) =>
        s
          .r('G', 'line', pull)
          .pin('line', 'open', 1)
          .r('line', x, own)
          .r(y, 'V', 0.05)
          .contact(x, y, state === 'pressed', closed)
          .contact('line', 'n', state === 'neighbour', closed)
          .r('n', 'V', other),
      );
  }
}

export function scanned(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['membrane', 48],
    ['springs-back', 44],
    ['connector', 4],
    ['terminals', 1.5],
    ['rocker', 1],
  ]);
  const volts =
    pick(random, [
      [3.3, 5],
      [5, 6],
      [3, 1],
      [1.8, 0.5],
    ]) * between(random, 0.96, 1.04);
  const activeLow = chance(random, 0.75);
  const rest = pick(random, [
    ['scanning', 6],
    ['released', 1.5],
    ['asleep', 2.5],
  ] as const);
  const inChip = chance(random, 0.6);
  const pull = inChip ? decades(random, 20e3, 100e3) : resistor(random, 3.3e3, 100e3);
  const drive = decades(random, 20, 300);
  const width = decades(random, 0.005, 0.5);
  const hertz = 1 / decades(random, 1e-3, 50e-3);
  const closed = closedOhms(random, look !== 'springs-back');
  const diode = chance(random, 0.2);
  const sharesSense = chance(random, 0.4);
  const pullTo = activeLow ? ('V' as const) : ('G' as const);
  const idleLevel = activeLow ? 'high' : 'low';
  const activeLevel = activeLow ? 'low' : 'high';
  const moves = (state: MachineState): boolean => rest !== 'asleep' || state === 'pressed' || state === 'neighbour';
  return moving(
    {
      kind: 'scanned-matrix',
      variant: `${rest}, active ${activeLow ? 'low' : 'high'}${diode ? ', key diodes' : ''}`,
      look,
    },
    volts,
    boardOhms(random),
    [width, 1 - width],
    hertz,
    moves,
    (s, state, phase) => {
      // Phase 0 is this key's strobe, the rest of the period belongs to the others; asleep, every strobe waits at its active level.
      const strobe = phase === -1 || phase === 0 ? activeLevel : rest === 'released' ? 'open' : idleLevel;
      s.pin(x, s.powered ? strobe : 'open', drive)
        .pull(y, pullTo, pull, inChip)
        .pin(y, 'open', 1);
      const pressed = state === 'pressed';
      if (diode) {
        s.contact(x, 'k', pressed, closed);
        if (activeLow) s.d(y, 'k');
        else s.d('k', y);
      } else s.contact(x, y, pressed, closed);
      // A neighbour on the same sense line pulls it while its own strobe is active.
      if (state === 'neighbour' && sharesSense && s.powered && phase === 1)
        s.r(y, activeLow ? 'G' : 'V', drive + pull * (1 / width));
    },
  );
}

export function latch(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['stays-down', 84],
    ['rocker', 9],
    ['springs-back', 4],
    ['turns-to-stops', 2],
    ['terminals', 1],
  ]);
  const toSupply = chance(random, 0.3);
  const { ohms, inChip } = pullOf(random, 0.3);
  const closed = closedOhms(random);
  return still(
    { kind: 'latching-switch', variant: toSupply ? 'to the supply' : 'to ground', look },
    logicVolts(random),
    boardOhms(random),
    (s, state) =>
      s
        .pull(x, toSupply ? 'G' : 'V', ohms, inChip)
        .pin(x, 'open', 1)
        .r(y, toSupply ? 'V' : 'G', 0.05)
        .contact(x, y, state === 'pressed' || state === 'released', closed),
  );
}

export function selector(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['turns-to-stops', 88],
    ['turns-on', 5],
    ['rocker', 3],
    ['terminals', 2],
    ['connector', 2],
  ]);
  const common = pick(random, [
    ['ground', 6],
    ['supply', 3],
    ['driven output', 1.5],
  ] as const);
  const atRest = chance(random, 0.4);
  const { ohms, inChip } = pullOf(random, 0.35);
  const closed = closedOhms(random);
  return still(
    { kind: 'selector', variant: `common at ${common}, ${atRest ? 'on this position' : 'elsewhere'}`, look },
    logicVolts(random),
    boardOhms(random),
    (s, state) => {
      s.pull(x, common === 'supply' ? 'G' : 'V', ohms, inChip).pin(x, 'open', 1);
      if (common === 'driven output') s.pin(y, 'low', 80);
      else s.r(y, common === 'supply' ? 'V' : 'G', 0.05);
      s.contact(x, y, atRest !== (state === 'turning'), closed);
    },
  );
}
