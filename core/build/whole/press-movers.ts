import { present } from '../../ground/lists';
import { lineId } from '../../ground/job';
import { exactly, type Interval } from '../../ground/quantity';
import { ZERO } from '../../engines/net';
import { boundsOf, takenPart, valueOf } from '../../engines/parts';
import { AMPS_SHARE, drivenPin, outputPin, VOLTS_SHARE } from './driver';
import type { Doubt, Fitted, Rating } from './fitted';
import { amps, allPieces, notApplying, notKnown, rated, resistorElement, volts, type CircuitPiece } from './piece';
import { coilPiece } from './press-relays';
import { coilSupply, suppliedBy, type Site, type Supplied } from './site';

/** A rating of what something is fed with: nobody knows it where nobody said what feeds it. */
const fedRating = (fed: Supplied, held: Rating): Rating =>
  fed.unknown === '' ? held : notKnown(held.key, held.name, fed.unknown);

/** The motor of a press as the circuit has it: what it draws while it runs, and its winding, through which it draws as it stands. */
interface Motor {
  readonly runs: number | null;
  readonly winding: Interval | null;
  /** Why neither current is to be relied on; null where both are as somebody said or read them. */
  readonly doubts: { readonly runs: Doubt | null; readonly stall: Doubt | null };
}

function motorOf(s: Site): Motor {
  const { motor: plan, given } = present(s.job.presses.find((p) => p.id === s.press.id));
  const draw = s.press.draws.find((d) => d.part === 'motor');
  const runs = plan.runningAmps === null ? null : (draw?.runAmps ?? null);
  const stall = draw?.startAmps ?? null;
  const winding = stall === null || stall <= 0 ? null : exactly(plan.supplyVolts / stall);
  const contradict = plan.stallAmps !== null && plan.runningAmps !== null && plan.stallAmps < plan.runningAmps;
  const doubt = (key: 'stallAmps' | 'runningAmps' | 'windingOhms'): Doubt | null =>
    contradict
      ? { verdict: 'unknown', because: 'stalled and running currents contradict each other' }
      : plan[key] === null || given.includes(`motor.${key}`)
        ? null
        : { verdict: 'tight', because: 'nobody confirmed what the motor draws' };
  return {
    runs,
    winding,
    doubts: { runs: doubt('runningAmps'), stall: doubt(plan.stallAmps === null ? 'windingOhms' : 'stallAmps') },
  };
}

/** A rating of the motor's current is no better than what is known of that. */
const doubted = (doubt: Doubt | null, held: Rating): Rating => (doubt ? { ...held, rests: doubt } : held);

/** The motor behind what switches it: blocked, running, or cut off. @param behind how what switches it is called. */
function motorElements(
  s: Site,
  fed: Supplied,
  motor: Motor,
  behind: { id: string; ohms: Interval },
): CircuitPiece['elements'] {
  const { id } = s.press;
  const at = `${id} motor +`;
  return (state) => {
    const blocked = state.stalled.has(id);
    const own = state.board ? fed.elements : [];
    if (!s.isOn(state)) return own;
    return [
      ...own,
      resistorElement(behind.id, fed.plus, at, behind.ohms),
      ...(blocked && motor.winding
        ? [resistorElement(`${id} motor`, at, fed.minus, motor.winding)]
        : !blocked && motor.runs !== null
          ? [{ is: 'drain' as const, id: `${id} motor`, a: at, b: fed.minus, amps: exactly(motor.runs) }]
          : []),
    ];
  };
}

const stalledIn = (s: Site): string[] => [`stalled ${s.press.id}`];
const runningIn = (s: Site): string[] => [`press ${s.press.id}`];
/** A rating of what the motor draws as it starts or is blocked. */
const ofStall = (s: Site, motor: Motor, held: Rating): Rating =>
  motor.winding
    ? doubted(motor.doubts.stall, { ...held, states: stalledIn(s) })
    : notKnown(held.key, held.name, 'what the motor draws when stalled');

