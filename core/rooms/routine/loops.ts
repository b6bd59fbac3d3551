import {
  atLeast,
  atMost,
  chosen,
  computed,
  derive,
  finding,
  judged,
  type Finding,
  type Step,
} from '../../ground/finding';
import { pressedBy, type Job, type Loop, type RoutineLimit, type Sense, type SenseLimit } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { heardAfter } from '../../build/lines';
import { COLDER_THAN_MEAN, WARMER_THAN_MEAN } from './made-up';
import { cycleOf, type LoopCycle, type LoopNumbers, type NoCycle } from './loop-cycle';

/** A digital thermometer may be off by so much, K (`thermometer-off`). */
const OFF_KELVIN = 0.5;
const DAY_SECONDS = 86_400;
/** What cools by a compressor rests so long before it starts again, s (`compressor-rest`). */
const COMPRESSOR_REST = 180;
/** Years that a contact is to last, and what it bears (`contact-cycles`). */
const LAST_YEARS = 5;
const CONTACT_CYCLES = 100_000;
const DAYS_A_YEAR = 365;
/** Ways of pressing whose contact does not wear. */
const WEARLESS: readonly string[] = ['optocoupler', 'transistor', 'mosfet', 'solid-state-relay', 'analogue-switch'];

/** What every loop comes to, worked out from its room; the house runs each of them beside that. */
export const loopFindings = (job: Job): Finding[] => job.routine.loops.flatMap((l) => ofLoop(job, l));

/** A loop of which all is said. */
interface Whole {
  readonly job: Job;
  readonly loop: Loop;
  readonly sense: Sense & { readonly limit: SenseLimit };
  readonly numbers: LoopNumbers;
}

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

/** The longest that a limit lets a press of the loop's moves last, or rest, at the least, s; and at most, Infinity for no end. */
function limitsOf(job: Job, l: Loop): { readonly on: number; readonly off: number; readonly longest: number } {
  const part = job.act.parts.find((p) => p.id === l.part) ?? job.act.parts[0];
  const heeds = part?.heeds.map((h) => h.press) ?? [];
  const presses = heeds.length > 0 ? heeds : job.act.moves.flatMap((m) => m.steps.flatMap(pressedBy));
  const of = (kind: RoutineLimit['kind']): number[] =>
    job.routine.limits.flatMap((x) => (x.kind === kind && presses.includes(x.press) ? [x.seconds] : []));
  return {
    on: Math.max(0, ...of('least-on')),
    off: Math.max(0, ...of('least-off')),
    longest: Math.min(Infinity, ...of('longest-on')),
  };
}

/** A loop in numbers, with what is around it as given; null while something is not said. */
function numbersOf(job: Job, l: Loop, around = l.around): LoopNumbers | null {
  const sense = job.senses.find((s) => s.id === l.sense);
  if (!sense?.limit || l.kelvin === null || l.tauSeconds === null || around === null) return null;
  const waits = (says: boolean): number =>
    heardAfter(sense, says) +
    Math.max(
      0,
      ...job.routine.sentences.flatMap((s) =>
        s.when === 'sense' && s.sense === l.sense && s.says === says ? [s.forSeconds] : [],
      ),
    );
  // What calls for work: being under for what warms, over for what cools.
  const calls = (l.way === 'warms') !== sense.closedThen;
  const least = limitsOf(job, l);
  return {
    warms: l.way === 'warms',
    kelvin: l.kelvin,
    tau: l.tauSeconds,
    dead: l.deadSeconds,
    around,
    over: sense.limit.over,
    under: sense.limit.under,
    beginsAfter: waits(calls),
    endsAfter: waits(!calls),
    leastOn: least.on,
    leastOff: least.off,
  };
}

/** The hardest that is around it: for what warms the coldest, for what cools the warmest. */
export function hardestAround(l: Loop): number | null {
  if (l.around === null || !l.weather) return l.around;
  return l.way === 'warms' ? l.around - COLDER_THAN_MEAN : l.around + WARMER_THAN_MEAN;
}

