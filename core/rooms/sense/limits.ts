import {
  atLeast,
  chosen,
  computed,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  measured,
  type Finding,
  type Remedy,
} from '../../ground/finding';
import { asQuantity } from '../../ground/field';
import {
  comesByMessage,
  sensesRead,
  stepFields,
  type Job,
  type JobEdit,
  type MoveStep,
  type Sense,
} from '../../ground/job';
import { formatQuantity, type Unit } from '../../ground/quantity';
import { heardAfter, SENSES } from '../../build/lines';
import { doubtFindings, LOOK_AGAIN } from './doubts';
import {
  recordedOf,
  failsLeftOut,
  greatest,
  HOLD_MARGIN,
  proposedHold,
  restTolerance,
  type Recorded,
  type Numbered,
  type LookedAt,
} from './evidence';

/** A band leaves so many times the noise to the levels beside it: common practice. */
const NOISES = 3;

/** What Sense judges of senses that say yes by a number: whether their threshold and their hold are borne out by recordings. */
export function limitFindings(job: Job): Finding[] {
  return job.senses.flatMap((s) => {
    const number = SENSES[s.kind].number;
    if (!number) return [];
    if (s.limit === null) return [noLimit(job, s)];
    const sense: Numbered = { ...s, limit: s.limit };
    const evidence = recordedOf(job, sense);
    return [
      ...(evidence.learned.length === 0 ? [unborne(sense, evidence)] : []),
      ...holdFindings(job, sense, evidence),
      ...levelFindings(sense, evidence, number.unit),
      ...silent(sense),
      ...doubtFindings(sense, evidence),
      ...waits(job, sense, evidence),
    ];
  });
}

/** Nobody said at which value it says so. */
const noLimit = (job: Job, s: Sense): Finding =>
  finding('sense', `limit.${s.id}`, {
    verdict: 'unknown',
    title: `${s.name} reads a number, and nobody said at which one it says so`,
    caption: 'no threshold',
    source: ['trace-levels'],
    remedy: {
      text: job.recordings.some((r) => r.sense === s.id)
        ? 'Take the threshold from its recordings, or write it beside the sense.'
        : 'Record a whole run with what came before and after it, and let the threshold be found in it; or write it beside the sense.',
    },
  });

/** A threshold that rests on nothing that was recorded. */
const unborne = (s: Numbered, { old, shared }: Recorded): Finding =>
  finding('sense', `limit.${s.id}.unseen`, {
    verdict: old.length > 0 ? 'unknown' : 'tight',
    title:
      old.length > 0
        ? `No recording of ${s.name} was looked at with this threshold`
        : shared.length > 0
          ? `${s.name}: what was recorded is the sum of two machines, and bears out no threshold`
          : `The threshold of ${s.name} was set by hand, and no recording bears it out`,
    caption: old.length > 0 ? 'not looked at' : 'by hand',
    source: ['trace-levels'],
    remedy: {
      text:
        old.length > 0
          ? LOOK_AGAIN
          : 'Record three whole runs at least, each with what came before and after it, and give them to this sense.',
    },
  });

/** Another hold, and longer waits of the moves that it would be too long for, in one step. */
function withHold(job: Job, s: Numbered, recorded: Recorded, seconds: number): JobEdit {
  const held: Numbered = { ...s, limit: { ...s.limit, holdSeconds: seconds } };
  const { least } = waitFor(held, recorded) ?? { least: 0 };
  const moves = job.act.moves.filter((m) => m.steps.some((x) => waitsForEnd(x, held) && x.seconds < least));
  return {
    do: 'several',
    edits: [
      { do: 'put', list: 'senses', item: held },
      ...moves.map((m): JobEdit => ({
        do: 'put',
        list: 'act.moves',
        item: {
          ...m,
          steps: m.steps.map((x) =>
            waitsForEnd(x, held) ? { ...x, seconds: Math.min(LONGEST_STEP, Math.max(x.seconds, least)) } : x,
          ),
        },
      })),
    ],
    say: `${s.name}: over once it stood under for ${formatQuantity(seconds, 's')}`,
  };
}

/** A meter that falls silent in a rest is believed until it is too old: the hold must not pass before that. */
function silent(s: Numbered): Finding[] {
  const { staleSeconds } = s;
  if (!comesByMessage(s) || staleSeconds === null || staleSeconds < s.limit.holdSeconds) return [];
  return [
    finding('sense', `limit.${s.id}.silent`, {
      verdict: 'stop',
      title:
        `${s.name} is believed for ${formatQuantity(staleSeconds, 's')} after its meter fell silent, and its hold is ` +
        `${formatQuantity(s.limit.holdSeconds, 's')}: silence in a rest is told as the end`,
      caption: 'silence ends it',
      source: ['contact-meaning'],
      remedy: { text: 'Believe it for less than the hold, and for longer than its meter takes between two messages.' },
    }),
  ];
}

