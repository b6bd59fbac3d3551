import {
  atLeast,
  atMost,
  chosen,
  computed,
  constant,
  derive,
  judged,
  type Finding,
  type Step,
} from '../../ground/finding';
import { cycleOf, type LoopCycle, type LoopNumbers, type NoCycle } from './loop-cycle';
import { degrees, OFF_KELVIN, ROOM_SHARE, roomEvidence, type WholeLoop } from './loop-numbers';

type End = 'lowest' | 'highest';

/** A leg's turning point as a step that can be opened. @param end 1 where its work ends to be felt, 0 where it begins. */
function turning(n: LoopNumbers, cycle: LoopCycle, end: 0 | 1): Step {
  const works = end === 1;
  const goal = works ? n.around + (n.warms ? n.kelvin : -n.kelvin) : n.around;
  const where = works ? 'what is around it, and how far work takes it' : 'what is around it';
  return derive(`where its work ${works ? 'ends' : 'begins'} to be felt`, 'T', 'G + (T_0 - G) * exp(-t / tau)', '°C', [
    computed('G', 'what it goes to', goal, '°C', where),
    computed('T_0', 'where that leg begins', cycle.turnsAt[works ? 0 : 1], '°C', 'the leg before, in the cycle'),
    computed(
      't',
      'how long that leg lasts',
      works ? cycle.on : cycle.off,
      's',
      'dead time, delays, limits and the way',
    ),
    chosen('tau', 'time constant', n.tau, 's', 'set in Routine', [0.5 * n.tau, 2 * n.tau]),
  ]);
}

/** What it comes to at one end, with what the thermometer and the room itself may be off by. */
function stepsTo(n: LoopNumbers, cycle: LoopCycle | NoCycle, end: End): readonly Step[] {
  const is = cycle.kind === 'cycle';
  const stays = is ? 0 : end === 'highest' ? Math.max(cycle.stays, n.around) : Math.min(cycle.stays, n.around);
  const turn = is
    ? turning(n, cycle, (end === 'highest') === n.warms ? 1 : 0)
    : derive('where it stays', 'T', 'T_s', '°C', [computed('T_s', 'where it stays', stays, '°C', 'no cycle')]);
  const threshold = end === 'highest' ? n.over : n.under;
  return [
    turn,
    derive(
      `${end}, with what thermometer and room may be off by`,
      'T_w',
      `T ${end === 'highest' ? '+' : '-'} (e + q * abs(T - T_x))`,
      '°C',
      [
        computed('T', turn.what, turn.result.value, '°C', 'worked out before'),
        constant('e', 'what the thermometer may be off by', OFF_KELVIN, 'K', 'thermometer-off'),
        constant('q', 'what the room may be off by, as a share', ROOM_SHARE, '1', 'first-order-room'),
        computed('T_x', 'where the thermometer changes its mind', threshold, '°C', 'set in Sense'),
      ],
    ),
  ];
}

const worst = (steps: readonly Step[]): number => steps.at(-1)?.result.value ?? NaN;
const breaks = (end: End, value: number, bound: number): boolean => (end === 'highest' ? value > bound : value < bound);

function boundFinding(w: WholeLoop, end: End, bound: number): Finding {
  const { loop: l } = w;
  const numbers = numbersFor(w, end);
  const steps = stepsTo(numbers, cycleOf(numbers), end);
  const broken = breaks(end, worst(steps), bound);
  return judged('routine', `loop.${l.id}.${end}`, {
    title: `${l.name}: the ${end} that it comes to${l.weather ? ' in the worst weather of a made-up year' : ''}`,
    caption: end === 'highest' ? 'gets too warm?' : 'gets too cold?',
    steps,
    limit: (end === 'highest' ? atMost : atLeast)(bound, '°C', `never ${end === 'highest' ? 'over' : 'under'}`, {
      from: 'maker',
      what: 'set in Routine',
    }),
    tightShare: 'met',
    source: ['first-order-room', 'thermometer-off'],
    verdict: broken ? 'stop' : roomEvidence(w.job, l),
    remedy: broken ? { text: remedyOf(w) } : null,
  });
}

/** The surroundings that make an end worst: the coldest for the lowest, the warmest for the highest. */
const numbersFor = ({ numbers, mildest }: WholeLoop, end: End): LoopNumbers =>
  (end === 'lowest') === numbers.around <= mildest.around ? numbers : mildest;

/** What it may never come over or under. */
export const boundFindings = (w: WholeLoop): Finding[] => [
  ...(w.loop.lowest === null ? [] : [boundFinding(w, 'lowest', w.loop.lowest)]),
  ...(w.loop.highest === null ? [] : [boundFinding(w, 'highest', w.loop.highest)]),
];

/** Thresholds that are tried for one that keeps the bounds, K from where they are, the nearest first. */
const TRIED_KELVIN = Array.from({ length: 60 }, (_, i) => (i + 1) / 2).flatMap((k) => [-k, k]);

/** What keeps both bounds, tried: the thermometer set so much lower or higher; else more than the thermometer has to change. */
function remedyOf(w: WholeLoop): string {
  const { loop, sense } = w;
  const holds = (end: End, bound: number | null, by: number): boolean => {
    if (bound === null) return true;
    const n = numbersFor(w, end);
    const moved = { ...n, over: n.over + by, under: n.under + by };
    return !breaks(end, worst(stepsTo(moved, cycleOf(moved), end)), bound);
  };
  const by = TRIED_KELVIN.find((k) => {
    const moved = { ...w.numbers, over: w.numbers.over + k, under: w.numbers.under + k };
    return cycleOf(moved).kind === 'cycle' && holds('lowest', loop.lowest, k) && holds('highest', loop.highest, k);
  });
  return by === undefined
    ? 'No setting of its thermometer keeps it: less dead time (the thermometer nearer to it), less or more power, or another bound.'
    : `Set ${sense.name} to ${degrees(sense.limit.over + by)} and ${degrees(sense.limit.under + by)}: then it keeps it.`;
}
