import type { DriveFact } from '../../ground/facts';
import type { Job, Sign } from '../../ground/job';
import { exactly, within } from '../../ground/quantity';
import { SUPPLY_SHARE } from '../../engines/electrics';
import { ZERO } from '../../engines/net';
import { takenPart } from '../../engines/parts';
import { throughTransistor } from '../lines';
import { signResistor } from '../panel';
import { RESISTOR_SHARE } from '../ways';
import { drivenPin, npnDriver, outputPin, VOLTS_SHARE, type Whose } from './driver';
import type { Fitted } from './fitted';
import { amps, common, fittedResistor, allPieces, resistorElement, notKnown, volts, type CircuitPiece } from './piece';

/** What lamps bear and show, A and V (`small-parts`). */
const LAMP = { amps: 0.02, seen: 0.5e-3, reverse: 5 } as const;
const FORWARD_SHARE = 0.1;
/** A lamp or a beeper on its pin, or behind its transistor. */
export function signPiece(job: Job, sign: Sign, drive: DriveFact): CircuitPiece {
  const whose: Whose = { of: sign.id, owner: sign.name, room: 'board' };
  const ohms = signResistor(sign, drive);
  const pin: CircuitPiece = {
    elements: drivenPin(sign.id, drive.highVolts, (s) => s.signs, 'high'),
    parts: [outputPin(sign.id, `pin of ${sign.name}`, whose, drive.limitAmps, { from: 'source', key: drive.source })],
  };
  if (throughTransistor(sign)) return allPieces([pin, switched(job, sign, ohms, whose)]);
  return allPieces([pin, sign.kind === 'lamp' ? lampOnPin(sign, ohms, whose) : beeperOnPin(sign)]);
}

function lampOnPin(sign: Sign, ohms: number, whose: Whose): CircuitPiece {
  const [from, anode] = [`pin ${sign.id}`, `${sign.id} anode`];
  return {
    elements: () => [
      resistorElement(`${sign.id} resistor`, from, anode, within(ohms, RESISTOR_SHARE)),
      {
        is: 'junction',
        id: `${sign.id} lamp`,
        a: anode,
        b: ZERO,
        volts: within(sign.forwardVolts, FORWARD_SHARE),
        ohms: exactly(1),
      },
    ],
    parts: [fittedResistor(`${sign.id} resistor`, 'series resistor', whose, from, anode), lamp(sign, anode, whose)],
  };
}

const lamp = (sign: Sign, anode: string, whose: Whose): Fitted => ({
  id: `${sign.id} lamp`,
  kind: 'lamp',
  name: 'LED',
  ...whose,
  ratings: [
    common('forward-amps', 'small-parts', VOLTS_SHARE, {
      name: 'lamp current',
      unit: 'A',
      limit: LAMP.amps,
      stress: amps(`${sign.id} lamp`),
    }),
    {
      ...common('seen-amps', 'lamp-seen', 1, {
        name: 'least current that is seen by day',
        unit: 'A',
        limit: LAMP.seen,
        stress: amps(`${sign.id} lamp`),
      }),
      sense: 'at least',
      states: ['signs'],
    },
    common('reverse-volts', 'small-parts', VOLTS_SHARE, {
      name: 'lamp the wrong way round',
      unit: 'V',
      limit: LAMP.reverse,
      stress: volts(ZERO, anode),
    }),
  ],
});

const beeperOnPin = (sign: Sign): CircuitPiece => ({
  elements: (state) =>
    state.signs && state.board
      ? [{ is: 'drain', id: `${sign.id} beeper`, a: `pin ${sign.id}`, b: ZERO, amps: exactly(sign.amps) }]
      : [],
  parts: [],
});

/** A sign behind its transistor, on its own volts; nobody knows what its transistor bears before those are said. */
function switched(job: Job, sign: Sign, ohms: number, whose: Whose): CircuitPiece {
  const { id } = sign;
  const collector = `${id} −`;
  const supply = `${id} +`;
  const part = takenPart({ ...job, bench: { ...job.bench, picks: {}, parts: [] } }, 'npn');
  const driver = npnDriver(id, part, ohms, { from: `pin ${id}`, collector }, whose, ['signs']);
  const works = sign.volts;
  const parts = driver.parts.map((p) =>
    p.kind === 'npn' && works === null
      ? {
          ...p,
          ratings: p.ratings.map((r) =>
            ['collector-volts', 'collector-amps', 'watts', 'saturated'].includes(r.key)
              ? notKnown(r.key, r.name, `on what volts ${sign.name} works is not said`)
              : r,
          ),
        }
      : p,
  );
  return {
    elements: (state) => [
      ...driver.elements(state),
      ...(works === null
        ? []
        : [
            {
              is: 'source' as const,
              id: `${id} supply`,
              a: supply,
              b: ZERO,
              volts: within(works, SUPPLY_SHARE),
              ohms: exactly(0),
            },
            resistorElement(`${id} sign`, supply, collector, exactly(works / sign.amps)),
          ]),
    ],
    parts,
  };
}
