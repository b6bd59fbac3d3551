import { atMost, chosen, computed, derive, finding, judged, type Finding, type Step } from '../../ground/finding';
import type { Job, Loop } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { cycleOf, type LoopCycle, type NoCycle } from './loop-cycle';
import { boundFindings } from './loop-bounds';
import {
  aroundOf,
  degrees,
  isRecorded,
  limitsOf,
  numbersOf,
  OFF_KELVIN,
  pressesOf,
  ROOM_SHARE,
  roomEvidence,
  loopTold,
  type WholeLoop,
} from './loop-numbers';

const DAY_SECONDS = 86_400;
/** What cools by a compressor rests so long before it starts again, s (`restart-lock`). */
const COMPRESSOR_REST = 180;
/** Years that a contact is to last, and what it bears (`contact-cycles`). */
const LAST_YEARS = 5;
const CONTACT_CYCLES = 100_000;
const DAYS_A_YEAR = 365;
/** Ways of pressing whose contact does not wear. */
const WEARLESS: readonly string[] = ['optocoupler', 'transistor', 'mosfet', 'solid-state-relay', 'analogue-switch'];

/** What every loop comes to, worked out from its room; the house runs each of them beside that. */
export const loopFindings = (job: Job): Finding[] => job.routine.loops.flatMap((l) => ofLoop(job, l));

/** What a loop lacks to be worked out; empty where it is whole. */
function lacksOf(job: Job, l: Loop): string {
  const sense = job.senses.find((s) => s.id === l.sense);
  if (!sense) return 'which thermometer it follows';
  if (sense.kind !== 'temperature') return `a thermometer: ${sense.name} is none`;
  if (sense.limit === null) return `where ${sense.name} says so and where not`;
  if (job.routine.loops.some((x) => x !== l && x.sense === l.sense))
    return 'a thermometer of its own: two loops follow one';
  if (job.act.parts.length === 0) return 'what of the machine works for it';
  if (l.kelvin === null) return 'how far it would go if it worked for good';
  if (l.tauSeconds === null) return 'its time constant';
  return l.around === null ? 'what is around it' : '';
}

function ofLoop(job: Job, l: Loop): Finding[] {
  const lacks = lacksOf(job, l);
  const { hardest, mildest } = aroundOf(l);
  const [numbers, mild] = [numbersOf(job, l, hardest), numbersOf(job, l, mildest)];
  const sense = job.senses.find((s) => s.id === l.sense);
  if (lacks || !numbers || !mild || !sense?.limit)
    return [
      loopTold(l, 'whole', {
        verdict: 'unknown',
        title: `${l.name} lacks ${lacks}: what it comes to is not known`,
        caption: 'loop not whole',
        todo: `Say ${lacks}. A recording of its temperature, warmed and left, tells the rest in Sense.`,
      }),
    ];
  const w: WholeLoop = { job, loop: l, sense: { ...sense, limit: sense.limit }, numbers, mildest: mild };
  const cycle = cycleOf(numbers);
  return [
    ...(cycle.kind === 'cycle' ? cycles(w, cycle) : [stays(w, cycle)]),
    ...boundFindings(w),
    band(w),
    alone(w),
    ...(isRecorded(job, l) ? [] : [guessed(w)]),
    ...(l.deadSeconds === 0 ? [undelayed(w)] : []),
  ].filter((f) => f !== null);
}

/** It never gets as far as it is to, or is there without any work. */
function stays({ loop, numbers }: WholeLoop, { kind, stays }: NoCycle): Finding {
  const works = numbers.warms ? 'warm' : 'cold';
  return kind === 'never-enough'
    ? loopTold(loop, 'reach', {
        verdict: 'stop',
        title:
          `${loop.name} never gets ${works} enough: left at work it comes to ${degrees(stays)}, ` +
          `and it is to end at ${degrees(numbers.warms ? numbers.over : numbers.under)}`,
        caption: 'never enough',
        todo: 'Give it more power, insulate it, or set its thermometer to what it can reach.',
      })
    : loopTold(loop, 'reach', {
        verdict: 'tight',
        title: `${loop.name} has nothing to do: what is around it is at ${degrees(stays)} by itself`,
        caption: 'never needed',
        todo: 'Say what is around it at its hardest, or set its thermometer otherwise.',
      });
}

