import { highShare, readSignal, tapOf } from '../../../build/panel';
import { TAP_PARTS, TAP_SHARES, tapTimes, type Tap } from '../../../engines/tap';
import type { DriveFact } from '../../../ground/facts';
import { atMost, chosen, computed, derive, finding, judged, type Finding } from '../../../ground/finding';
import type { Sense } from '../../../ground/job';
import { formatQuantity } from '../../../ground/quantity';
import { putSense } from './edits';
import { LOW_SHARE } from './levels';
import { ofMachine } from './nature';

/** The corner at which a tap is slowest to tell: little comes in, much is kept, much is asked of the base. */
export const slowestTap = (t: Tap): Tap => ({
  ...t,
  signal: { ...t.signal, highVolts: t.signal.highVolts * (1 - TAP_SHARES.volts) },
  pullOhms: t.pullOhms * (1 - TAP_SHARES.ohms),
  couplingFarads: t.couplingFarads * (1 - TAP_SHARES.farads),
  keepFarads: t.keepFarads * (1 + TAP_SHARES.farads),
  pinFarads: t.pinFarads * (1 + TAP_SHARES.farads),
  diodeVolts: TAP_PARTS.diodeVolts.high,
  baseVolts: TAP_PARTS.baseVolts.high,
  gain: TAP_PARTS.gain.low,
  leakAmps: 0,
});
/** How soon a tap tells at its slowest, s; infinite where it never does. */
const slowestSeen = (t: Tap): number =>
  tapTimes(slowestTap(t), LOW_SHARE * t.pinVolts, highShare(t.pinVolts) * t.pinVolts).seen;

/** The debounce with which a beep is still heard: half of what is left of it. */
const SHARE = 0.5;

/** A beep or a blink has to last for longer than its joint and the wait for it to settle take together. */
export function heardFindings(sense: Sense, drive: DriveFact): Finding[] {
  const tap = ofMachine(sense) ? tapOf(sense, drive) : null;
  if (!tap || sense.kind === 'pulses' || sense.kind === 'flow') return [];
  const { shortestSeconds } = readSignal(sense);
  if (shortestSeconds === null)
    return sense.kind === 'beep'
      ? [
          finding('sense', `tap.${sense.id}.heard`, {
            verdict: 'unknown',
            title: `${sense.name}: how long one beep lasts was not timed; a short one is over before it counts`,
            caption: 'beep too short?',
            source: ['tap-parts'],
            remedy: { text: 'Time one beep, or let a recording of it tell; write the shortest in Sense.' },
          }),
        ]
      : [];
  const seen = slowestSeen(tap);
  if (!Number.isFinite(seen)) return [];
  const left = (shortestSeconds - seen) * SHARE;
  const step = derive('told after', 't', 't_j + t_d', 's', [
    computed('t_j', 'its joint tells after, at its slowest', seen, 's', 'closed form of the tap at its slowest corner'),
    chosen('t_d', 'what has to stand before it counts', sense.debounceSeconds, 's', 'set in Sense', [0, 60]),
  ]);
  const short = step.result.value > shortestSeconds;
  return [
    judged('sense', `tap.${sense.id}.heard`, {
      title: `${sense.name}: it counts before its shortest is over`,
      caption: 'heard in time',
      steps: [step],
      limit: atMost(shortestSeconds, 's', 'how long it lasts at its shortest', {
        from: 'maker',
        what: 'timed, in Sense',
      }),
      tightShare: 0.1,
      source: ['tap-parts'],
      remedy: short
        ? left > 1e-3
          ? {
              text: 'Let it count sooner: it is over before it has stood for so long.',
              label: `Settles within ${formatQuantity(left, 's')}`,
              edit: putSense(sense, { debounceSeconds: left }, `settles within ${formatQuantity(left, 's')}`),
            }
          : { text: 'Its joint alone takes longer than it lasts: take one that is quicker, or another sense.' }
        : null,
    }),
  ];
}
