// Pairs, loads, pads, motors, knobs and buses as they are met: structures and values of common practice.
import type { Look, MachineState } from '../../core/job';
import type { Random } from '../../core/quantity';
import { moving, still, type Control, type Sheet } from './board';
import { boardOhms, ends } from './buttons';
import { between, chance, closedOhms, decades, pick, resistor } from './draw';

/** A full wave in eight parts, as shares of its peak. */
const WAVE = [0.195, 0.556, 0.831, 0.981, 0.981, 0.831, 0.556, 0.195];

export function dryPair(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [['terminals', 84], ['springs-back', 10], ['connector', 4], ['two-wires', 2]]);
  const common = pick(random, [['floating', 5], ['ground', 4], ['supply', 1.5]] as const);
  const closed = closedOhms(random);
  const board = boardOhms(random);
  const feed = pick(random, [['dc', 7], ['unfiltered', 1], ['24 VAC', 1.5], ['header', 1.5]] as const);
  const volts = feed === 'header' ? pick(random, [[3.3, 1], [5, 2]]) * between(random, 0.97, 1.03) : feed === '24 VAC' ? between(random, 22, 29) : pick(random, [[5, 1], [8, 1], [12, 6], [15, 1.5], [24, 5]]) * between(random, 0.88, 1.15);
  const ohms = feed === '24 VAC' ? decades(random, 30, 2e3) : feed === 'header' ? resistor(random, 1e3, 10e3) : resistor(random, 330, 10e3);
  const base = { kind: 'dry-pair' as const, variant: `${feed}, ${common} common`, look };
  const draw = (share: number) => (s: Sheet, state: MachineState): void => {
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
  const wave = feed === 'unfiltered' ? WAVE.map((w) => w * 1.3) : [...WAVE, ...WAVE.map((w) => -w)].map((w) => w * Math.SQRT2);
  return moving(base, 5, board, wave.map(() => 1 / wave.length), feed === 'unfiltered' ? 100 : 50, () => true, (s, state, phase) => draw(phase < 0 ? 0 : wave[phase]!)(s, state));
}

export function load(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [['rocker', 60], ['springs-back', 12], ['stays-down', 9], ['turns-to-stops', 9], ['terminals', 7], ['two-wires', 3]]);
  const stays = look !== 'springs-back' && look !== 'terminals';
  const on = (state: MachineState): boolean => state === 'pressed' || (stays && state === 'released');
  const closed = decades(random, 0.01, 0.5);
  const where = pick(random, [['high side', 3], ['low side', 3], ['mains', 3]] as const);
  const what = pick(random, [['resistive', 3], ['LED strip', 2], ['motor', 2], ['board', 2]] as const);
  const volts = where === 'mains' ? 0 : pick(random, [[3, 0.5], [5, 2], [6, 1], [9, 1], [12, 5], [24, 3]]) * between(random, 0.9, 1.12);
  const ohms = what === 'motor' ? decades(random, 1.5, 60) : what === 'board' ? decades(random, 15, 600) : decades(random, 3, 250);
  const base = { kind: 'switched-load' as const, variant: `${what}, ${where}`, look, battery: where !== 'mains' && chance(random, 0.25) };
  if (where === 'mains') {
    const heavy = decades(random, 15, 2e3);
    return { ...still({ ...base, variant: 'mains' }, 5, boardOhms(random), (s, state) => s.r(y, 'L', 0.05).r(x, 'N', heavy).contact(x, y, on(state), closed)), onMains: true };
  }
  return still(base, volts, boardOhms(random), (s, state) => {
    const [top, bottom] = where === 'high side' ? [x, 'G'] : ['V', x];
    s.r(y, where === 'high side' ? 'V' : 'G', 0.05).contact(x, y, on(state), closed);
    if (what === 'LED strip') s.d(top, 'led', volts * 0.72, 3, 3e6).r('led', bottom, ohms);
    else if (what === 'board') s.d(top, 'inner', 0.35, 1, 5e5).r('inner', bottom, ohms);
    else s.r(top, bottom, ohms);
  });
}

export function touch(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [['glass', 86], ['membrane', 5], ['springs-back', 4], ['connector', 3], ['terminals', 2]]);
  const variant = pick(random, [['pads standing', 4], ['pads oscillating', 3], ['pad and output', 3]] as const);
  const volts = pick(random, [[3.3, 5], [5, 5], [2.5, 1]]) * between(random, 0.96, 1.04);
  const hang = variant === 'pads oscillating' ? decades(random, 10e3, 1e6) : decades(random, 500e3, 30e6);
  const level = between(random, 0.03, 0.5);
  const outputHigh = chance(random, 0.5);
  const duty = between(random, 0.2, 0.8);
  const hertz = decades(random, 500, 300e3);
  return moving({ kind: 'touch-pad', variant, look }, volts, boardOhms(random), [duty, 1 - duty], hertz, () => variant === 'pads oscillating', (s, state, phase) => {
    const sense = (node: string): void => {
      s.pin(node, 'open', 1);
      if (!s.powered) return;
      if (variant === 'pads oscillating') s.r(node, phase === 0 ? 'V' : 'G', hang);
      else s.v(node, 'G', volts * level, hang);
      if (state === 'pressed' && node === x) s.r(node, 'G', hang * 2);
    };
    sense(x);
    if (variant === 'pad and output') s.pin(y, outputHigh !== (state === 'pressed') ? 'high' : 'low', 120);
    else sense(y);
  });
}