const told = (
  l: Loop,
  id: string,
  of: Pick<Finding, 'verdict' | 'title' | 'caption'> & { readonly todo: string },
): Finding =>
  finding('routine', `loop.${l.id}.${id}`, {
    verdict: of.verdict,
    title: of.title,
    caption: of.caption,
    source: ['maker', 'first-order-room'],
    remedy: of.todo === '' ? null : { text: of.todo },
  });

function ofLoop(job: Job, l: Loop): Finding[] {
  const lacks = lacksOf(job, l);
  const numbers = numbersOf(job, l, hardestAround(l));
  const sense = job.senses.find((s) => s.id === l.sense);
  if (lacks || !numbers || !sense?.limit)
    return [
      told(l, 'whole', {
        verdict: 'unknown',
        title: `${l.name} lacks ${lacks}: what it comes to is not known`,
        caption: 'loop not whole',
        todo: `Say ${lacks}. A recording of its temperature, warmed and left, tells the rest in Sense.`,
      }),
    ];
  const w: Whole = { job, loop: l, sense: { ...sense, limit: sense.limit }, numbers };
  const cycle = cycleOf(numbers);
  return [
    ...(cycle.kind === 'cycle' ? cycles(w, cycle) : [stays(w, cycle)]),
    ...bounds(w, cycle),
    band(w),
    alone(w),
    ...(l.recording === '' ? [guessed(w)] : []),
    ...(l.deadSeconds === 0 ? [undelayed(w)] : []),
  ].filter((f) => f !== null);
}

const degrees = (x: number): string => formatQuantity(Number(x.toFixed(1)), '°C');

/** It never gets as far as it is to, or is there without any work. */
function stays({ loop, numbers }: Whole, { kind, stays }: NoCycle): Finding {
  const works = numbers.warms ? 'warm' : 'cold';
  return kind === 'never-enough'
    ? told(loop, 'reach', {
        verdict: 'stop',
        title: `${loop.name} never gets ${works} enough: left at work it comes to ${degrees(stays)}, and it is to end at ${degrees(numbers.warms ? numbers.over : numbers.under)}`,
        caption: 'never enough',
        todo: 'Give it more power, insulate it, or set its thermometer to what it can reach.',
      })
    : told(loop, 'reach', {
        verdict: 'tight',
        title: `${loop.name} has nothing to do: what is around it is at ${degrees(stays)} by itself`,
        caption: 'never needed',
        todo: 'Say what is around it at its hardest, or set its thermometer otherwise.',
      });
}

/** A leg's turning point as a step that can be opened. */
function turning(w: Whole, cycle: LoopCycle, end: 0 | 1): Step {
  const { numbers: n } = w;
  const seconds = end === 1 ? cycle.on : cycle.off;
  const from = cycle.turnsAt[end === 1 ? 0 : 1];
  const signed = n.warms ? n.kelvin : -n.kelvin;
  const goal = end === 1 ? n.around + signed : n.around;
  return derive(
    end === 1 ? 'where its work ends to be felt' : 'where its work begins to be felt',
    'T',
    'G + (T_0 - G) * exp(-t / tau)',
    '°C',
    [
      computed(
        'G',
        'what it goes to',
        goal,
        '°C',
        end === 1 ? 'what is around it, and how far work takes it' : 'what is around it',
      ),
      computed('T_0', 'where that leg begins', from, '°C', 'the leg before, in the cycle that it settles into'),
      computed(
        't',
        end === 1 ? 'how long it works' : 'how long it rests',
        seconds,
        's',
        'dead time, delays, limits and the way to the threshold',
      ),
      chosen('tau', 'time constant', n.tau, 's', 'set in Routine', [0.5 * n.tau, 2 * n.tau]),
    ],
  );
}

