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
  type JointLook,
  type Sheet,
} from './drawing';
import { isJointWay, type Job, type JointWay } from './job';
import { valueOf, takenPart } from './parts';
import { formatQuantity } from './quantity';
import { motionOf, wiringOf } from './reversing';
import { wayContext } from './thumb';
import { ONE_SHOT, pressOf, wayPhrase, type WayResult } from './ways';

/** The drawing of a way on this control, whichever it is; `wiring` leaves out what a screen shows beside it, contact by contact. */
export function drawWay(job: Job, a: Seen, way: WayResult, show: 'all' | 'wiring' = 'all'): Sheet {
  const { thumb } = job;
  // Nothing was read yet: there is no wire to draw, and no voltage to write beside it.
  if (way.wires.length === 0) return { width: SHEET_WIDTH, height: 0, marks: [] };
  if (isJointWay(way.way)) {
    // The one-shot stands between pin and joint: its own wires follow those of the joint.
    const own = way.wires.filter((w) => w.to.startsWith(ONE_SHOT));
    const joint = drawSwitch(
      lookOf(job, a, { ...way, wires: way.wires.filter((w) => !own.includes(w)) }, way.way, own.length > 0),
    );
    return own.length ? stacked(joint, drawTerminals(own)) : joint;
  }
  const terminals = drawTerminals(way.wires);
  switch (way.way) {
    case 'finger': {
      const context = wayContext(job, a.facts);
      return context ? stacked(drawFinger(thumb.finger, pressOf(context).metres.value), terminals) : terminals;
    }
    case 'reverse-motor':
    case 'control-box':
      return show === 'wiring' ? terminals : stacked(drawState(job, way.way, {}), terminals);
    case 'hand-mechanism':
      return stacked(drawMechanism(thumb.hand), terminals);
    default:
      return terminals;
  }
}

/** A reversing wiring with the coils in one state; a coil that is not named is off. */
export function drawState(
  job: Job,
  way: 'reverse-motor' | 'control-box',
  on: Readonly<Record<string, boolean>>,
): Sheet {
  const wiring = wiringOf(job.thumb.motor, way);
  const stands = wiring.contacts.map((c) => (on[c.coil] ? ('work' as const) : ('rest' as const)));
  return drawMotor(
    wiring.key,
    wiring.contacts.map((c, i) => ({ names: c.names, stands: stands[i]! })),
    motionOf(wiring, stands),
  );
}

/** A centre-tapped stepper before and after its tap is cut, side by side. */
export const drawRewiring = (): readonly [before: Sheet, after: Sheet] => [drawWinding(false), drawWinding(true)];

/** What the drawing of a joint shows. */
function lookOf(job: Job, a: Seen, way: WayResult, kind: JointWay, cutOff: boolean): JointLook {
  const context = wayContext(job, a.facts);
  const name = context?.control.name ?? '';
  const line = context?.line;
  const high =
    context?.fact.farSide === 'supply' ||
    (context?.fact.leading === 'scanned-matrix' && context.fact.strobesLow !== 'no');
  const signal = context?.fact.signal ?? 'A';
  const other = signal === 'A' ? 'B' : 'A';
  // A value that nobody read is not written on a sheet.
  const about = line
    ? [line.supply, line.pull]
        .filter((x) => x.origin.from !== 'prior')
        .map((x) => formatQuantity(x.range.nominal, x.unit))
        .join(', ')
    : '';
  const supply =
    kind === 'relay-module'
      ? valueOf(takenPart(job, 'relay-module'), 'supplyVolts')
      : valueOf(takenPart(job, 'relay'), 'coilVolts');
  return {
    way: kind,
    pin: cutOff ? ONE_SHOT : job.board.pressPin === null ? 'pin ?' : `pin ${job.board.pressPin}`,
    appliance: job.title.toLowerCase(),
    upper: `${name} ${high ? other : signal}`,
    lower: `${name} ${high ? signal : other}`,
    upperNote: high ? 'its own supply' : about,
    lowerNote: high
      ? about
      : kind === 'analogue-switch'
        ? ''
        : way.press.sharesGround
          ? 'shared ground'
          : 'its own ground',
    resistor: way.press.resistorOhms === null ? '' : formatQuantity(way.press.resistorOhms, 'Ω'),
    supply: formatQuantity(supply, 'V'),
    part: wayPhrase(kind),
    partNote: way.parts.find((p) => !p.name.startsWith('resistor'))?.value ?? '',
    wires: way.wires,
    apart: way.press.galvanicallyApart ? apartWords(kind) : null,
    forbidden: way.press.sharesGround && context?.fact.isolation !== 'isolated',
  };
}

/** What keeps the sides apart; a data sheet gives the very numbers. */
const apartWords = (way: JointWay): string =>
  way === 'relay-contact' || way === 'relay-module' ? 'coil and contact' : 'light';
