import type { PinNeed, PressFact } from '../../ground/facts';
import { lineId, type Hand, type Job, type PinAbility, type Sense, type Sign } from '../../ground/job';
import type { Line } from './line';
import { isBare, needsPin, ownPullOf, pulledLow, SENSES } from './sense-kinds';

/** A sign that takes more than this is switched by a transistor, A: half of what common pins give for long (`sign-transistor`). */
const DIRECT_AMPS = 0.01;
/** Base current of that transistor as a share of what it switches (`forced-gain`). */
const BASE_SHARE = 1 / 15;

/** Whether a sign is switched by a transistor of its own. */
export const throughTransistor = (sign: Sign): boolean => sign.amps > DIRECT_AMPS;

const BLANK = {
  sort: 'level',
  active: 'high',
  amps: 0,
  volts: null,
  acts: false,
  press: null,
  need: null,
  pulledDown: false,
} as const;

/** The id of each line of a press: the first by the press alone, so that it keeps its pin when the way asks for more. */
const idOf = (press: PressFact, need: PinNeed, i: number): string =>
  i === 0 ? press.id : lineId(press.id, need.part || String(i + 1));

function pressLines(press: PressFact): Line[] {
  return press.pins.map((need, i): Line => {
    const out = need.direction === 'out';
    return {
      ...BLANK,
      id: idOf(press, need, i),
      of: 'press',
      owner: press.id,
      name: need.part && press.pins.length > 1 ? `${press.name} ${need.part}` : press.name,
      direction: need.direction,
      sort: need.sort,
      active: press.pressesOn,
      asks: out
        ? need.sort === 'pulse-width' || need.sort === 'frequency'
          ? ['output', 'pulse-width']
          : ['output']
        : need.sort === 'pulses'
          ? ['input', 'interrupt']
          : ['input'],
      amps: out ? press.pinAmps : 0,
      acts: need.acts,
      press: out ? press : null,
      need,
      pulledDown: out && need.acts && press.pullDown,
    };
  });
}

function senseLines(sense: Sense): Line[] {
  const { sort, asks } = SENSES[sense.kind];
  if (sort === null || !needsPin(sense)) return [];
  const low = isBare(sense) || pulledLow(sense);
  const inside = isBare(sense) && ownPullOf(sense) === null;
  return [
    {
      ...BLANK,
      id: sense.id,
      of: 'sense',
      owner: sense.id,
      name: sense.name,
      direction: 'in',
      sort,
      active: low === sense.closedThen ? 'low' : 'high',
      asks: [...asks, ...(inside ? (['pull-up'] as const) : []), ...(sense.wakes ? (['wake'] as const) : [])],
      volts: sense.joint === 'direct' ? sense.highVolts : null,
    },
  ];
}

function handLines(hand: Hand): Line[] {
  if (hand.kind === 'command') return [];
  const asks: PinAbility[] = [
    'input',
    ...(hand.pullUpOhms === null ? (['pull-up'] as const) : []),
    ...(hand.wakes ? (['wake'] as const) : []),
  ];
  const at = (part: string): Line => ({
    ...BLANK,
    id: lineId(hand.id, part),
    of: 'hand',
    owner: hand.id,
    name: part ? `${hand.name} ${part}` : hand.name,
    direction: 'in',
    // A stop opens its contact, so that a broken wire stops as well; all others close to ground.
    active: hand.kind === 'stop' ? 'high' : 'low',
    asks: hand.kind === 'stop' ? [...asks, 'interrupt'] : asks,
  });
  return hand.kind === 'rocker' ? [at('up'), at('down')] : [at('')];
}

const signLine = (sign: Sign): Line => ({
  ...BLANK,
  id: sign.id,
  of: 'sign',
  owner: sign.id,
  name: sign.name,
  direction: 'out',
  asks: ['output'],
  amps: throughTransistor(sign) ? sign.amps * BASE_SHARE : sign.amps,
});

/** Every line of a job: first what presses, then what is sensed, what hands move, what is shown. */
export const linesOf = (job: Job, presses: readonly PressFact[]): readonly Line[] => [
  ...presses.flatMap(pressLines),
  ...job.senses.flatMap(senseLines),
  ...job.hands.flatMap(handLines),
  ...job.signs.map(signLine),
];

/** The chip number of the pin that a line lies on, or null where none is chosen. */
export const pinOf = (job: Job, line: string): number | null =>
  job.board.pins.find((p) => p.line === line)?.gpio ?? null;
