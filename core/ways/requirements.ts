import { finding, type Finding } from '../finding';
import type { ControlKind, Way } from '../job';
import type { WayContext } from './context';

/** `apart`: no conductor joins the sides. `ground-side`: one terminal must be the shared ground. `ground`: the grounds are joined, whichever terminal is which. */
export type Joins = 'apart' | 'ground-side' | 'ground';

/** A way has nothing to do with this sort of control. */
export const misfit = (way: Way, title: string, remedy: string): Finding => finding('thumb', `${way}.misfit`, { verdict: 'stop', title, caption: 'not for this control', remedy: { text: remedy } });

/** What must be true before a way may be used at all: the control known, the sides kept apart where they must be. */
export function requirements(way: Way, c: WayContext, joins: Joins): Finding[] {
  const out: Finding[] = [];
  const { fact, control } = c;
  if (fact.kind === null) {
    out.push(finding('thumb', `${way}.known`, { verdict: 'unknown', title: `${control.name} is not yet known; margins rest on the likeliest kind`, caption: 'waits for Probe', remedy: { text: 'Take the next reading in Probe.' } }));
  }
  if (fact.dangerous) {
    out.push(finding('thumb', `${way}.dangerous`, { verdict: 'stop', title: 'The control is over the limits of extra-low voltage', caption: 'dangerous side', source: ['iec-61140'], remedy: { text: 'Press it from outside, or hand the inside to a licensed electrician.' } }));
  } else if (joins !== 'apart') {
    out.push(sharedGround(way, c, joins));
  } else if (fact.isolation === 'not-isolated') {
    out.push(finding('thumb', `${way}.insulation`, { verdict: 'tight', title: 'The low-voltage side is tied to mains: only reinforced insulation will do', caption: 'reinforced insulation only', source: ['iec-60664', 'opto-safety-gap'], remedy: { text: 'Pick a safety-rated part, keep 5 mm creepage to your side, feed the controller from an isolated supply, and let licensed work check it.' } }));
  } else if (fact.isolation === 'unknown') {
    out.push(finding('thumb', `${way}.insulation`, { verdict: 'unknown', title: 'Isolation from mains is not proven', caption: 'isolation not proven', source: ['isolation-bounds'], remedy: { text: 'Take the isolation readings in Probe.' } }));
  }
  return out;
}

/** Kinds with a terminal that is, or may be taken as, ground. */
const GROUND_SIDE: readonly ControlKind[] = ['low-when-pressed', 'dry-pair', 'latching-switch', 'selector'];

function sharedGround(way: Way, c: WayContext, joins: 'ground-side' | 'ground'): Finding {
  const { fact } = c;
  if (joins === 'ground-side' && !GROUND_SIDE.includes(fact.leading)) {
    return finding('thumb', `${way}.ground`, { verdict: 'stop', title: 'No terminal of this control is ground, so a transistor to ground cannot press it', caption: 'no ground side', remedy: { text: 'Use a contact, an optocoupler or a solid-state relay.' } });
  }
  if (fact.isolation === 'not-isolated') {
    return finding('thumb', `${way}.ground`, { verdict: 'stop', title: 'It would join your ground to mains', caption: 'ground is not isolated', source: ['isolation-bounds'], remedy: { text: 'Use a way that keeps the sides apart.' } });
  }
  return fact.isolation === 'isolated'
    ? finding('thumb', `${way}.ground`, { verdict: 'settled', title: 'The grounds may be joined: isolation from mains was read', caption: 'shared ground', source: ['isolation-bounds', 'iec-61140'] })
    : finding('thumb', `${way}.ground`, { verdict: 'unknown', title: 'Waits until isolation from mains is proven', caption: 'isolation not proven', source: ['isolation-bounds'], remedy: { text: 'Take the isolation readings in Probe.' } });
}
