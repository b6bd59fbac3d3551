import { lineId } from '../../ground/job';
import { exactly, within, type Interval } from '../../ground/quantity';
import { ZERO } from '../../engines/net';
import { takenPart } from '../../engines/parts';
import { highShare, OVER_VOLTS } from '../panel';
import { INTO_MACHINE_OHMS, LINE_OHMS, LOGIC_FED, RESISTOR_SHARE, SELECT_PULL_OHMS } from '../ways';
import { clampOf, clampRating } from './clamp';
import type { Fitted } from './fitted';
import { allPieces, common, notApplying, rated, resistorElement, volts, type CircuitPiece } from './piece';
import { pinPiece } from './press-movers';
import type { Site } from './site';

const NOTHING: CircuitPiece = { elements: () => [], parts: [] };
/** Share of its supply from which an input of logic is high (`cmos-levels`). */
const HIGH_SHARE = 0.7;

/**
 * Programmable logic that lives with the pad: fed by the pad's supply over a regulator, its select lines behind resistors. Null where
 * nobody knows the pad's supply; a press that uses what another one has wired brings nothing of its own.
 */
export function logicPiece(s: Site): CircuitPiece | null {
  const { press, side } = s;
  if (!side || !press.select) return null;
  if (press.select.of !== press.id) return NOTHING;
  const part = takenPart(s.job, 'logic');
  const rail = `${press.id} logic +`;
  const selects = Array.from({ length: press.outputs }, (_, i) => lineId(press.id, `select ${i}`));
  const first = selects[0];
  if (first === undefined) return null;
  const at = (pin: string): string => `${pin} input`;
  const supply = volts(rail, ZERO);
  return allPieces([
    ...selects.map((pin, i) => pinPiece(s, pin, `select pin ${i} of ${press.name}`, true)),
    {
      elements: (state) => [
        // Without the machine its regulator holds the logic at nothing, which is when a clamp takes most.
        {
          is: 'source',
          id: rail,
          a: rail,
          b: side.ground,
          volts: state.machine ? LOGIC_FED.volts : exactly(0),
          ohms: exactly(1e-3),
        },
        ...(state.machine
          ? [
              {
                is: 'drain' as const,
                id: `${press.id} regulator`,
                a: side.supply,
                b: side.ground,
                amps: { low: 0, nominal: LOGIC_FED.amps / 2, high: LOGIC_FED.amps },
              },
            ]
          : []),
        ...selects.flatMap((pin) => [
          resistorElement(`${pin} resistor`, `pin ${pin}`, at(pin), within(INTO_MACHINE_OHMS, RESISTOR_SHARE)),
          resistorElement(`${pin} pull-down`, at(pin), ZERO, within(SELECT_PULL_OHMS, RESISTOR_SHARE)),
          clampOf(`${pin} clamp`, at(pin), rail),
        ]),
      ],
      parts: [
        {
          id: `${press.id} logic`,
          kind: 'logic',
          name: part.name,
          ...s.whose,
          ratings: [
            {
              ...rated(part, 'supply-least-volts', 'leastVolts', 1, supply),
              sense: 'at least',
              states: ['rest', ...s.on],
            },
            rated(part, 'supply-most-volts', 'mostVolts', 1, supply),
            rated(part, 'input-most-volts', 'inputVolts', 1, volts(side.supply, side.ground)),
            {
              ...common('select-high-volts', 'cmos-levels', 1, {
                name: 'high level at a select input',
                unit: 'V',
                limit: HIGH_SHARE * LOGIC_FED.volts.high,
                stress: volts(at(first), ZERO),
              }),
              sense: 'at least',
              states: s.on,
            },
            clampRating('select-clamp-amps', 'current into the clamp of a select input', `${first} clamp`),
          ],
        },
      ],
    },
  ]);
}

/** The controller at the pad's own lines: a pin that hears the strobe and one that answers, each behind a resistor. */
export function strobePiece(s: Site): CircuitPiece | null {
  const { press, side, drive } = s;
  if (!side) return null;
  const [hears, answers] = [lineId(press.id, 'input'), lineId(press.id, 'output')];
  return allPieces([
    pinPiece(s, answers, `answering pin of ${press.name}`, side.line.polarity === 'high'),
    {
      elements: () => [resistorElement(`${answers} resistor`, `pin ${answers}`, side.upper, LINE)],
      parts: [],
    },
    clampedInput(s, hears, `listening pin of ${press.name}`, {
      from: side.supply,
      ohms: LINE,
      pinVolts: drive.pinVolts,
    }),
  ]);
}
const LINE: Interval = within(LINE_OHMS, RESISTOR_SHARE);

/** A pin that hears a level of the machine over a resistor, held by its clamp where the level is over its own supply. */
export function clampedInput(
  s: Site,
  id: string,
  name: string,
  { from, ohms, pinVolts }: { readonly from: string; readonly ohms: Interval; readonly pinVolts: number },
): CircuitPiece {
  const [pin, rail] = [`pin ${id}`, `${id} pins’ supply`];
  const part: Fitted = {
    id: pin,
    kind: 'pin',
    name,
    ...s.whose,
    ratings: [
      notApplying('amps', 'current of the pin', 'it reads'),
      notApplying(
        'most-volts',
        'highest level at the pin',
        `its clamp holds it within ${OVER_VOLTS} V of its supply and more`,
      ),
      {
        ...common('least-volts', 'pin-input', 1, {
          name: 'lowest high at the pin',
          unit: 'V',
          limit: pinVolts * highShare(pinVolts),
          stress: volts(pin, ZERO),
        }),
        sense: 'at least',
        states: ['rest'],
      },
      clampRating('clamp-amps', 'current into its clamp', `${id} clamp`),
    ],
  };
  return {
    elements: (state) => [
      resistorElement(`${id} resistor`, from, pin, ohms),
      // The pin leaks next to nothing.
      resistorElement(`${id} leak`, pin, ZERO, exactly(PIN_OHMS)),
      { is: 'source', id: rail, a: rail, b: ZERO, volts: exactly(state.board ? pinVolts : 0), ohms: exactly(1e-3) },
      clampOf(`${id} clamp`, pin, rail),
    ],
    parts: [part],
  };
}
const PIN_OHMS = 1e8;