/** A motor that a bridge or contacts run both ways. */
export function motorPiece(s: Site): CircuitPiece {
  const plan = present(s.job.presses.find((p) => p.id === s.press.id)).motor;
  const fed = suppliedBy(s, lineId(s.press.id, 'motor'), plan.supplyVolts);
  const motor = motorOf(s);
  return plan.wiring === 'bridge' ? bridgePiece(s, fed, motor) : contactsPiece(s, fed, motor);
}

function bridgePiece(s: Site, fed: Supplied, motor: Motor): CircuitPiece {
  const part = takenPart(s.job, 'bridge');
  const { id } = s.press;
  const through = amps(`${id} bridge`);
  const supply = volts(fed.plus, fed.minus);
  const pins = ['IN1', 'IN2'].map((p) => lineId(id, p));
  const lasting = rated(part, 'lasting-amps', 'motorAmps', VOLTS_SHARE, through);
  // As it stands a motor draws more than it ever does: where even that is borne for long, its running need not be read.
  const bears =
    motor.winding &&
    s.press.draws.some((d) => d.part === 'motor' && (d.startAmps ?? Infinity) <= VOLTS_SHARE * (lasting.limit ?? 0));
  return allPieces([
    ...pins.map((pin, i) => pinPiece(s, pin, `pin ${i + 1} of ${s.press.name}`, i === 0)),
    {
      elements: motorElements(s, fed, motor, { id: `${id} bridge`, ohms: boundsOf(part, 'onOhms') }),
      parts: [
        {
          id: `${id} bridge`,
          kind: 'bridge',
          name: part.name,
          ...s.whose,
          ratings: [
            fedRating(fed, {
              ...rated(part, 'supply-least-volts', 'leastVolts', 1, supply),
              sense: 'at least',
              states: s.on,
            }),
            fedRating(fed, { ...rated(part, 'supply-most-volts', 'mostVolts', 1, supply), states: ['rest'] }),
            motor.runs !== null
              ? doubted(motor.doubts.runs, { ...lasting, states: runningIn(s) })
              : bears
                ? ofStall(s, motor, lasting)
                : notKnown('lasting-amps', 'lasting amps', 'what the motor draws while it runs'),
            ofStall(s, motor, rated(part, 'peak-amps', 'peakAmps', VOLTS_SHARE, through)),
            {
              ...rated(part, 'input-high-volts', 'inputHighVolts', 1, volts(`pin ${present(pins[0])}`, ZERO)),
              sense: 'at least',
              states: s.on,
            },
          ],
        },
      ],
    },
  ]);
}

/** What a pin gives is told by its own press: other presses leave it as it is at rest. */
const ownStates = (s: Site, part: Fitted): Fitted => ({
  ...part,
  ratings: part.ratings.map((r) => (r.applies ? { ...r, states: ['rest', ...s.on] } : r)),
});

/** One pin of a press that has several. */
export const pinPiece = (s: Site, pin: string, name: string, presses: boolean): CircuitPiece => ({
  elements: drivenPin(pin, s.drive.highVolts, (state) => presses && s.isOn(state), 'high'),
  parts: [
    ownStates(
      s,
      outputPin(pin, name, s.whose, s.drive.limitAmps, {
        from: 'source',
        key: s.drive.source,
      }),
    ),
  ],
});