export function motor(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [['two-wires', 86], ['terminals', 7], ['connector', 7]]);
  const variant = pick(random, [['bridge, brakes', 3], ['bridge, coasts', 4], ['relay bridge', 3]] as const);
  const limits = chance(random, 0.3) ? pick(random, [['one end', 1], ['other end', 1], ['between', 1.5]] as const) : null;
  const volts = pick(random, [[3, 0.7], [6, 2], [12, 6], [24, 4]]) * between(random, 0.88, 1.12);
  const ohms = decades(random, 0.8, 90);
  const drive = decades(random, 0.05, 0.8);
  return still({ kind: 'motor-pair', variant: `${variant}${limits ? `, limit switches ${limits}` : ''}`, look }, volts, boardOhms(random), (s, state) => {
    const runs = s.powered && (state === 'moving' || state === 'moving-back');
    // An open limit switch leaves its diode: the motor then turns one way only.
    if (limits === 'one end' && !runs) s.d(x, 'm').r('m', y, ohms);
    else if (limits === 'other end' && !runs) s.d('m', x).r('m', y, ohms);
    else s.r(x, 'm', 0.05).r('m', y, runs ? ohms * 7 : ohms);
    const side = (node: string, high: boolean): void => {
      if (runs) s.r(node, high ? 'V' : 'G', drive);
      else if (variant === 'relay bridge') s.r(node, 'G', 0.1);
      else if (variant === 'bridge, brakes' && s.powered) s.r(node, 'G', drive);
      else s.d('G', node, 0.6, 0.5, 1e6).d(node, 'V', 0.6, 0.5, 1e6).r(node, 'G', 60e3);
    };
    side(x, state === 'moving');
    side(y, state === 'moving-back');
  });
}

export function encoder(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [['turns-on', 88], ['turns-to-stops', 5], ['connector', 5], ['springs-back', 2]]);
  const tips = pick(random, [['two phases', 6], ['a phase and its common', 4]] as const);
  const common = pick(random, [['ground', 6], ['supply', 2], ['driven', 2]] as const);
  const { ohms, inChip } = { ohms: chance(random, 0.5) ? decades(random, 20e3, 100e3) : resistor(random, 1e3, 100e3), inChip: chance(random, 0.4) };
  const closed = closedOhms(random);
  const rest = Math.floor(random.next() * 4);
  const hertz = between(random, 3, 40);
  return moving({ kind: 'encoder', variant: `${tips}, ${common}`, look }, pick(random, [[3.3, 1], [5, 1]]) * between(random, 0.96, 1.04), boardOhms(random), [0.25, 0.25, 0.25, 0.25], hertz, (state) => state === 'turning', (s, state, phase) => {
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
  });
}

export function bus(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [['connector', 88], ['terminals', 6], ['two-wires', 4], ['springs-back', 2]]);
  const variant = pick(random, [['push-pull and ground', 4], ['two push-pull lines', 2], ['open drain, two lines', 3], ['single wire at 12 V', 1.5]] as const);
  const volts = variant === 'single wire at 12 V' ? between(random, 11, 14) : pick(random, [[3.3, 5], [5, 5]]) * between(random, 0.96, 1.04);
  const talks = chance(random, 0.5);
  const busy = decades(random, 0.02, 0.4);
  const pull = variant === 'single wire at 12 V' ? 1e3 : resistor(random, 1e3, 10e3);
  const open = variant === 'open drain, two lines' || variant === 'single wire at 12 V';
  const one = variant === 'push-pull and ground' || variant === 'single wire at 12 V';
  return moving({ kind: 'serial-bus', variant: `${variant}${talks ? '' : ', silent'}`, look }, volts, boardOhms(random), [busy, 1 - busy], decades(random, 50, 40e3), () => talks, (s, _state, phase) => {
    const line = (node: string): void => {
      s.pin(node, phase === 0 ? 'low' : open ? 'open' : 'high', 50);
      if (open) s.r(node, 'V', pull);
    };
    line(x);
    if (one) s.r(y, 'G', 0.05);
    else line(y);
  });
}