function cycles(w: Whole, c: LoopCycle): Finding[] {
  const { loop: l, job, numbers: n } = w;
  const step = derive('cycles a day', 'n', 'd / (t_on + t_off)', '1', [
    chosen('d', 'seconds of a day', DAY_SECONDS, 's', 'a day'),
    computed('t_on', 'how long it works', c.on, 's', 'dead time, delays, limits and the way to the threshold'),
    computed('t_off', 'how long it rests', c.off, 's', 'the same for its rest'),
  ]);
  const { longest } = limitsOf(job, l);
  const wears = job.presses.some((p) => p.way === null || !WEARLESS.includes(p.way));
  const a5years = CONTACT_CYCLES / (LAST_YEARS * DAYS_A_YEAR);
  const worn = wears && step.result.value > a5years;
  const short = !n.warms && c.off < COMPRESSOR_REST;
  return [
    judged('routine', `loop.${l.id}.cycles`, {
      title: `${l.name}: times a day that it works, for ${formatQuantity(c.on, 's')} each, with ${formatQuantity(c.off, 's')} of rest`,
      caption: 'cycles a day',
      steps: [step],
      limit: atMost(
        wears ? a5years : DAY_SECONDS,
        '1',
        wears ? 'what its contact bears for five years' : 'one a second',
        {
          from: 'source',
          key: 'contact-cycles',
        },
      ),
      tightShare: 'met',
      source: ['first-order-room', 'contact-cycles'],
      verdict: worn ? 'tight' : evidenceOf(l),
      remedy: worn ? { text: 'Widen the band of its thermometer, or let work and rest last longer.' } : null,
    }),
    ...(short
      ? [
          told(l, 'rest', {
            verdict: 'stop',
            title: `${l.name} rests for ${formatQuantity(c.off, 's')} only: a compressor that starts against its pressure stalls and burns`,
            caption: 'rests too short',
            todo: 'Where it is a compressor, let its press rest for three minutes at least: a limit in Routine keeps that.',
          }),
        ]
      : []),
    ...(c.on > longest
      ? [
          told(l, 'cut', {
            verdict: 'stop',
            title: `${l.name} works for ${formatQuantity(c.on, 's')} each time, and a limit cuts it off after ${formatQuantity(longest, 's')}`,
            caption: 'limit cuts it off',
            todo: 'Make that limit longer than its work, or its band narrower.',
          }),
        ]
      : []),
  ];
}

/** Numbers that were typed rest on somebody's word, those of a recording on what was seen. */
const evidenceOf = (l: Loop): 'settled' | 'tight' => (l.recording === '' || l.deadSeconds === 0 ? 'tight' : 'settled');

/** What it may never come over or under. */
function bounds(w: Whole, cycle: LoopCycle | NoCycle): Finding[] {
  const { loop: l, numbers: n } = w;
  const least = cycle.kind === 'cycle' ? cycle.lowest : Math.min(cycle.stays, n.around);
  const most = cycle.kind === 'cycle' ? cycle.highest : Math.max(cycle.stays, n.around);
  const steps = (end: 'lowest' | 'highest'): Step[] => {
    const turn = cycle.kind === 'cycle' ? [turning(w, cycle, (end === 'highest') === n.warms ? 1 : 0)] : [];
    const value = end === 'highest' ? most : least;
    const from =
      turn[0] ??
      derive('where it stays', 'T', 'T_s', '°C', [computed('T_s', 'where it stays', value, '°C', 'no cycle')]);
    const sign = end === 'highest' ? '+' : '-';
    return [
      ...turn,
      derive(`${end} with the thermometer's own doubt`, 'T_w', `T ${sign} e`, '°C', [
        computed('T', from.what, from.result.value, '°C', 'worked out before'),
        chosen('e', 'what the thermometer may be off by', OFF_KELVIN, 'K', 'usual for such a thermometer', [0.1, 2]),
      ]),
    ];
  };
  const one = (end: 'lowest' | 'highest', bound: number): Finding => {
    const all = steps(end);
    const value = all.at(-1)?.result.value ?? NaN;
    const broken = end === 'highest' ? value > bound : value < bound;
    return judged('routine', `loop.${l.id}.${end}`, {
      title: `${l.name}: the ${end} that it comes to${l.weather ? ' in the hardest weather of a made-up year' : ''}`,
      caption: end === 'highest' ? 'gets too warm?' : 'gets too cold?',
      steps: all,
      limit: (end === 'highest' ? atMost : atLeast)(bound, '°C', `never ${end === 'highest' ? 'over' : 'under'}`, {
        from: 'maker',
        what: 'set in Routine',
      }),
      tightShare: 'met',
      source: ['first-order-room', 'thermometer-off'],
      verdict: broken ? 'stop' : evidenceOf(l),
      remedy: broken ? { text: remedyOf(w, end, bound) } : null,
    });
  };
  return [
    ...(l.lowest === null ? [] : [one('lowest', l.lowest)]),
    ...(l.highest === null ? [] : [one('highest', l.highest)]),
  ];
}