/** A gear motor on the crank or the tube of a machine, on a bridge, or a stepper's driver. Its currents are those of its class or sheet. */
export function handMotorPiece(s: Site): CircuitPiece {
  const { hand } = present(s.job.presses.find((p) => p.id === s.press.id));
  const draw = s.press.draws.find((d) => d.part === 'motor');
  const made = hand.motor === 'stepper' ? hand.driverVolts : valueOf(takenPart(s.job, 'gear-motor'), 'ratedVolts');
  const fed = suppliedBy(s, lineId(s.press.id, 'motor'), made);
  const stall = draw?.startAmps ?? null;
  if (hand.motor === 'stepper')
    return allPieces([
      pinPiece(s, lineId(s.press.id, 'step'), `step pin of ${s.press.name}`, true),
      pinPiece(s, lineId(s.press.id, 'direction'), `direction pin of ${s.press.name}`, false),
      { elements: (state) => (state.board ? fed.elements : []), parts: [] },
    ]);
  return bridgePiece(s, fed, {
    runs: draw?.runAmps ?? null,
    winding: stall === null || stall <= 0 ? null : exactly(made / stall),
    doubts: { runs: null, stall: null },
  });
}

/** Contacts of one or two relays, the coil of each behind its own pin. */
function contactsPiece(s: Site, fed: Supplied, motor: Motor): CircuitPiece {
  const part = takenPart(s.job, 'relay');
  const { id } = s.press;
  const coils = Array.from({ length: Math.max(1, s.press.outputs) }, (_, i) => lineId(id, `K${i + 1}`));
  const contact = `${id} contact`;
  const supply = coilSupply(s, valueOf(part, 'coilVolts'));
  return allPieces([
    { elements: (state) => (state.board ? supply.elements : []), parts: [] },
    ...coils.map((coil, i) => {
      const piece = coilPiece(s, part, coil, supply);
      return allPieces([
        pinPiece(s, coil, `pin ${i + 1} of ${s.press.name}`, true),
        {
          elements: piece.elements,
          parts: [
            ...piece.parts,
            {
              id: `${coil} relay`,
              kind: 'relay',
              name: part.name,
              ...s.whose,
              ratings: [
                ...piece.ratings,
                fedRating(fed, rated(part, 'contact-volts', 'contactVolts', VOLTS_SHARE, volts(fed.plus, fed.minus))),
                motor.runs !== null
                  ? doubted(motor.doubts.runs, {
                      ...rated(part, 'contact-amps', 'contactAmps', AMPS_SHARE, amps(contact)),
                      states: runningIn(s),
                    })
                  : ofStall(s, motor, rated(part, 'contact-amps', 'contactAmps', AMPS_SHARE, amps(contact))),
                notApplying(
                  'contact-kick',
                  'what it breaks',
                  'Thumb holds it against what such a contact breaks of a motor',
                ),
                // A film is broken by what flows as the contact closes, and that is what the motor draws as it starts.
                {
                  ...ofStall(s, motor, rated(part, 'contact-least-amps', 'minimumAmps', 1, amps(contact))),
                  sense: 'at least',
                  soft: true,
                },
              ],
            },
          ],
        },
      ]);
    }),
    { elements: motorElements(s, fed, motor, { id: contact, ohms: boundsOf(part, 'onOhms') }), parts: [] },
  ]);
}

/** Between which shares of what it is made for a servo works (`load-range`). */
const SERVO = { least: 0.9, most: 1.2 } as const;

/** A finger's servo, which presses against what it is fed with. */
export function servoPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'servo');
  const made = valueOf(part, 'supplyVolts');
  const fed = suppliedBy(s, s.press.id, made);
  const supply = volts(fed.plus, fed.minus);
  const ofSupply = (key: string, share: number): Rating => ({
    ...rated(part, key, 'supplyVolts', 1, supply),
    limit: share * made,
  });
  const servo: Fitted = {
    id: `${s.press.id} servo`,
    kind: 'servo',
    name: part.name,
    ...s.whose,
    ratings: [
      fedRating(fed, { ...ofSupply('supply-least-volts', SERVO.least), sense: 'at least', states: s.on }),
      fedRating(fed, ofSupply('supply-most-volts', SERVO.most)),
    ],
  };
  return allPieces([
    pinPiece(s, s.press.id, `pin of ${s.press.name}`, true),
    { elements: (state) => (state.board ? fed.elements : []), parts: [servo] },
  ]);
}
