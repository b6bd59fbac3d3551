import { finding, type Finding } from '../../ground/finding';
import type { Way } from '../../ground/job';
import { formatQuantity, type Interval } from '../../ground/quantity';
import type { WayContext } from './context';

/** A supply of the plan within so much of what was read is the same one, as a share: a meter, its battery and a loaded supply together. */
const SAME_SHARE = 0.05;
/** Further away than this it is another one. */
const OTHER_SHARE = 0.1;
/** A winding is read through its brushes, which show ohms of their own at a meter's small current: what flows stalled is no less. */
const LEAST_OF_STALL = 0.7;

/** A value of a motor that was read of this very control; null where nobody read it, or where it was read of another. */
function read({ fact }: WayContext, key: string): Interval | null {
  const value = fact.parameters[key];
  return value && fact.leading === 'motor-pair' && !fact.borrowed && fact.read[key] !== undefined ? value : null;
}

const within = (value: number, r: Interval, share: number): boolean =>
  value >= r.low * (1 - share) && value <= r.high * (1 + share);

/** Whether the motor's supply of the plan is what was read in Probe while it moved. */
export function isSupplyRead(c: WayContext): boolean {
  const volts = read(c, 'motorVolts');
  return volts !== null && within(c.press.motor.supplyVolts, volts, SAME_SHARE);
}

const volt = (v: number): string => formatQuantity(Number(v.toPrecision(3)), 'V');

/** A plan that reckons with another motor than the one that was read: nothing is judged by either before that is cleared up. */
export function motorAsRead(way: Way, c: WayContext): Finding[] {
  const plan = c.press.motor;
  const volts = read(c, 'motorVolts');
  const ohms = read(c, 'windingOhms');
  const out: Finding[] = [];
  if (volts && !within(plan.supplyVolts, volts, OTHER_SHARE)) {
    const use = Number(volts.nominal.toPrecision(3));
    out.push(
      finding('thumb', `${way}.supply-read`, {
        verdict: 'unknown',
        title: `The plan feeds the motor ${volt(plan.supplyVolts)}, and ${volt(volts.nominal)} were read at it while it moved`,
        caption: 'other motor supply',
        source: ['stall-rating'],
        remedy: {
          text: 'Reckon with what was read, or read it again while it moves.',
          label: `Use ${volt(use)}`,
          edit: {
            do: 'set',
            at: 'press.motor',
            of: c.press.id,
            set: { supplyVolts: use },
            say: `motor supply ${volt(use)}, as read`,
          },
        },
      }),
    );
  }
  if (ohms && plan.stallAmps !== null && plan.stallAmps < (LEAST_OF_STALL * plan.supplyVolts) / ohms.high)
    out.push(
      finding('thumb', `${way}.winding-read`, {
        verdict: 'unknown',
        title:
          `${formatQuantity(plan.stallAmps, 'A')} stalled cannot be right: a winding of ` +
          `${formatQuantity(Number(ohms.nominal.toPrecision(3)), 'Ω')}, as read, takes ` +
          `${formatQuantity(Number((plan.supplyVolts / ohms.nominal).toPrecision(3)), 'A')} from ${volt(plan.supplyVolts)} when it stands`,
        caption: 'stall current too small',
        source: ['stall-rating', 'ohm'],
        remedy: {
          text: 'Leave the stalled current empty, and it is worked out from the winding; or read plate and winding again.',
          label: 'Work it out',
          edit: {
            do: 'set',
            at: 'press.motor',
            of: c.press.id,
            set: { stallAmps: null },
            say: 'stalled current from the winding',
          },
        },
      }),
    );
  return out;
}
