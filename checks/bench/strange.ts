// Controls that are none of Probe's kinds: what it must not call known.
import type { Look } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import { still, type Control } from './board';
import { boardOhms, ends } from './buttons';
import { STRANGE_KEPT } from './strange-kept';
import { STRANGE_MORE } from './strange-more';
import { between, chance, decades, logicVolts, pick, resistor } from './draw';

/** A control whose kind is none that Probe knows. */
export type Strange = Omit<Control, 'kind'> & { readonly kind: 'none' };
const none = (c: Control): Strange => ({ ...c, kind: 'none' });
const base = (variant: string, look: Look) => ({ kind: 'low-when-pressed' as const, variant, look });

/** A button that opens when it is pressed, with a pull-up. */
const opener = (random: Random): Strange => {
  const [x, y] = ends(random);
  const pull = resistor(random, 1e3, 100e3);
  return none(
    still(
      base(
        'opens when pressed',
        pick<Look>(random, [
          ['springs-back', 5],
          ['membrane', 1],
        ]),
      ),
      logicVolts(random),
      boardOhms(random),
      (s, state) =>
        s
          .r(x, 'V', pull)
          .pin(x, 'open', 1)
          .r(y, 'G', 0.05)
          .contact(x, y, state !== 'pressed', 0.3),
    ),
  );
};

/** A variable resistor: one tip on its wiper, one on an end; it never closes and never opens. */
const knob = (random: Random): Strange => {
  const [x, y] = ends(random);
  const track = pick(random, [
    [1e3, 1],
    [10e3, 3],
    [47e3, 1],
    [100e3, 1],
  ]);
  const at = between(random, 0.2, 0.8);
  return none(
    still(
      base(
        'variable resistor',
        pick<Look>(random, [
          ['turns-to-stops', 5],
          ['turns-on', 1],
        ]),
      ),
      logicVolts(random),
      boardOhms(random),
      (s, state) => {
        const share = state === 'turning' ? 1 - at : at;
        s.r('V', x, track * (1 - share))
          .r(x, y, track * share)
          .r(y, 'G', 0.05);
      },
    ),
  );
};

/** A button with a lamp of its own across its contact, fed through a resistor. */
const lit = (random: Random): Strange => {
  const [x, y] = ends(random);
  const volts = pick(random, [
    [5, 1],
    [12, 1],
  ]);
  const feed = resistor(random, 1e3, 4.7e3);
  return none(
    still(
      base(
        'with a lamp across',
        pick<Look>(random, [
          ['springs-back', 4],
          ['rocker', 1],
        ]),
      ),
      volts,
      boardOhms(random),
      (s, state) =>
        s
          .r('V', x, feed)
          .d(x, 'lamp', 1.9, 20, 5e6)
          .r('lamp', y, 220)
          .r(y, 'G', 0.05)
          .contact(x, y, state === 'pressed', 0.2),
    ),
  );
};

/** A sensor with an output of its own and a signal that follows light or warmth, never a contact. */
const sensor = (random: Random): Strange => {
  const [x, y] = ends(random);
  const own = decades(random, 500, 50e3);
  const pull = resistor(random, 1e3, 47e3);
  const touched = pick(random, [
    [0.4, 1],
    [2.5, 1],
  ]);
  return none(
    still(
      base(
        'a resistor that follows warmth or light',
        pick<Look>(random, [
          ['connector', 3],
          ['two-wires', 2],
          ['terminals', 2],
        ]),
      ),
      logicVolts(random),
      boardOhms(random),
      (s, state) =>
        s
          .r('V', x, pull)
          .pin(x, 'open', 1)
          .r(x, y, own * (state === 'pressed' ? touched : 1))
          .r(y, 'G', 0.05),
    ),
  );
};

/** A button that joins two driven lines through resistors, a half of the supply between them. */
const bridge = (random: Random): Strange => {
  const [x, y] = ends(random);
  const up = resistor(random, 1e3, 47e3);
  const down = resistor(random, 1e3, 47e3);
  const closed = chance(random, 0.5) ? 60 : 0.5;
  return none(
    still(base('joins two half levels', 'springs-back'), logicVolts(random), boardOhms(random), (s, state) =>
      s
        .r('V', x, up)
        .r(x, 'G', down)
        .r('V', y, down * 2)
        .r(y, 'G', up * 0.5)
        .contact(x, y, state === 'pressed', closed),
    ),
  );
};

/** Those of a structure that Probe holds for what is none of its kinds, drawn by other hands. */
export const STRANGE: readonly ((random: Random) => Strange)[] = [
  opener,
  knob,
  lit,
  sensor,
  bridge,
  ...STRANGE_MORE.map((draw) => (random: Random) => none(draw(random))),
];

/** Those of structures that it does not hold at all. */
export const UNHEARD_OF: readonly ((random: Random) => Strange)[] = STRANGE_KEPT.map(
  (draw) => (random: Random) => none(draw(random)),
);
