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
import { controlBoxPiece, switchedSupplyPiece } from './press-mains';
import { handMotorPiece, motorPiece, servoPiece } from './press-movers';
import { relayContactPiece, relayModulePiece } from './press-relays';
import { nmosPiece, npnPiece, optocouplerPiece, solidStateRelayPiece } from './press-semiconductors';
import { logicPiece, strobePiece } from './press-scanned';
import { driveSignalPiece } from './press-signals';
import { analogueSwitchPiece } from './press-switch';
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
  if (!drive || !press.applies || !build) return null;
  const isOn = (state: State): boolean => state.pressed.has(press.id);
  const piece = build({
    job,
    press,
    control: job.controls.find((c) => c.id === press.control),
    drive,
    side,
    supplies,
    whose: { of: press.id, owner: press.name, room: 'thumb' },
    on: states.filter((s) => isOn(s) && s.machine && s.board).map((s) => s.id),
    isOn,
  });
  return piece && allPieces([piece, ...(press.sharesGround && side ? [sharedGround(job, press, side)] : [])]);
}

type Build = (s: Site) => CircuitPiece | null;

/** A way on one pin, which is a part as well. */
const onPin =
  (build: Build): Build =>
  (s) => {
    const { press, drive } = s;
    const piece = build(s);
    return (
      piece &&
      allPieces([
        {
          elements: drivenPin(press.id, drive.highVolts, s.isOn, press.pressesOn),
          parts: [
            outputPin(press.id, `pin of ${press.name}`, s.whose, drive.limitAmps, {
              from: 'source',
              key: drive.source,
            }),
          ],
        },
        piece,
      ])
    );
  };

/** A way whose part stands between the machine's two terminals and nowhere else: nothing is known of it where those are not. */
const between =
  (kind: 'npn' | 'nmos' | 'optocoupler', build: Build): Build =>
  (s) =>
    s.side ? build(s) : unseen(s, kind);

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

const sharedGround = (job: Job, press: PressFact, side: MachineSide): CircuitPiece => {
  const metres = job.presses.find((p) => p.id === press.id)?.groundWireMetres ?? 0;
  const ohms = exactly(Math.max(metres * WIRE_OHMS_PER_METRE, 1e-3));
  return { elements: () => [resistorElement(`${press.id} ground wire`, ZERO, side.ground, ohms)], parts: [] };
};

const BUILDERS: Partial<Record<PressFact['way'], Build>> = {
  'npn-to-ground': onPin(between('npn', npnPiece)),
  'nmos-to-ground': onPin(between('nmos', nmosPiece)),
  optocoupler: onPin(between('optocoupler', optocouplerPiece)),
  'solid-state-relay': onPin(solidStateRelayPiece),
  'relay-contact': onPin(relayContactPiece),
  'relay-module': onPin(relayModulePiece),
  // Of a ladder, which has no line of its own, Thumb's findings judge the switch.
  'analogue-switch': onPin((s) => (s.side ? analogueSwitchPiece(s) : null)),
  'switched-supply': onPin(switchedSupplyPiece),
  'control-box': controlBoxPiece,
  'logic-injector': logicPiece,
  'strobe-answer': strobePiece,
  'drive-signal': driveSignalPiece,
  'reverse-motor': motorPiece,
  'hand-mechanism': handMotorPiece,
  finger: servoPiece,
};
