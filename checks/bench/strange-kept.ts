// Controls that are none of Probe's kinds and none of the structures that it holds for such: kept apart, and told apart.
import type { Random } from '../../core/ground/quantity';
import { moving, still, type Control } from './board';
import { boardOhms, ends } from './buttons';
import { base, onWires } from './strange-more';
import { between, chance, decades, logicVolts, pick, resistor } from './draw';

/** A loudspeaker behind its capacitor, with the amplifier's own resistor to ground. */
const speaker = (random: Random): Control => {
  const [x, y] = ends(random);
  const coil = pick(random, [
    [4, 2],
    [8, 5],
    [32, 1],
  ]);
  const amplifier = decades(random, 1e3, 100e3);
  return still(base('loudspeaker behind a capacitor', onWires(random)), logicVolts(random), boardOhms(random), (s) =>
    s.r(x, y, coil).r(x, 'G', amplifier).r(y, 'G', 0.05),
  );
};

/** An electret capsule: biased through a resistor, sinking some tenths of a milliampere. */
const microphone = (random: Random): Control => {
  const [x, y] = ends(random);
  const bias = resistor(random, 1e3, 10e3);
  const amps = between(random, 0.15e-3, 0.45e-3);
  const volts = logicVolts(random);
  return still(base('microphone capsule', onWires(random)), volts, boardOhms(random), (s) =>
    // Near its point it is as a resistor that takes the same current.
    s
      .r('V', x, bias)
      .r(x, y, Math.max(500, volts / amps - bias))
      .r(y, 'G', 0.05),
  );
};

/** The speed signal of a fan: an open collector that pulses while it turns. */
const tacho = (random: Random): Control => {
  const [x, y] = ends(random);
  const pull = resistor(random, 2.2e3, 22e3);
  const turns = chance(random, 0.5);
  return moving(
    base('speed signal of a fan', 'connector'),
    pick(random, [
      [3.3, 1],
      [5, 2],
      [12, 1],
    ]),
    boardOhms(random),
    [0.5, 0.5],
    between(random, 20, 120),
    () => turns,
    (s, _state, phase) =>
      s
        .r('V', x, pull)
        .pin(x, phase === 1 ? 'low' : 'open', 60)
        .r(y, 'G', 0.05),
  );
};

/** A button with a capacitor's bleeder across it and a second pull of another board: levels that no single pull gives. */
const twoBoards = (random: Random): Control => {
  const [x, y] = ends(random);
  const [one, other, bleeder] = [
    resistor(random, 4.7e3, 47e3),
    resistor(random, 4.7e3, 47e3),
    resistor(random, 10e3, 100e3),
  ];
  const second = between(random, 0.5, 0.75);
  const volts = logicVolts(random);
  return still(base('button on two boards at once', 'springs-back'), volts, boardOhms(random), (s, state) => {
    if (s.powered) s.v('W', 'G', volts * second, 1);
    else s.r('W', 'G', 20e3);
    s.r('V', x, one)
      .r('W', y, other)
      .r(x, y, bleeder)
      .contact(x, y, state === 'pressed', 0.5);
  });
};

export const STRANGE_KEPT: readonly ((random: Random) => Control)[] = [speaker, microphone, tacho, twoBoards];
