import { itemAt } from '../ground/lists';
import type { Seen } from './assess';
import {
  drawFinger,
  drawMechanism,
  drawMotor,
  drawSwitch,
  drawTerminals,
  drawWinding,
  SHEET_WIDTH,
  stacked,
  type DrawnWire,
  type JointLook,
  type Sheet,
} from '../build/drawing';
import { leg, sayEnd, type End } from '../build/ends';
import { isJointWay, type Job, type JointWay, type Press, type Way } from '../ground/job';
import { pinOf } from '../build/lines';
import { valueOf, takenPart } from '../engines/parts';
import { formatQuantity } from '../ground/quantity';
import { motionOf, reversingWiring } from '../engines/reversing';
import type { ControlFact } from '../ground/facts';
import { wayContext } from '../rooms/thumb';
import { pinWords } from './job-wiring';
import { placedEnd, type JobWire, type Wiring } from '../build/wiring';
import { ONE_SHOT, faceOf, wayPhrase, type WayContext, type WayResult, type Wire } from '../build/ways';

/** Whether an end belongs to the second of two contacts in series. */
const ofSecondContact = (end: End): boolean =>
  end.at === 'pin' ? end.part === '2' : end.at === 'leg' && end.second === true;
const isBeside = (end: End): boolean => end.at === 'leg' && end.beside === true;
const ofOneShot = (end: End): boolean => end.at === 'leg' && end.device === ONE_SHOT;

/** The drawing of a way on this control, whichever it is; `wiring` leaves out what a screen shows beside it, contact by contact. */
export function drawWay(job: Job, a: Seen, press: Press, way: WayResult, show: 'all' | 'wiring' = 'all'): Sheet {
  // Nothing was read yet: there is no wire to draw, and no voltage to write beside it.
  if (way.wires.length === 0) return { width: SHEET_WIDTH, height: 0, marks: [] };
  // Two outputs without a pin yet keep their own names, so that they stay two.
  const placed = placedEnd(
    job,
    a.lines.filter((l) => l.owner === press.id && pinOf(job, l.id) !== null),
    (gpio) => pinWords(job, gpio),
  );
  const named = (w: Wire): Wire => ({ ...w, from: placed(w.ends[0]), to: placed(w.ends[1]) });
  if (isJointWay(way.way)) {
    // The one-shot, a second contact and a pull-down stand beside the joint: their own wires follow those of the joint.
    const own = way.wires.filter((w) => ofOneShot(w.ends[1]) || w.ends.some((e) => ofSecondContact(e) || isBeside(e)));
    const cutOff = own.some((w) => ofOneShot(w.ends[1]));
    const joint = drawSwitch(
      lookOf(job, a, press, { ...way, wires: way.wires.filter((w) => !own.includes(w)) }, way.way, cutOff),
    );
    return own.length ? stacked(joint, drawTerminals(own.map(named))) : joint;
  }
  const terminals = drawTerminals(way.wires.map(named));
  const picture = show === 'wiring' && isReversing(way.way) ? null : pictureOf(job, a, press, way);
  return picture ? stacked(picture, terminals) : terminals;
}
const isReversing = (way: Way): boolean => way === 'reverse-motor' || way === 'control-box';

/** A reversing wiring with the coils in one state; a coil that is not named is off. */
export function drawState(
  press: Press,
  way: 'reverse-motor' | 'control-box',
  on: Readonly<Record<string, boolean>>,
): Sheet {
  const wiring = reversingWiring(press.motor, way);
  const stands = wiring.contacts.map((c) => (on[c.coil] ? ('work' as const) : ('rest' as const)));
  return drawMotor(
    wiring.key,
    wiring.contacts.map((c, i) => ({ names: c.names, stands: itemAt(stands, i) })),
    motionOf(wiring, stands),
  );
}

/** A centre-tapped stepper before and after its tap is cut, side by side. */
export const drawRewiring = (): readonly [before: Sheet, after: Sheet] => [drawWinding(false), drawWinding(true)];

/** Whether the contact's far side is the machine's supply, so that the signal is drawn below. */
const isHighSide = (fact: ControlFact): boolean =>
  fact.farSide === 'supply' || (fact.leading === 'scanned-matrix' && fact.strobesLow !== 'no');

/** Of a load that is no part of a machine the contact stands between its own supply and it, or the timer relay before it. */
function ownCircuit({ wires }: WayResult): Pick<JointLook, 'upper' | 'lower' | 'upperNote' | 'lowerNote'> {
  const [first, second] = wires.flatMap(({ ends }) => (ends[0].at === 'leg' && ends[0].closes ? [ends[1]] : []));
  return {
    upper: 'its own supply',
    upperNote: first?.at === 'leg' ? first.label : '',
    lower: second ? sayEnd(second) : '',
    lowerNote: second?.at === 'terminal' ? 'and back to its supply' : 'and on to the load',
  };
}

