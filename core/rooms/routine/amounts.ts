import { atMost, chosen, derive, finding, judged, type Finding, type Remedy, type Step } from '../../ground/finding';
import { looksFirst, pressedBy, type Amount, type Job, type Move } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { flowOf, LEAST_POURS, litres, openings, secondsFor, time, amountTold, type Flow } from './amount-flow';
import { endFinding } from './amount-ends';
import { firesADay } from './fires-a-day';

/** Two amounts are one within this share of what is wanted (`flow-pours`). */
const CLOSE = 0.1;
/** What every amount comes to. */
export const amountFindings = (job: Job): Finding[] => job.routine.amounts.flatMap((a) => ofAmount(job, a));

function lacksOf(job: Job, a: Amount): string {
  if (!job.presses.some((p) => p.id === a.press)) return 'which press opens it';
  if (a.litres === null) return 'how much is wanted';
  return a.pours.length === 0 ? 'how much flows: pour into a jug, once or better thrice' : '';
}

function ofAmount(job: Job, a: Amount): Finding[] {
  const lacks = lacksOf(job, a);
  const flow = flowOf(a);
  const wanted = secondsFor(a);
  if (lacks || !flow || wanted === null || a.litres === null)
    return [
      amountTold(a, 'whole', {
        verdict: 'unknown',
        title: `${a.name} lacks ${lacks}`,
        caption: 'amount not whole',
        remedy: { text: `Say ${lacks}.` },
      }),
    ];
  return [
    runTime(job, a, flow, wanted),
    overflow(job, a, flow),
    again(job, a, flow),
    endFinding(job, a, flow),
    daily(job, a),
    oncePoured(a),
  ].filter((f) => f !== null);
}

const perMinute = (flow: number): string => formatQuantity(Number((60 * flow).toPrecision(3)), 'l/min');

/** How long it is let flow, against how long the moves let it. */
function runTime(job: Job, a: Amount, flow: Flow, wanted: number): Finding {
  const step = derive('how long it has to flow', 't', 'V / q', 's', [
    chosen('V', 'wanted, litres', a.litres ?? 0, 'l', 'set in Routine', [0.1, 1e4]),
    chosen('q', 'litres a second, the mean of its trials', flow.mean, '1', 'poured and timed', [flow.least, flow.most]),
  ]);
  const own = openings(job, a);
  const other = own.find((o) => Math.abs(o.seconds - wanted) > CLOSE * wanted);
  const says = (verdict: Finding['verdict'], title: string, remedy: Remedy | null): Finding =>
    finding('routine', `amount.${a.id}.time`, {
      verdict,
      title,
      caption: 'time to flow',
      value: step.result,
      steps: [step],
      source: ['maker', 'flow-pours'],
      remedy,
    });
  if (own.length === 0)
    return says(
      'unknown',
      `${a.name}: ${litres(a.litres ?? 0)} take ${time(wanted)} at ${perMinute(flow.mean)}, and no move opens it`,
      { text: 'Give a move in Act a step that presses it.' },
    );
  if (other)
    return says(
      'tight',
      `${a.name} takes ${time(wanted)}, and “${other.move.name}” opens it for ${time(other.seconds)}: ${litres(other.seconds * flow.mean)}`,
      timed(a, other.move, wanted),
    );
  return says(
    a.pours.length < LEAST_POURS ? 'tight' : 'settled',
    `${a.name}: ${time(wanted)} bring ${litres(a.litres ?? 0)}, between ${litres(wanted * flow.least)} and ${litres(wanted * flow.most)}`,
    null,
  );
}

/** The move with its press as long as the amount takes, where one step of it opens it. */
function timed(a: Amount, move: Move, wanted: number): Remedy {
  const opening = move.steps.filter((s) => pressedBy(s).includes(a.press));
  const seconds = Math.round(10 * wanted) / 10;
  if (opening.length !== 1) return { text: 'Change the lengths of its presses in Act.' };
  const steps = move.steps.map((s) => (s === opening[0] ? { ...s, seconds } : s));
  return {
    text: 'Let the move open it for as long as the amount takes.',
    label: `Open it for ${formatQuantity(seconds, 's')}`,
    edit: {
      do: 'put',
      list: 'act.moves',
      item: { ...move, steps },
      say: `“${move.name}” opens for ${formatQuantity(seconds, 's')}`,
    },
  };
}

