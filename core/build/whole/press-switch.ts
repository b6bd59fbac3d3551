import { within } from '../../ground/quantity';
import { boundsOf, partValue, takenPart } from '../../engines/parts';
import { INTO_MACHINE_OHMS, RESISTOR_SHARE } from '../ways';
import { clampOf, clampRating } from './clamp';
import { AMPS_SHARE } from './driver';
import { amps, common, fittedResistor, rated, resistorElement, volts, type CircuitPiece } from './piece';
import { contactBetween, sideIn, type Site } from './site';

/** Share of its supply from which the control of an analogue switch is high (`switch-control`). */
const HIGH_SHARE = 0.7;

/** A switch inside the machine's own rails, its control behind a resistor: with the machine off, its clamp takes what the pin gives. */
export function analogueSwitchPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'analogue-switch');
  const { id } = s.press;
  const side = sideIn(s);
  const control = `${id} control`;
  const before = within(s.press.resistorOhms ?? INTO_MACHINE_OHMS, RESISTOR_SHARE);
  const closes = contactBetween(s, boundsOf(part, 'onOhms'));
  const supply = volts(side.supply, side.ground);
  return {
    elements: (state) => [
      resistorElement(`${id} control resistor`, `pin ${id}`, control, before),
      clampOf(`${id} control clamp`, control, side.supply),
      ...closes(state),
    ],
    parts: [
      fittedResistor(`${id} control resistor`, 'resistor before the control', s.whose, `pin ${id}`, control),
      {
        id: `${id} switch`,
        kind: 'analogue-switch',
        name: part.name,
        ...s.whose,
        ratings: [
          {
            ...rated(part, 'supply-least-volts', 'leastVolts', 1, supply),
            sense: 'at least',
            states: ['rest', ...s.on],
          },
          rated(part, 'supply-most-volts', 'mostVolts', 1, supply),
          {
            ...common('control-high-volts', 'switch-control', 1, {
              name: 'high level at its control',
              unit: 'V',
              limit: HIGH_SHARE * Math.max(side.line.supply.range.high, partValue(part, 'leastVolts').value),
              stress: volts(control, side.ground),
            }),
            sense: 'at least',
            states: s.on,
          },
          clampRating('control-clamp-amps', 'current into the clamp of its control', `${id} control clamp`),
          rated(part, 'switch-amps', 'switchAmps', AMPS_SHARE, amps(`${id} contact`)),
        ],
      },
    ],
  };
}
