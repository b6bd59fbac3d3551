// More controls that are none of Probe's kinds, as they hang on the boards of ordinary appliances; common practice.
import type { Look } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import { moving, still, type Control } from './board';
import { boardOhms, ends } from './buttons';
import { between, chance, closedOhms, decades, logicVolts, pick, resistor } from './draw';

/** What it is goes by none of the kinds; the one that stands here is never looked at. */
export const base = (variant: string, look: Look) => ({ kind: 'low-when-pressed' as const, variant, look });
/** How what ends in two wires looks. */
export const onWires = (random: Random): Look =>
  pick<Look>(random, [
    ['two-wires', 4],
    ['connector', 3],
    ['terminals', 2],
  ]);

/** A door switch that rests closed in a loop of its own supply. */
const doorLoop = (random: Random): Control => {
  const [x, y] = ends(random);
  const volts =
    pick(random, [
      [5, 2],
      [12, 4],
      [24, 3],
    ]) * between(random, 0.9, 1.1);
  const ohms = resistor(random, 470, 10e3);
  const floats = chance(random, 0.4);
  const closed = closedOhms(random);
  const look = pick<Look>(random, [
    ['springs-back', 5],
    ['terminals', 3],
  ]);
  return still(base('rests closed in a loop', look), volts, boardOhms(random), (s, state) => {
    if (s.powered) s.r('V', 'p', ohms);
    else s.r('p', 'G', 1e6);
    s.r('p', x, 1)
      .r(y, 'G', floats ? 2e8 : 0.05)
      .contact(x, y, state !== 'pressed', closed);
  });
};

/** A changeover whose common rests on one rail and is pressed to the other; the second tip is on either throw. */
const changeover = (random: Random): Control => {
  const [x, y] = ends(random);
  const [rest, active] = chance(random, 0.6) ? (['G', 'V'] as const) : (['V', 'G'] as const);
  const onRest = chance(random, 0.5);
  const closed = closedOhms(random);
  const series = chance(random, 0.3) ? resistor(random, 100, 1000) : 0.05;
  const look = pick<Look>(random, [
    ['springs-back', 5],
    ['rocker', 3],
  ]);
  return still(base('changeover between the rails', look), logicVolts(random), boardOhms(random), (s, state) =>
    s
      .r(y, onRest ? rest : active, 0.05)
      .r('common', x, series)
      .pin(x, 'open', 1)
      .contact('common', rest, state !== 'pressed', closed)
      .contact('common', active, state === 'pressed', closed),
  );
};

/** A sounder behind a transistor that is off while nothing sounds: a coil, or a disc that passes nothing. */
const sounder = (random: Random): Control => {
  const [x, y] = ends(random);
  const coil = chance(random, 0.5);
  const ohms = coil ? decades(random, 8, 60) : decades(random, 2e6, 5e8);
  const across = coil ? 3e9 : chance(random, 0.5) ? resistor(random, 1e3, 4.7e3) : 3e9;
  const look = pick<Look>(random, [
    ['two-wires', 4],
    ['terminals', 2],
    ['connector', 2],
  ]);
  return still(base(coil ? 'sounder with a coil' : 'piezo sounder', look), logicVolts(random), boardOhms(random), (s) =>
    s
      .r(x, y, ohms)
      .r(x, y, across)
      .r(x, 'V', 0.05)
      .r(y, 'G', s.powered ? 8e6 : 1e7)
      .d('G', y, 0.6, 10, 5e6),
  );
};

/** A Hall or light barrier: its output pulls a line low, or lets it go, as something passes; no finger moves it. */
const barrier = (random: Random): Control => {
  const [x, y] = ends(random);
  const on = chance(random, 0.5);
  const pull = resistor(random, 1e3, 47e3);
  const look = pick<Look>(random, [
    ['connector', 6],
    ['two-wires', 1],
  ]);
  return still(base('output of a sensor', look), logicVolts(random), boardOhms(random), (s) =>
    s
      .r('V', x, pull)
      .pin(x, on ? 'low' : 'open', 40)
      .r(y, 'G', 0.05),
  );
};

/** The input LED of an optocoupler that another board feeds: nothing stands on it until that one asks. */
const optoInput = (random: Random): Control => {
  const [x, y] = ends(random);
  const ohms = resistor(random, 470, 4.7e3);
  const ground = chance(random, 0.5) ? 0.05 : 3e8;
  const look = pick<Look>(random, [
    ['terminals', 4],
    ['connector', 3],
  ]);
  return still(base('input of an optocoupler', look), logicVolts(random), boardOhms(random), (s) =>
    s.r(x, 'in', ohms).d('in', y, 1.2, 15, 2e7).r(y, 'G', ground),
  );
};

/** A thermistor that is a bead on two wires, in a divider with a filter. */
const thermistor = (random: Random): Control => {
  const [x, y] = ends(random);
  const at25 = pick(random, [
    [2e3, 1],
    [10e3, 5],
    [50e3, 1],
    [100e3, 2],
  ]);
  const now = at25 * between(random, 0.7, 1.4);
  const other = resistor(random, 1e3, 100e3);
  const toSupply = chance(random, 0.4);
  const look = pick<Look>(random, [
    ['two-wires', 5],
    ['connector', 4],
    ['terminals', 1],
  ]);
  return still(base('thermistor on two wires', look), logicVolts(random), boardOhms(random), (s, state) =>
    s
      .r(x, y, state === 'pressed' ? now * 0.9 : now)
      .pin(x, 'open', 1)
      .r(y, toSupply ? 'V' : 'G', 0.05)
      .r(x, toSupply ? 'G' : 'V', other),
  );
};

/** A slider as a rheostat behind a pull. */
const rheostat = (random: Random): Control => {
  const [x, y] = ends(random);
  const track = pick(random, [
    [5e3, 1],
    [10e3, 2],
    [50e3, 1],
    [500e3, 1],
  ]);
  const at = between(random, 0.1, 0.9);
  const pull = resistor(random, 1e3, 47e3);
  return still(base('slider behind a pull', 'turns-to-stops'), logicVolts(random), boardOhms(random), (s, state) =>
    s
      .r('V', x, pull)
      .pin(x, 'open', 1)
      .r(x, y, track * (state === 'turning' ? 1 - at : at))
      .r(y, 'G', 0.05),
  );
};

/** A display segment or an indicator that its chip multiplexes. */
const indicator = (random: Random): Control => {
  const [x, y] = ends(random);
  const share = between(random, 0.1, 0.3);
  const ohms = resistor(random, 100, 1000);
  return moving(
    base('multiplexed indicator', chance(random, 0.6) ? 'glass' : 'connector'),
    pick(random, [
      [3.3, 1],
      [5, 2],
    ]),
    boardOhms(random),
    [1 - share, share],
    between(random, 60, 400),
    () => true,
    (s, _state, phase) =>
      s
        .d('led', y, 1.9, 15, 2e7)
        .r(x, 'led', ohms)
        .pin(x, phase === 1 ? 'high' : 'low', 40)
        .pin(y, phase === 1 ? 'low' : 'high', 40),
  );
};

/** The clips of a battery that feeds the board. */
const clips = (random: Random): Control => {
  const [x, y] = ends(random);
  return still(base('clips of a battery', onWires(random)), between(random, 2.4, 9.5), boardOhms(random), (s) =>
    s.r(x, 'V', 0.05).r(y, 'G', 0.05),
  );
};

export const STRANGE_MORE: readonly ((random: Random) => Control)[] = [
  doorLoop,
  changeover,
  sounder,
  barrier,
  optoInput,
  thermistor,
  rheostat,
  indicator,
  clips,
];