/** What comes at the most against what fits. */
function overflow(job: Job, a: Amount, flow: Flow): Finding | null {
  const longest = Math.max(0, ...openings(job, a).map((o) => o.seconds));
  if (a.fits === null || longest <= 0) return null;
  const step: Step = derive('what comes at the most, litres', 'V', 't * q', 'l', [
    chosen('t', 'how long a move opens it', longest, 's', 'set in Act', [0.1, 1e5]),
    chosen('q', 'litres a second, at the most', flow.most, '1', 'its trials, the next pours and the jug’s doubt', [
      flow.least,
      2 * flow.most,
    ]),
  ]);
  return judged('routine', `amount.${a.id}.overflow`, {
    title: `${a.name}: what one opening brings at the most`,
    caption: 'runs over?',
    steps: [step],
    limit: atMost(a.fits, 'l', 'what fits', { from: 'maker', what: 'set in Routine' }),
    tightShare: 'met',
    source: ['maker', 'flow-pours'],
    verdict: step.result.value > a.fits ? 'stop' : a.pours.length < LEAST_POURS ? 'tight' : 'settled',
    remedy:
      step.result.value > a.fits
        ? { text: 'Open it for less, pour more trials, or let a float switch of its own end it.' }
        : null,
  });
}

/** A second time before it was emptied, where nothing looks first. */
function again(job: Job, a: Amount, flow: Flow): Finding | null {
  const blind = openings(job, a).find(({ move }) => !looksFirst(move));
  if (a.fits === null || !blind || 2 * blind.seconds * flow.most <= a.fits) return null;
  return amountTold(a, 'again', {
    verdict: 'tight',
    title:
      `${a.name}: begun once more before it was emptied, it brings up to ${litres(2 * blind.seconds * flow.most)}, ` +
      'and nothing looks first',
    caption: 'filled twice',
    remedy: { text: 'Let the move look at a float or a level before it opens, and end where that says full.' },
  });
}

/** What its rules bring in a day against what is wanted. */
function daily(job: Job, a: Amount): Finding | null {
  if (a.aDay === null || a.litres === null) return null;
  const moves = openings(job, a).map((o) => o.move.id);
  const times = firesADay(job, moves);
  const wanted = Math.ceil(a.aDay / a.litres - 1e-9);
  if (times === null)
    return amountTold(a, 'daily', {
      verdict: 'unknown',
      title: `${a.name}: ${litres(a.aDay)} a day are ${wanted} times, and what begins it does not come by the clock alone`,
      caption: 'how often a day?',
      remedy: { text: 'Give it rules of times, or count it in Sense.' },
    });
  const [least, most] = times;
  const fits = least === wanted && most === wanted;
  const span = least === most ? `${least}` : `${least} to ${most}`;
  return amountTold(a, 'daily', {
    verdict: fits ? 'settled' : 'tight',
    title: fits
      ? `${a.name}: ${wanted === 1 ? 'once' : `${wanted} times`} a day brings the ${litres(a.aDay)} that are wanted`
      : `${a.name}: ${litres(a.aDay)} a day are ${wanted} times, its rules begin it ${span} times`,
    caption: 'how often a day',
    remedy: fits ? null : { text: 'Add or drop rules, or change what is wanted each time.' },
  });
}

/** A single pour tells no spread. */
const oncePoured = (a: Amount): Finding | null =>
  a.pours.length >= LEAST_POURS
    ? null
    : amountTold(a, 'once', {
        verdict: 'tight',
        title: `${a.name} was poured once: how much its flow changes is not known, half and twice stand for it`,
        caption: 'poured once',
        remedy: { text: 'Pour twice more, one of them when others draw water as well.' },
      });