function cycles(w: WholeLoop, c: LoopCycle): Finding[] {
  const { loop: l, job, numbers: n } = w;
  const step = derive('cycles a day', 'n', 'd / (t_on + t_off)', '1', [
    chosen('d', 'seconds of a day', DAY_SECONDS, 's', 'a day'),
    computed('t_on', 'how long it works', c.on, 's', 'dead time, delays, limits and the way to the threshold'),
    computed('t_off', 'how long it rests', c.off, 's', 'the same for its rest'),
  ]);
  const { longest } = limitsOf(job, l);
  const short = !n.warms && c.off < COMPRESSOR_REST;
  return [
    wearFinding(w, c, step),
    ...(short
      ? [
          loopTold(l, 'rest', {
            verdict: 'stop',
            title: `${l.name} rests for ${formatQuantity(c.off, 's')} only: a compressor that starts against its pressure stalls`,
            caption: 'rests too short',
            todo: 'Where it is a compressor, let its press rest for three minutes at least: a limit in Routine keeps that.',
          }),
        ]
      : []),
    ...(c.on > longest
      ? [
          loopTold(l, 'cut', {
            verdict: 'stop',
            title: `${l.name} works for ${formatQuantity(c.on, 's')} each time, a limit cuts it off after ${formatQuantity(longest, 's')}`,
            caption: 'limit cuts it off',
            todo: 'Make that limit longer than its work, or its band narrower.',
          }),
        ]
      : []),
  ];
}

/** How often it works, against what its contact bears where it has one. */
function wearFinding({ loop: l, job }: WholeLoop, c: LoopCycle, step: Step): Finding {
  const own = pressesOf(job, l);
  const wears = job.presses.some((p) => own.includes(p.id) && (p.way === null || !WEARLESS.includes(p.way)));
  const bears = CONTACT_CYCLES / (LAST_YEARS * DAYS_A_YEAR);
  const worn = wears && step.result.value > bears;
  const parts = {
    title: `${l.name}: times a day that it works, for ${formatQuantity(c.on, 's')} each, with ${formatQuantity(c.off, 's')} of rest`,
    caption: 'cycles a day',
    steps: [step],
    verdict: worn ? ('tight' as const) : roomEvidence(job, l),
    remedy: worn ? { text: 'Widen the band of its thermometer, or let work and rest last longer.' } : null,
  };
  // What has no contact has none that wears.
  if (!wears)
    return finding('routine', `loop.${l.id}.cycles`, { ...parts, value: step.result, source: ['first-order-room'] });
  return judged('routine', `loop.${l.id}.cycles`, {
    ...parts,
    limit: atMost(bears, '1', 'what its contact bears for five years', { from: 'source', key: 'contact-cycles' }),
    tightShare: 'met',
    source: ['first-order-room', 'contact-cycles'],
  });
}

/** A band that the thermometer itself can hardly tell. */
function band({ loop, numbers: n }: WholeLoop): Finding {
  const wide = n.over - n.under;
  const narrow = wide < 2 * OFF_KELVIN;
  const apart = formatQuantity(Number(wide.toFixed(2)), 'K');
  return loopTold(loop, 'band', {
    verdict: wide <= 0 ? 'stop' : narrow ? 'tight' : 'settled',
    title: narrow
      ? `${loop.name}: over and under lie ${apart} apart, its thermometer may be off by ${formatQuantity(OFF_KELVIN, 'K')} either way`
      : `${loop.name}: its band of ${apart} is wider than what its thermometer may be off by`,
    caption: narrow ? 'band in the doubt' : 'band wide enough',
    todo: narrow ? 'Let over and under lie a kelvin apart at least.' : '',
  });
}

/** What cools is never let further down than this without a word, °C: what freezes bursts. */
const FROST = 0;
/** Where it would come to, were it never ended, °C. */
const endless = ({ numbers: n, mildest }: WholeLoop): number =>
  n.warms ? Math.max(n.around, mildest.around) + n.kelvin : Math.min(n.around, mildest.around) - n.kelvin;

