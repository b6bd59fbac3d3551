import { oneShot } from '../../engines/electrics';
import { derivedLimit, finding, judged, type Finding } from '../../ground/finding';
import { forPress, type Facts, type PressFact } from '../../ground/facts';
import { stepsOf, type Hazard, type Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { hazardsOf } from './hazards';

/** Resistors over this time a monostable no more, Ω: leakage does (`one-shot`). */
const MOST_OHMS = 10e6;

/** Whether a press ends though the controller does not: asked for where heat, a door or pressure is at stake. */
export function pressEndFindings(job: Job, facts: Facts): Finding[] {
  return facts.presses.flatMap((press, i) => forPress(press, i, facts.presses.length, pressEnd(job, facts, press)));
}

/** Hazards for which something beside the program must end a press. */
const LASTING: readonly Hazard[] = ['unattended-heat', 'moving-door', 'pressure'];

function pressEnd(job: Job, facts: Facts, press: PressFact): Finding[] {
  const longest = stepsOf(job, press.id).reduce((most, s) => Math.max(most, s.seconds), 0);
  if (longest === 0) return [];
  const single = press.outputs === 1 && press.input === 'level';
  if (job.guard.cutOff === 'one-shot' && single) return oneShotFindings(longest);
  if (hazardsOf(job, facts).some((h) => LASTING.includes(h))) return [nothingEnds(single)];
  return [job.wish.hazardsReviewed ? programEnds(single || press.jerks) : NOT_ASKED];
}

function oneShotFindings(longest: number): Finding[] {
  const parts = oneShot(longest);
  if (parts.ohms > MOST_OHMS)
    return [
      finding('guard', 'press-end', {
        verdict: 'stop',
        title: `A press of ${formatQuantity(longest, 's')} is too long for a monostable`,
        caption: 'press too long',
        source: ['one-shot'],
        remedy: {
          text: 'Take a timer relay between controller and driver, or let the machine end it by itself after a short press.',
        },
      }),
    ];
  return [
    judged('guard', 'press-end', {
      title:
        `A monostable of ${formatQuantity(parts.ohms, 'Ω')} and ` +
        `${formatQuantity(parts.farads, 'F')} ends a press, whatever the controller does, ` +
        'no later than',
      caption: 'press ends itself',
      steps: [parts.longest],
      limit: derivedLimit('at most', [parts.allowed], 'twice the longest press of the script'),
      tightShare: 'met',
      source: ['one-shot', 'press-longest'],
    }),
    judged('guard', 'press-whole', {
      title: 'It cuts no press of the script short',
      caption: 'press not cut',
      steps: [parts.shortest],
      limit: {
        sense: 'at least',
        value: longest,
        unit: 's',
        name: 'longest press of the script',
        origin: { from: 'maker', what: 'press script, in Act' },
      },
      tightShare: 0.02,
      source: ['one-shot'],
    }),
  ];
}

const NOT_ASKED = finding('guard', 'press-end', {
  verdict: 'unknown',
  title: 'Whether a press that does not end can hurt was not asked yet',
  caption: 'hazards not asked',
  source: ['press-longest'],
  remedy: { text: 'Tick the hazards in Wish, or that there are none.' },
});

const programEnds = (packed: boolean): Finding =>
  finding('guard', 'press-end', {
    verdict: packed ? 'settled' : 'tight',
    caption: packed ? 'program ends it' : 'own program ends it',
    source: ['press-longest'],
    title: packed
      ? 'The packed program ends each press, late or not, and asks in its header for a ' +
        'watchdog; no heat, door or pressure was named that would ask for more'
      : 'No program is packed that drives all of this way: your own must end each press, with a watchdog behind it',
    remedy: packed ? null : { text: 'Try it with the program stopped in mid-press.' },
  });

const nothingEnds = (single: boolean): Finding =>
  finding('guard', 'press-end', {
    verdict: single ? 'stop' : 'tight',
    caption: 'press may last',
    source: ['press-longest'],
    title: single
      ? 'Nothing but the program ends a press: a controller that hangs would hold it'
      : 'Nothing but the program ends a press, and this way takes more than one level to be cut off by a part',
    remedy: single
      ? {
          text: 'A monostable between pin and driver ends every press by itself.',
          label: 'Add a one-shot',
          edit: { do: 'set', at: 'guard', set: { cutOff: 'one-shot' }, say: 'a one-shot ends each press' },
        }
      : {
          text: 'The machine’s own end switches and cut-outs must end it; try with the program stopped in mid-press.',
        },
  });