/** The hold against every rest within a run, and against what so few recordings can carry. */
function holdFindings(job: Job, s: Numbered, recorded: Recorded): Finding[] {
  const { learned, kept } = recorded;
  const all = [...learned, ...kept].filter((r) => r.looked.runs > 0);
  if (all.length === 0) return [];
  const worst = greatest(all, (r) => r.looked.restSeconds);
  const better = proposedHold(learned, kept);
  const short = s.limit.holdSeconds <= worst.looked.restSeconds;
  const remedy: Remedy =
    better !== null && better > s.limit.holdSeconds
      ? {
          text: `Let it stand under for ${formatQuantity(better, 's')} before it counts as over.`,
          label: `Use ${formatQuantity(better, 's')}`,
          edit: withHold(job, s, recorded, better),
        }
      : {
          text: short
            ? 'Record for longer after a run, or look for a threshold that the rests within a run do not pass.'
            : 'Record more runs of every programme that is used: the more there are, the less their spread asks for.',
        };
  const out: Finding[] = [
    judged('sense', `limit.${s.id}.rests`, {
      title: `${s.name}: the hold against the longest rest within a run, in ${worst.name}`,
      caption: short ? 'over in mid-run' : 'longest rest',
      steps: [
        derive('hold', 't_h', 't', 's', [chosen('t', 'hold', s.limit.holdSeconds, 's', 'set in Sense', [0, 86400])]),
      ],
      limit: atLeast(worst.looked.restSeconds, 's', 'longest rest within a run', {
        from: 'measured',
        at: '',
        what: worst.name,
      }),
      // A hold that is just as long as a rest is not longer than it.
      ...(short ? { verdict: 'stop' as const } : {}),
      source: ['trace-levels'],
      remedy: short || s.limit.holdSeconds < 1.2 * worst.looked.restSeconds ? remedy : null,
    }),
  ];
  if (learned.length > 0 && !short) out.push(fewFinding(s, learned, kept, remedy));
  return out;
}

/** What so few recordings carry: the greatest of n stays the greatest with n/(n + 1); a spread with a tolerance factor carries more. */
function fewFinding(s: Numbered, learned: readonly LookedAt[], kept: readonly LookedAt[], remedy: Remedy): Finding {
  const n = learned.length;
  const alone = `${n} ${n === 1 ? 'recording carries' : 'recordings carry'} ${Math.round((100 * n) / (n + 1))} % and no more`;
  const tolerance = restTolerance(learned);
  const left = failsLeftOut(learned);
  const source = ['rank-of-next', 'tolerance-factor'] as const;
  if (!tolerance)
    return finding('sense', `limit.${s.id}.few`, {
      verdict: 'tight',
      title: `${s.name}: ${alone}; from fewer than three no spread follows`,
      caption: `${n} of 3`,
      source,
      remedy: { text: 'Record more runs, of every programme that is used, and keep one back to try the hold on.' },
    });
  const input = (symbol: string, name: string, value: number, unit: Unit): ReturnType<typeof measured> =>
    measured(symbol, name, value, unit, '', `${n} recordings`);
  return judged('sense', `limit.${s.id}.few`, {
    title:
      `${s.name}: ${alone}, of the programmes that they show; were their longest rests log-normal, ` +
      '95 % of those to come are shorter than the limit, with 95 % confidence' +
      (left.length > 0
        ? `. Left out in turn, the hold from the others would have ended ${left.join(', ')} in mid-run`
        : '') +
      (kept.length > 0 ? '' : '. It was tried on none that was kept back'),
    caption: left.length > 0 ? 'left out, it fails' : 'borne out by few',
    steps: [
      derive('hold', 't_h', 't', 's', [chosen('t', 'hold', s.limit.holdSeconds, 's', 'set in Sense', [0, 86400])]),
    ],
    limit: derivedLimit(
      'at least',
      [
        derive('longest rest of 95 % to come', 't_95', 'exp(m + k * s)', 's', [
          input('m', 'mean of the logarithms of the longest rests', tolerance.mean, '1'),
          computed('k', `factor of ${n}, 95 % / 95 %`, tolerance.factor, '1', 'noncentral t'),
          input('s', 'their spread', tolerance.spread, '1'),
        ]),
      ],
      'longest rest of 95 % to come',
    ),
    tightShare: 'met',
    // Too short for what may come is no failure that was seen.
    ...(s.limit.holdSeconds < tolerance.seconds || left.length > 0 ? { verdict: 'tight' as const } : {}),
    source,
    remedy:
      s.limit.holdSeconds < tolerance.seconds
        ? remedy
        : left.length > 0
          ? { text: 'Record more runs of the programmes that rest for long.' }
          : null,
  });
}

