import { chosen, worst, type Origin, type RangedInput, type Step } from '../../ground/finding';
import type { PressFact } from '../../ground/facts';
import type { Job, Way } from '../../ground/job';
import { boundsOf, takenPart } from '../../engines/parts';
import type { Interval } from '../../ground/quantity';

/** How late a switch follows its pin, s. */
interface ContactTimes {
  /** From the pin's edge until it is closed, bounce and all. */
  readonly closes: Interval;
  /** From the pin's letting go until it is open. */
  readonly opens: Interval;
  readonly origin: Origin;
  /** What it is that takes its time, as `relay`. */
  readonly what: string;
}

/** With a diode across its coil a relay lets go up to so many times as late as stated (`relay-moves`). */
const LATER_WITH_DIODE = 3;
/** Relays on ready-made modules (`relay-moves`): those of power relays. */
const MODULE: Interval = { low: 4e-3, nominal: 8e-3, high: 15e-3 };
/** Solid-state relays with MOSFET output: on and off (`ssr-moves`). */
const SSR_CLOSES: Interval = { low: 0.1e-3, nominal: 1e-3, high: 3e-3 };
const SSR_OPENS: Interval = { low: 0.02e-3, nominal: 0.2e-3, high: 1e-3 };

const withDiode = (t: Interval): Interval => ({ low: t.low, nominal: t.nominal, high: LATER_WITH_DIODE * t.high });

const RELAY_WAYS: readonly Way[] = ['relay-contact', 'switched-supply'];
const MODULE_WAYS: readonly Way[] = ['relay-module', 'control-box', 'module-contact'];

/** The times of the switch of a press; null for a way whose switch follows its pin within microseconds, or that is no switch. */
function contactTimes(job: Job, press: Pick<PressFact, 'way'>): ContactTimes | null {
  if (RELAY_WAYS.includes(press.way)) {
    const relay = takenPart(job, 'relay');
    const stated = boundsOf(relay, 'operateSeconds');
    return { closes: stated, opens: withDiode(stated), origin: relay.origin, what: 'relay' };
  }
  if (MODULE_WAYS.includes(press.way))
    return {
      closes: MODULE,
      opens: withDiode(MODULE),
      origin: { from: 'source', key: 'relay-moves' },
      what: 'relay of the module',
    };
  if (press.way === 'solid-state-relay')
    return {
      closes: SSR_CLOSES,
      opens: SSR_OPENS,
      origin: { from: 'source', key: 'ssr-moves' },
      what: 'solid-state relay',
    };
  return null;
}

const pinFor = (seconds: number) => chosen('t', 'the pin presses for', seconds, 's', 'press script', [0.001, 3600]);
const ranged = (t: ContactTimes, which: 'closes' | 'opens'): RangedInput => ({
  symbol: which === 'closes' ? 't_on' : 't_off',
  name: which === 'closes' ? `the ${t.what} closes after` : `the ${t.what} opens after`,
  range: t[which],
  unit: 's',
  origin: t.origin,
});
const closed = (end: 'lowest' | 'highest', t: ContactTimes | null, seconds: number): Step =>
  t
    ? worst(
        end,
        `closed for, ${end}`,
        't_press',
        't - t_on + t_off',
        's',
        [ranged(t, 'closes'), ranged(t, 'opens')],
        [pinFor(seconds)],
      )
    : worst(end, 'closed for', 't_press', 't', 's', [], [pinFor(seconds)]);

/** How long the machine sees a press at least: what the pin presses, less what the switch closes late, and what it opens late at least. */
export const closedAtLeast = (job: Job, press: Pick<PressFact, 'way'> | undefined, seconds: number): Step =>
  closed('lowest', press ? contactTimes(job, press) : null, seconds);

/** How long it sees it at most. */
export const closedAtMost = (job: Job, press: Pick<PressFact, 'way'> | undefined, seconds: number): Step =>
  closed('highest', press ? contactTimes(job, press) : null, seconds);

/**
 * How long a switch is open between two presses at least: what the pin waits, less what it opens late, and what it closes late at least.
 */
export function openAtLeast(job: Job, press: Pick<PressFact, 'way'> | undefined, seconds: number): Step {
  const t = press ? contactTimes(job, press) : null;
  const waits = chosen('t', 'the pin waits for', seconds, 's', 'press script', [0.001, 3600]);
  return t
    ? worst(
        'lowest',
        'open for, lowest',
        't_gap',
        't - t_off + t_on',
        's',
        [ranged(t, 'closes'), ranged(t, 'opens')],
        [waits],
      )
    : worst('lowest', 'open for', 't_gap', 't', 's', [], [waits]);
}
