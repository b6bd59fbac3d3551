import type { Look, MachineState } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import { moving, still, type Control } from './board';
import { boardOhms, ends } from './buttons';
import { between, chance, decades, pick } from './draw';

export function load(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['rocker', 60],
    ['springs-back', 12],
    ['stays-down', 9],
    ['turns-to-stops', 9],
    ['terminals', 7],
    ['two-wires', 3],
  ]);
  const stays = look !== 'springs-back' && look !== 'terminals';
  const on = (state: MachineState): boolean => state === 'pressed' || (stays && state === 'released');
  const closed = decades(random, 0.01, 0.5);
  const where = pick(random, [
    ['high side', 3],
    ['low side', 3],
    ['mains', 3],
  ] as const);
  const what = pick(random, [
    ['resistive', 3],
    ['LED strip', 2],
    ['motor', 2],
    ['board', 2],
  ] as const);
  const volts =
    where === 'mains'
      ? 0
      : pick(random, [
          [3, 0.5],
          [5, 2],
          [6, 1],
          [9, 1],
          [12, 5],
          [24, 3],
        ]) * between(random, 0.9, 1.12);
  const ohms =
    what === 'motor' ? decades(random, 1.5, 60) : what === 'board' ? decades(random, 15, 600) : decades(random, 3, 250);
  const base = {
    kind: 'switched-load' as const,
    variant: `${what}, ${where}`,
    look,
    battery: where !== 'mains' && chance(random, 0.25),
  };
  if (where === 'mains') {
    const heavy = decades(random, 15, 2e3);
    return {
      ...still({ ...base, variant: 'mains' }, 5, boardOhms(random), (s, state) =>
        s.r(y, 'L', 0.05).r(x, 'N', heavy).contact(x, y, on(state), closed),
      ),
      onMains: true,
    };
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
  const look = pick<Look>(random, [
    ['glass', 86],
    ['membrane', 5],
    ['springs-back', 4],
    ['connector', 3],
    ['terminals', 2],
  ]);
  const variant = pick(random, [
    ['pads standing', 4],
    ['pads oscillating', 3],
    ['pad and output', 3],
  ] as const);
  const volts =
    pick(random, [
      [3.3, 5],
      [5, 5],
      [2.5, 1],
    ]) * between(random, 0.96, 1.04);
  const hang = variant === 'pads oscillating' ? decades(random, 10e3, 1e6) : decades(random, 500e3, 30e6);
  const level = between(random, 0.03, 0.5);
  const outputHigh = chance(random, 0.5);
  const duty = between(random, 0.2, 0.8);
  const hertz = decades(random, 500, 300e3);
  return moving(
    { kind: 'touch-pad', variant, look },
    volts,
    boardOhms(random),
    [duty, 1 - duty],
    hertz,
    () => variant === 'pads oscillating',
    (s, state, phase) => {
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
    },
  );
}

export function motor(random: Random): Control {
  const [x, y] = ends(random);
  const look = pick<Look>(random, [
    ['two-wires', 86],
    ['terminals', 7],
    ['connector', 7],
  ]);
  const variant = pick(random, [
    ['bridge, brakes', 3],
    ['bridge, coasts', 4],
    ['relay bridge', 3],
  ] as const);
  const limits = chance(random, 0.3)
    ? pick(random, [
        ['one end', 1],
        ['other end', 1],
        ['between', 1.5],
      ] as const)
    : null;
  const volts =
    pick(random, [
      [3, 0.7],
      [6, 2],
      [12, 6],
      [24, 4],
    ]) * between(random, 0.88, 1.12);
  const ohms = decades(random, 0.8, 90);
  const drive = decades(random, 0.05, 0.8);
  return still(
    { kind: 'motor-pair', variant: `${variant}${limits ? `, limit switches ${limits}` : ''}`, look },
    volts,
    boardOhms(random),
    (s, state) => {
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
    },
  );
}