/** Whether the threshold lies clear of the levels beside it. */
function levelFindings(s: Numbered, { learned, kept }: Recorded, unit: Unit): Finding[] {
  const all = [...learned, ...kept].filter((r) => r.looked.runs > 0);
  if (all.length === 0) return [];
  const sides = (r: LookedAt): { low: boolean; gap: number; noise: number }[] => [
    { low: true, gap: s.limit.under - r.looked.below, noise: r.looked.noiseBelow },
    { low: false, gap: r.looked.above - s.limit.over, noise: r.looked.noiseAbove },
  ];
  const worst = greatest(
    all.flatMap((r) => sides(r).map((side) => ({ ...side, r }))),
    ({ gap, noise }) => NOISES * noise - gap,
  );
  const { low, gap, noise } = worst;
  const { below, above } = worst.r.looked;
  const { name } = worst.r;
  const [from, to] = low
    ? (['the usual value under it', 'the threshold'] as const)
    : (['the threshold', 'the usual value over it'] as const);
  return [
    judged('sense', `limit.${s.id}.levels`, {
      title: `${s.name}: from ${from} to ${to} against the noise there, in ${name}`,
      caption: 'clear of noise?',
      steps: [
        derive('left between them', 'd', low ? 'P_u - P_0' : 'P_1 - P_o', unit, [
          ...(low
            ? [
                chosen('P_u', 'says not so under', s.limit.under, unit),
                measured('P_0', 'usual under it', below, unit, '', name),
              ]
            : [
                measured('P_1', 'usual over it', above, unit, '', name),
                chosen('P_o', 'says so over', s.limit.over, unit),
              ]),
        ]),
      ],
      limit: derivedLimit(
        'at least',
        [
          derive('what noise asks for', 'd_n', 'n * N', unit, [
            constant('n', 'times the noise', NOISES, '1', 'trace-levels'),
            measured('N', 'noise', noise, unit, '', name),
          ]),
        ],
        'what noise asks for',
      ),
      tightShare: 'met',
      // A level that lies on the wrong side cannot be told; one within the noise is told wrong now and then.
      verdict: gap <= 0 ? 'stop' : gap < NOISES * noise ? 'tight' : 'settled',
      remedy:
        gap < NOISES * noise
          ? { text: 'Let the threshold be found in the recordings, or set it between the two levels.' }
          : null,
    }),
  ];
}

const time = (s: number): string => formatQuantity(s, 's');

/** Whether a step waits for the end that a sense tells. */
const waitsForEnd = (x: MoveStep, s: Numbered): boolean =>
  (x.do === 'until' || x.do === 'hold') && x.sense === s.id && x.is !== s.closedThen;

/** No step of a move may last longer, s. */
const LONGEST_STEP = asQuantity(stepFields.seconds).most;

/** How long the longest run that was recorded takes to be told as over, and what a step is to wait at least, in whole minutes, s. */
function waitFor(
  s: Numbered,
  { learned, kept }: Recorded,
): { readonly run: number; readonly told: number; readonly least: number } | null {
  const all = [...learned, ...kept].filter((r) => r.looked.runs > 0);
  if (all.length === 0) return null;
  const run = Math.max(...all.map((r) => r.looked.longestSeconds));
  const told = run + heardAfter(s, !s.closedThen);
  return { run, told, least: Math.ceil((HOLD_MARGIN * told) / 60) * 60 };
}

/** Steps that wait for the end of a run for less time than the longest run that was recorded takes to be told. */
function waits(job: Job, s: Numbered, recorded: Recorded): Finding[] {
  const longest = waitFor(s, recorded);
  if (!longest || !sensesRead(job).includes(s.id)) return [];
  const short = job.act.moves.flatMap((m) =>
    m.steps.flatMap((x, i) =>
      waitsForEnd(x, s) && x.seconds < HOLD_MARGIN * longest.told
        ? [{ name: `step ${i + 1} of ${m.name}`, seconds: x.seconds }]
        : [],
    ),
  );
  const worst = short.sort((a, b) => a.seconds - b.seconds)[0];
  if (!worst) return [];
  return [
    finding('sense', `limit.${s.id}.waits`, {
      verdict: worst.seconds < longest.told ? 'stop' : 'tight',
      title:
        `${worst.name} waits ${time(worst.seconds)} at most for the end that ${s.name} tells; ` +
        `the longest run that was recorded takes ${time(longest.run)}, ` +
        `and its end is told ${time(heardAfter(s, !s.closedThen))} later`,
      caption: 'waits too short',
      source: ['trace-levels'],
      remedy:
        longest.least <= LONGEST_STEP
          ? {
              text: 'Half as long again as the longest that was seen.',
              label: `Wait ${time(longest.least)}`,
              edit: withHold(job, s, recorded, s.limit.holdSeconds),
            }
          : { text: `No step lasts longer than ${time(LONGEST_STEP)}: let two steps wait one after the other.` },
    }),
  ];
}
