import { lineId } from '../../ground/job';
import { takenPart, valueOf } from '../../engines/parts';
import type { Fitted, Rating } from './fitted';
import { allPieces, notApplying, type CircuitPiece } from './piece';
import { pinPiece } from './press-movers';
import { coilPiece, moduleInput } from './press-relays';
import { coilSupply, type Site } from './site';

/** What a contact in mains is held against is Thumb's and Guard's own finding. */
const inMains = (key: string, name: string): Rating =>
  notApplying(key, name, 'it switches mains: its own findings in Thumb and Guard hold it against that');
const CONTACT: readonly Rating[] = [
  inMains('contact-volts', 'volts across it'),
  inMains('contact-amps', 'current through it'),
  inMains('contact-kick', 'what it breaks'),
];

/** The relay in the machine's lead: its coil and what drives it. */
export function switchedSupplyPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'relay');
  const { id } = s.press;
  const supply = coilSupply(s, valueOf(part, 'coilVolts'));
  const coil = coilPiece(s, part, id, supply);
  const relay: Fitted = {
    id: `${id} relay`,
    kind: 'relay',
    name: part.name,
    ...s.whose,
    ratings: [...coil.ratings, ...CONTACT, inMains('contact-least-amps', 'least current of the contact')],
  };
  return {
    elements: (state) => [...(state.board ? supply.elements : []), ...coil.elements(state)],
    parts: [...coil.parts, relay],
  };
}

/** The two relays of a control box on their module: what their inputs take and what leaves them open. */
export function controlBoxPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'relay-module');
  const supply = coilSupply(s, valueOf(part, 'supplyVolts'));
  return allPieces([
    { elements: (state) => (state.board ? supply.elements : []), parts: [] },
    ...['K1', 'K2'].map((relay, i): CircuitPiece => {
      const id = lineId(s.press.id, relay);
      const input = moduleInput(s, part, id, supply);
      return allPieces([
        pinPiece(s, id, `pin ${i + 1} of ${s.press.name}`, i === 0),
        {
          elements: input.elements,
          parts: [
            {
              id: `${id} module`,
              kind: 'relay-module',
              name: `${part.name}, ${relay}`,
              ...s.whose,
              // One of the two directions presses; of the other the input is alike.
              ratings: [
                ...(i === 0 ? input.ratings : input.ratings.map((r) => (r.key === 'input-least-amps' ? alike(r) : r))),
                ...CONTACT,
              ],
            },
          ],
        },
      ]);
    }),
  ]);
}

const alike = (r: Rating): Rating => notApplying(r.key, r.name, 'it is the same input as that of the other direction');