/** Thresholds that are tried for one that keeps a bound, K from where they are. */
const TRIED_KELVIN = Array.from({ length: 60 }, (_, i) => (i + 1) / 2);

/** What keeps a bound, tried: the thermometer set so much lower or higher; else more than the thermometer has to change. */
function remedyOf({ loop, numbers, sense }: Whole, end: 'lowest' | 'highest', bound: number): string {
  const by = TRIED_KELVIN.find((k) => {
    const shift = end === 'highest' ? -k : k;
    const c = cycleOf({ ...numbers, over: numbers.over + shift, under: numbers.under + shift });
    if (c.kind !== 'cycle') return false;
    const [least, most] = [c.lowest - OFF_KELVIN, c.highest + OFF_KELVIN];
    return (
      (end === 'highest' ? most <= bound : least >= bound) &&
      least >= (loop.lowest ?? -Infinity) &&
      most <= (loop.highest ?? Infinity)
    );
  });
  if (by === undefined)
    return 'No setting of its thermometer keeps both bounds: less dead time (the thermometer nearer to it), less or more power, or another bound.';
  const shift = end === 'highest' ? -by : by;
  return `Set ${sense.name} to ${degrees(sense.limit.over + shift)} and ${degrees(sense.limit.under + shift)}: then it keeps it.`;
}

/** A band that the thermometer itself can hardly tell. */
function band({ loop, numbers: n }: Whole): Finding {
  const wide = n.over - n.under;
  const narrow = wide < 2 * OFF_KELVIN;
  return told(loop, 'band', {
    verdict: wide <= 0 ? 'stop' : narrow ? 'tight' : 'settled',
    title: narrow
      ? `${loop.name}: over and under lie ${formatQuantity(Number(wide.toFixed(2)), 'K')} apart, and such a thermometer may itself be off by ${formatQuantity(OFF_KELVIN, 'K')} either way`
      : `${loop.name}: its band of ${formatQuantity(Number(wide.toFixed(2)), 'K')} is wider than what its thermometer may be off by`,
    caption: narrow ? 'band in the doubt' : 'band wide enough',
    todo: narrow ? 'Let over and under lie a kelvin apart at least.' : '',
  });
}

/** A thermometer and a program are all that ends the warming. */
function alone({ loop, numbers, job }: Whole): Finding | null {
  if (!numbers.warms || job.guard.cutOff === 'own-end') return null;
  const hurts = !job.wish.hazardsReviewed || job.wish.hazards.includes('unattended-heat');
  const ended = job.guard.cutOff !== 'none';
  return told(loop, 'alone', {
    verdict: hurts && !ended ? 'stop' : 'tight',
    title: ended
      ? `${loop.name} is ended by a time if the thermometer or the program fails, and by no temperature`
      : `A thermometer that sticks or falls off, and a program that hangs, let ${loop.name} go on for good: it would come to ${degrees(numbers.around + numbers.kelvin)}`,
    caption: 'loop is no limit',
    todo: 'Keep a thermal cut-out of the machine’s own in the circuit, or add a listed one in series, set over what the loop reaches; say so in Guard.',
  });
}

const undelayed = ({ loop }: Whole): Finding =>
  told(loop, 'dead', {
    verdict: 'tight',
    title: `How long ${loop.name} goes on after it is switched was not said: it goes past its thresholds by that much more`,
    caption: 'dead time?',
    todo: 'Switch it with the thermometer in view, and take the time until it turns: that is its dead time.',
  });

const guessed = ({ loop }: Whole): Finding =>
  told(loop, 'typed', {
    verdict: 'tight',
    title: `${loop.name} rests on numbers that were typed: how far and how fast it goes was not recorded`,
    caption: 'room not recorded',
    todo: 'Log its temperature while it works and while it is left, and take the numbers over from that recording.',
  });