/** Whether it keeps its bound even if it is never ended. */
function keepsForGood(w: WholeLoop): boolean {
  const { loop, numbers: n } = w;
  const margin = OFF_KELVIN + ROOM_SHARE * n.kelvin;
  return n.warms
    ? loop.highest !== null && endless(w) + margin <= loop.highest
    : endless(w) - margin >= (loop.lowest ?? FROST);
}

/** A thermometer and a program are all that ends the work. */
function alone(w: WholeLoop): Finding | null {
  const { loop, numbers, job } = w;
  if (job.guard.cutOff === 'own-end') return null;
  const hurts = numbers.warms && (!job.wish.hazardsReviewed || job.wish.hazards.includes('unattended-heat'));
  if (keepsForGood(w))
    return loopTold(loop, 'alone', {
      // Heat that nobody watches, and a bound that nobody said, are never settled by what was worked out.
      verdict: hurts || (!numbers.warms && loop.lowest === null) ? 'tight' : roomEvidence(job, loop),
      title: `Never ended, ${loop.name} would come to ${degrees(endless(w))}, within what it may`,
      caption: 'within it for good',
      todo: hurts ? 'Keep the thermal cut-out of the machine’s own in the circuit all the same.' : '',
    });
  if (numbers.warms && loop.cutsOffAt !== null) return ownRegulator(w, loop.cutsOffAt);
  return byTimeAlone(w, hurts);
}

/** No temperature ends its work but that of its thermometer. */
function byTimeAlone({ loop, numbers, job, ...w }: WholeLoop, hurts: boolean): Finding {
  const ended = job.guard.cutOff !== 'none';
  return loopTold(loop, 'alone', {
    verdict: hurts && !ended ? 'stop' : 'tight',
    title: ended
      ? `${loop.name} is ended by a time if the thermometer or the program fails, and by no temperature`
      : `A thermometer that sticks or falls off, and a program that hangs, let ${loop.name} go on for good, ` +
        `${numbers.warms ? 'up' : 'down'} to ${degrees(endless({ loop, numbers, job, ...w }))}`,
    caption: 'loop is no limit',
    todo:
      `Keep a ${numbers.warms ? 'thermal cut-out' : 'frost thermostat'} of the machine’s own in the circuit, or add a listed one ` +
      'in series, set beyond what the loop reaches; say so in Guard.',
  });
}

/** Its own regulator in series ends the heat whatever thermometer and program do, if it is set between what is wanted and too much. */
function ownRegulator({ loop, numbers: n }: WholeLoop, at: number): Finding {
  const low = at <= n.over + OFF_KELVIN;
  const high = loop.highest === null || at > loop.highest - OFF_KELVIN;
  return loopTold(loop, 'alone', {
    verdict: high && loop.highest !== null ? 'stop' : 'tight',
    title: high
      ? `${loop.name}: its own regulator opens at ${degrees(at)}, ${
          loop.highest === null
            ? 'and what is too warm was not said'
            : `which is no earlier than what it may never reach`
        }`
      : low
        ? `${loop.name}: its own regulator opens at ${degrees(at)}, within what it is held at: it will end the work each time`
        : `${loop.name}: its own regulator in series opens at ${degrees(at)}, whatever thermometer and program do; it may itself stick`,
    caption: 'own regulator',
    todo: high
      ? 'Set it between what the loop reaches and what may never be.'
      : low
        ? 'Set it higher, or hold the loop lower.'
        : 'Try it once: hold the contact closed by hand and see at which temperature it opens.',
  });
}

const undelayed = ({ loop }: WholeLoop): Finding =>
  loopTold(loop, 'dead', {
    verdict: 'tight',
    title: `How long ${loop.name} goes on after it is switched was not said: it goes past its thresholds by that much more`,
    caption: 'dead time?',
    todo: 'Switch it with the thermometer in view, and take the time until it turns: that is its dead time.',
  });

const guessed = ({ loop }: WholeLoop): Finding =>
  loopTold(loop, 'typed', {
    verdict: 'tight',
    title: `${loop.name} rests on numbers that were typed: how far and how fast it goes was not recorded`,
    caption: 'room not recorded',
    todo: 'Log its temperature while it works and while it is left, and take the numbers over from that recording.',
  });
