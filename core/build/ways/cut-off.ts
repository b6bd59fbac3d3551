import { itemAt } from '../../ground/lists';
import { GROUND, legOf, RAIL } from '../ends';
import { PULL_DOWN_OHMS } from '../../engines/circuit';
import { longestPress } from '../../ground/job';
import { oneShot } from '../../engines/electrics';
import { formatQuantity } from '../../ground/quantity';
import { wires, type WayContext, type WayResult, type WireEnds } from './context';
import { resistorPart } from './result';

/** How its terminals are called. */
export const ONE_SHOT = 'one-shot';
const oneShotLeg = (of: string) => legOf(ONE_SHOT, ONE_SHOT, of);

/** Pin level from which its trigger may answer, V: three tenths of 3.3 V (`cmos-levels`). */
const TRIGGERS_AT = 1;

/** The monostable that Guard asked for, in the parts and between pin and driver; only a single level can be cut off so. */
export function withCutOff(r: WayResult, c: WayContext): WayResult {
  const press = longestPress(c.job, c.press.id);
  const first = r.wires.findIndex((w) => w.ends[0].at === 'pin');
  if (
    c.job.guard.cutOff !== 'one-shot' ||
    press === 0 ||
    first < 0 ||
    r.press.outputs !== 1 ||
    r.press.input !== 'level'
  )
    return r;
  const { ohms, farads, longest } = oneShot(press);
  const inverted = r.press.pressesOn === 'low';
  const list: WireEnds[] = r.wires.flatMap((w, i): WireEnds[] => [
    [i === first ? oneShotLeg(`output${inverted ? ', inverted' : ''}`) : w.ends[0], w.ends[1], w.crosses, w.role],
  ]);
  return {
    ...r,
    wires: wires(c, [
      ...list,
      [itemAt(r.wires, first).ends[0], oneShotLeg('trigger')],
      ...(inverted
        ? ([[RAIL, oneShotLeg(`trigger, by ${formatQuantity(PULL_DOWN_OHMS, 'Ω')}`)]] satisfies WireEnds[])
        : []),
      [RAIL, oneShotLeg('supply')],
      [GROUND, oneShotLeg('ground')],
      [RAIL, oneShotLeg('resistor 1')],
      [oneShotLeg('resistor 2'), oneShotLeg('R and C')],
      [oneShotLeg('capacitor 1'), oneShotLeg('R and C')],
      [oneShotLeg('capacitor 2'), oneShotLeg('C')],
    ]),
    // What the pin meets is its trigger, which takes no current and floats with the pin: Board's resistor to ground
    // holds it at rest, one of its own where the press is low.
    press: { ...r.press, turnOnVolts: TRIGGERS_AT, turnOnAmps: 0, holdOhms: null, latchSeconds: longest.result.value },
    // Its output stands in for the pin, so it must give what the pin would.
    parts: [
      ...r.parts,
      {
        name: 'monostable, not retriggerable',
        value: `CMOS, 3.3 V, output ${formatQuantity(c.drive.limitAmps, 'A')} or more`,
        quantity: 1,
        shared: true,
      },
      ...(inverted
        ? [{ ...resistorPart('at the trigger of the one-shot', PULL_DOWN_OHMS), shared: true as const }]
        : []),
      { ...resistorPart('of the one-shot', ohms), shared: true },
      { name: 'film capacitor of the one-shot', value: formatQuantity(farads, 'F'), quantity: 1, shared: true },
    ],
  };
}
