import type { Facts, PressFact } from '../../ground/facts';
import type { Job } from '../../ground/job';
import { exactly } from '../../ground/quantity';
import { ZERO } from '../../engines/net';
import { takenPart } from '../../engines/parts';
import { WIRE_OHMS_PER_METRE } from '../ways';
import { drivenPin, outputPin } from './driver';
import { RATINGS_OF } from './fitted';
import type { MachineSide } from './machine-side';
import { allPieces, notKnown, resistorElement, type CircuitPiece } from './piece';
import { motorPiece, servoPiece } from './press-movers';
import { relayContactPiece, relayModulePiece } from './press-relays';
import { nmosPiece, npnPiece, optocouplerPiece, solidStateRelayPiece } from './press-semiconductors';
import { NO_SIDE, type Site } from './site';
import type { State } from './state';
import type { SupplyPiece } from './supplies';

/** One press of a job: its pin, its driver, what closes, and the ground that it may share. Empty for a way that is no such circuit. */
export function pressPiece(
  job: Job,
  facts: Facts,
  press: PressFact,
  side: MachineSide | null,
  supplies: SupplyPiece,
  states: readonly State[],
): CircuitPiece | null {
  const { drive } = facts;
  const build = BUILDERS[press.way];
  if (!drive || !(build || MOVERS[press.way])) return null;
  const isOn = (state: State): boolean => state.pressed.has(press.id);
  const site: Site = {
    job,
    press,
    control: job.controls.find((c) => c.id === press.control),
    drive,
    side,
    supplies,
    whose: { of: press.id, owner: press.name, room: 'thumb' },
    on: states.filter((s) => isOn(s) && s.machine && s.board).map((s) => s.id),
    isOn,
  };
  const moves = MOVERS[press.way];
  // A way that is no use here draws nothing, and is no circuit.
  if (moves && press.draws.length === 0) return null;
  if (moves) return moves(site);
  const pin: CircuitPiece = {
    elements: drivenPin(press.id, drive.highVolts, isOn, press.pressesOn),
    parts: [
      outputPin(press.id, `pin of ${press.name}`, site.whose, drive.limitAmps, { from: 'source', key: drive.source }),
    ],
  };
  if (!side) {
    const kind = NEEDS_SIDE[press.way];
    if (kind) return allPieces([pin, unseen(site, kind)]);
  }
  return allPieces([
    pin,
    ...(build ? [build(site)] : []),
    ...(press.sharesGround && side ? [sharedGround(site, side)] : []),
  ]);
}

/** Ways whose part stands between the machine's two terminals and nowhere else: nothing is known of it where those are not. */
const NEEDS_SIDE: Partial<Record<PressFact['way'], 'npn' | 'nmos' | 'optocoupler'>> = {
  'npn-to-ground': 'npn',
  'nmos-to-ground': 'nmos',
  optocoupler: 'optocoupler',
};

const unseen = (s: Site, kind: 'npn' | 'nmos' | 'optocoupler'): CircuitPiece => ({
  elements: () => [],
  parts: [
    {
      id: `${s.press.id} ${kind}`,
      kind,
      name: takenPart(s.job, kind).name,
      ...s.whose,
      ratings: RATINGS_OF[kind].map((key) => notKnown(key, key.replaceAll('-', ' '), NO_SIDE)),
    },
  ],
});

const sharedGround = ({ job, press }: Site, side: MachineSide): CircuitPiece => {
  const metres = job.presses.find((p) => p.id === press.id)?.groundWireMetres ?? 0;
  const ohms = exactly(Math.max(metres * WIRE_OHMS_PER_METRE, 1e-3));
  return { elements: () => [resistorElement(`${press.id} ground wire`, ZERO, side.lower, ohms)], parts: [] };
};

/** Ways that move the machine by themselves, each with the pins that it takes. */
const MOVERS: Partial<Record<PressFact['way'], (s: Site) => CircuitPiece>> = {
  'reverse-motor': motorPiece,
  finger: servoPiece,
};
const BUILDERS: Partial<Record<PressFact['way'], (s: Site) => CircuitPiece>> = {
  'npn-to-ground': npnPiece,
  'nmos-to-ground': nmosPiece,
  optocoupler: optocouplerPiece,
  'solid-state-relay': solidStateRelayPiece,
  'relay-contact': relayContactPiece,
  'relay-module': relayModulePiece,
};
