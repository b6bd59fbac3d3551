import { atLeast, atMost, finding, judged, type Finding, type Limit } from '../../ground/finding';
import { TIMER_OFF, timerOpens } from '../../build/ways';
import type { Facts, PressFact } from '../../ground/facts';
import { loadOf, type Job, type JobEdit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { contactFindings, isOwnLoad } from './load';

/** What a contact of a timer relay closes on, against what it carries, and the volts that it breaks (`timer-relay`). */
const INRUSH = 2;
const BREAKS_VOLTS = 250;
/** The least that common timer relays run on, V (`timer-relay`). */
const LEAST_VOLTS = 12;
/** How far over the longest press a timer is offered to be set: what it may be off by, and half as much again. */
const OFFERED = 1 + 1.5 * TIMER_OFF;

const setTo = (job: Job, set: Partial<Job['guard']['endTimer']>, say: string): JobEdit => ({
  do: 'set',
  at: 'guard',
  set: { endTimer: { ...job.guard.endTimer, ...set } },
  say,
});

/** Seconds that a dial or a display can be set to: whole tenths below ten seconds, else whole seconds. */
const settable = (s: number): number => (s < 10 ? Math.ceil(s * 10) / 10 : Math.ceil(s));

/** Behind a contact that is closed at rest it would cut off the machine for good, and no press is what feeds it. */
const CLOSED_AT_REST = finding('guard', 'press-end', {
  verdict: 'stop',
  title: 'The contact is closed at rest: a timer relay behind it cuts the machine off after its time, and for good',
  caption: 'timer behind a closed contact',
  source: ['timer-relay', 'contact-meaning'],
  remedy: { text: 'Take the contact that is open at rest, or no timer relay.' },
});

/**
 * A timer relay between contact and load: it cuts no press of the script short, ends one that goes on before harm is done, and its own
 * contact bears the load. It ends a press that hangs and one whose contact is welded alike.
 * @param longest longest press of the script, s, over 0.
 */
export function timerFindings(job: Job, facts: Facts, press: PressFact, longest: number): Finding[] {
  const opens = timerOpens(job);
  const offer = settable(longest * OFFERED);
  const setIt = {
    text: `Set it to ${formatQuantity(offer, 's')}: a tenth off, it still cuts no press short.`,
    label: `Set to ${formatQuantity(offer, 's')}`,
    edit: setTo(job, { seconds: offer }, `timer relay set to ${formatQuantity(offer, 's')}`),
  };
  if (job.presses.some((p) => p.id === press.id && p.way === 'switched-supply' && p.supply.atRest === 'closed'))
    return [CLOSED_AT_REST];
  if (opens === null)
    return [
      finding('guard', 'press-end', {
        verdict: 'unknown',
        title: 'To what the timer relay is set was not said',
        caption: 'timer not set',
        source: ['timer-relay'],
        remedy: setIt,
      }),
    ];
  const { volts } = loadOf(job, press.id);
  if (isOwnLoad(press) && volts !== null && volts < LEAST_VOLTS)
    return [
      finding('guard', 'press-end', {
        verdict: 'stop',
        title: `A timer relay is fed by what the contact switches, and none runs on ${formatQuantity(volts, 'V')}`,
        caption: 'too few volts for a timer',
        source: ['timer-relay'],
        remedy: { text: 'Take a load of 12 V or more, or another end of the press.' },
      }),
    ];
  const { soonest: shortest, latest: most } = opens;
  const limit = mostOf(job, press, longest);
  return [
    judged('guard', 'press-end', {
      title: 'A timer relay ends a press, whatever controller and contact do, no later than',
      caption: 'timer ends it',
      steps: [most],
      limit,
      tightShare: 'met',
      source: ['timer-relay', 'press-longest'],
      remedy: most.result.value > limit.value && offer * (1 + TIMER_OFF) <= limit.value ? setIt : null,
    }),
    judged('guard', 'press-whole', {
      title: 'It cuts no press of the script short',
      caption: 'press not cut',
      steps: [shortest],
      limit: atLeast(longest, 's', 'longest press of the script', { from: 'maker', what: 'press script, in Act' }),
      tightShare: 0.02,
      source: ['timer-relay'],
      remedy: shortest.result.value < longest ? setIt : null,
    }),
    ...ownContact(job, facts, press),
  ];
}

/** What a press may last at most: what was said of this press or of the machine, else twice the longest of the script. */
function mostOf(job: Job, press: PressFact, longest: number): Limit {
  const said = job.wish.nevers.flatMap((n) => (n.kind === 'output-longer' && n.press === press.id ? [n.seconds] : []));
  const borne = job.act.parts.flatMap((p) => p.longestPressSeconds ?? []);
  // What runs while it is fed is in its state for as long as the press lasts.
  const lasts = job.act.parts.some((p) => p.kind === 'while-held')
    ? job.wish.nevers.flatMap((n) => (n.kind === 'lasts-longer' ? [n.seconds] : []))
    : [];
  const least = Math.min(...said, ...borne, ...lasts);
  return Number.isFinite(least)
    ? atMost(least, 's', 'what was said that it may last', {
        from: 'maker',
        what: 'conditions in Wish, machine in Act',
      })
    : atMost(2 * longest, 's', 'twice the longest press of the script', { from: 'source', key: 'press-longest' });
}

/** Its contact carries the very load: against that, as the contact of the press is. */
function ownContact(job: Job, facts: Facts, press: PressFact): Finding[] {
  const { amps } = job.guard.endTimer;
  if (amps === null)
    return [
      finding('guard', 'timer-contact', {
        verdict: 'unknown',
        title: 'The contact of the timer relay carries the load as well: what does it bear?',
        caption: 'timer’s contact?',
        source: ['timer-relay'],
        remedy: { text: 'Read it off its plate, and enter it beside what the timer is set to.' },
      }),
    ];
  const contact = {
    name: 'contact of the timer relay',
    amps,
    inrushAmps: INRUSH * amps,
    volts: BREAKS_VOLTS,
    origin: { from: 'maker', what: 'its plate, in Guard' },
  } as const;
  return contactFindings(job, facts, press, contact).map((f) => ({
    ...f,
    id: f.id.replace('guard.', 'guard.timer-'),
    caption: `timer: ${f.caption}`,
  }));
}