/** The machine's two terminals, the upper and the lower, and what is known of each. */
function sidesOf(
  context: WayContext | null,
  way: WayResult,
  kind: JointWay,
): Pick<JointLook, 'upper' | 'lower' | 'upperNote' | 'lowerNote'> {
  const name = context?.control.name ?? '';
  if (context?.control.id === '') return ownCircuit(way);
  const high = context !== null && isHighSide(context.fact);
  const signal = context?.fact.signal ?? 'A';
  const other = signal === 'A' ? 'B' : 'A';
  // A value that nobody read is not written on a sheet.
  const about = (context?.line ? [context.line.supply, context.line.pull] : [])
    .filter((x) => x.origin.from !== 'prior')
    .map((x) => formatQuantity(x.range.nominal, x.unit))
    .join(', ');
  if (high)
    return { upper: `${name} ${other}`, lower: `${name} ${signal}`, upperNote: 'its own supply', lowerNote: about };
  const ground = way.press.sharesGround ? 'shared ground' : 'its own ground';
  return {
    upper: `${name} ${signal}`,
    lower: `${name} ${other}`,
    upperNote: about,
    lowerNote: kind === 'analogue-switch' ? '' : ground,
  };
}

/** What the drawing of a joint shows. */
function lookOf(job: Job, a: Seen, press: Press, way: WayResult, kind: JointWay, cutOff: boolean): JointLook {
  const gpio = pinOf(job, press.id);
  const context = wayContext(job, a.facts, press);
  const supply =
    kind === 'relay-module'
      ? valueOf(takenPart(job, 'relay-module'), 'supplyVolts')
      : valueOf(takenPart(job, 'relay'), 'coilVolts');
  return {
    way: kind,
    pin: cutOff ? ONE_SHOT : gpio === null ? 'pin ?' : pinWords(job, gpio),
    appliance: job.title.toLowerCase(),
    ...sidesOf(context, way, kind),
    resistor: way.press.resistorOhms === null ? '' : formatQuantity(way.press.resistorOhms, 'Ω'),
    supply: formatQuantity(supply, 'V'),
    part: wayPhrase(kind),
    partNote: way.parts[0]?.value ?? '',
    wires: way.wires,
    apart: way.press.galvanicallyApart ? apartWords(kind) : null,
    forbidden: way.press.sharesGround && context?.fact.isolation !== 'isolated',
  };
}

/** What keeps the sides apart; a data sheet gives the very numbers. */
const apartWords = (way: JointWay): string =>
  way === 'relay-contact' || way === 'relay-module' ? 'coil and contact' : 'light';

/** A line of text as a sheet of its own, above a drawing. */
const heading = (words: string): Sheet => ({
  width: SHEET_WIDTH,
  height: 30,
  marks: [{ kind: 'text', x: 4, y: 20, text: words, anchor: 'start', ink: 'ink', size: 16 }],
});

/** A wire as the table has it; what a jumper leads to is a part of another press, and stands apart from this one's. */
const asDrawn = (w: JobWire): DrawnWire => (w.jumper ? { ...w, ends: [w.ends[0], leg('machine', w.to)] } : w);

/** What a way shows beside its wires: the finger over its control, the motor's contacts, the mechanism. */
function pictureOf(job: Job, a: Seen, press: Press, way: WayResult): Sheet | null {
  switch (way.way) {
    case 'finger': {
      const context = wayContext(job, a.facts, press);
      return context && drawFinger(press.finger, faceOf(context).metres.value);
    }
    case 'reverse-motor':
    case 'control-box':
      return drawState(press, way.way, {});
    case 'hand-mechanism':
      return drawMechanism(press.hand);
    default:
      return null;
  }
}

/** All that is wired, by the wire table and nothing else: one press after the other, what stands at the controller, and the supplies. */
export function drawWhole(job: Job, a: Seen, wiring: Wiring): Sheet {
  const of = (has: (w: JobWire) => boolean): readonly DrawnWire[] => wiring.wires.filter(has).map(asDrawn);
  const several = new Set(wiring.wires.map((w) => w.owner)).size > 1;
  const block = (name: string, wires: readonly DrawnWire[], picture: Sheet | null = null, others?: string): Sheet[] =>
    wires.length === 0
      ? []
      : [...(several ? [heading(name)] : []), ...(picture ? [picture] : []), drawTerminals(wires, others)];
  const sheets = [
    ...a.plans.flatMap(({ press, way }) => {
      const wires = of((w) => w.group === 'press' && w.owner === press.id);
      return block(press.name, wires, way && pictureOf(job, a, press, way));
    }),
    ...block(
      'At the controller',
      of((w) => w.group === 'panel'),
      null,
      'hands and senses',
    ),
    ...block(
      'Supplies',
      of((w) => w.group === 'feed'),
    ),
  ];
  return sheets.reduce(stacked, { width: SHEET_WIDTH, height: 0, marks: [] });
}
