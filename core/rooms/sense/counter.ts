import { needsPin } from '../../build/lines';
import { atLeast, atMost, chosen, derive, finding, judged, type Finding } from '../../ground/finding';
import { comesByMessage, isOfModule, type Job, type Sense, type SenseCount } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { putSense } from './taps';

/** Days of a year, and for how many years a memory is to last. */
const DAYS = 365;
const YEARS = 10;
/** Of what may be lost at a power cut so much of the budget is no matter. */
const LOST_SHARE = 0.01;

/** Counters of senses: one unit for what is counted and what it may come to, writes against what the memory bears, and what a cut loses. */
export const counterFindings = (job: Job): Finding[] =>
  job.senses.flatMap((s) => (s.count ? ofCounter(s, s.count) : []));

const unsaid = (
  s: Sense,
  id: string,
  verdict: 'unknown' | 'tight' | 'stop',
  title: string,
  caption: string,
  text: string,
): Finding =>
  finding('sense', `count.${s.id}.${id}`, {
    verdict,
    title: `${s.name}: ${title}`,
    caption,
    source: ['flash-writes'],
    remedy: { text },
  });

function ofCounter(s: Sense, c: SenseCount): Finding[] {
  return [
    ...worthFindings(s, c),
    ...unitFindings(s, c),
    ...countedFindings(s),
    ...writesFindings(s, c),
    ...lostFindings(s, c),
  ];
}

/** What one count is worth, and how sure that is. */
function worthFindings(s: Sense, { worth, off, unit }: SenseCount): Finding[] {
  if (worth === null)
    return [
      unsaid(
        s,
        'worth',
        'unknown',
        'what one count is worth was not measured',
        'one count?',
        'Let a known amount go by, as a bucket of water, and divide it by what was counted; three times.',
      ),
    ];
  return off === null
    ? [
        unsaid(
          s,
          'worth',
          'tight',
          `how far ${worth} ${unit} a count may be off was not said`,
          'how sure a count?',
          'Repeat the bucket test: the spread of three is the least that it is off.',
        ),
      ]
    : [];
}

/** A budget in another unit is no budget of this counter. */
function unitFindings(s: Sense, { unit, budget, budgetUnit }: SenseCount): Finding[] {
  if (unit.trim() === '')
    return [
      unsaid(
        s,
        'unit',
        'unknown',
        'in what it counts was not said',
        'which unit?',
        'Say it: litres, turns, runs, hours.',
      ),
    ];
  if (budget === null || same(unit, budgetUnit)) return [];
  return [
    unsaid(
      s,
      'unit',
      'stop',
      `it counts ${unit}, and its budget is said in ${budgetUnit.trim() === '' ? 'nothing' : budgetUnit}: the two cannot be compared`,
      'two units',
      `Say the budget in ${unit}.`,
    ),
  ];
}
const same = (a: string, b: string): boolean => a.trim().toLocaleLowerCase('en') === b.trim().toLocaleLowerCase('en');

/** Each pulse is counted by the controller itself: what comes by message now and then is not. */
const countedFindings = (s: Sense): Finding[] =>
  comesByMessage(s) || isOfModule(s) || !needsPin(s)
    ? [
        unsaid(
          s,
          'by',
          'tight',
          'what it counts comes by message: one that is lost is not counted',
          'counted by message',
          'Let the sender count, and send what it came to.',
        ),
      ]
    : [
        unsaid(
          s,
          'by',
          'tight',
          'the packed program does not count it by itself: a function of your own does, and saves it',
          'counted by your own',
          'Count each edge in an interrupt, and save by the numbers here.',
        ),
      ];

/** Writes in ten years against what the memory bears. */
function writesFindings(s: Sense, c: SenseCount): Finding[] {
  if (c.perDay === null)
    return [
      unsaid(
        s,
        'writes',
        'unknown',
        'how much it counts on a day at most was not said, and the memory wears with each write',
        'how many a day?',
        'Say it in Sense.',
      ),
    ];
  const step = derive('writes of a page in ten years', 'w', 'n * d * y / (k * p)', '1', [
    chosen('n', 'counts on a day, at most', c.perDay, '1', 'set in Sense', [0, 1e9]),
    chosen('d', 'days of a year', DAYS, '1', 'a year'),
    chosen('y', 'years', YEARS, '1', 'to last for'),
    chosen('k', 'counts between two writes', c.saveEvery, '1', 'set in Sense', [1, 1e9]),
    chosen('p', 'pages that they are spread over', c.pages, '1', 'set in Sense'),
  ]);
  const every = Math.ceil((c.perDay * DAYS * YEARS) / (c.pages * c.endurance * HALF));
  return [
    judged('sense', `count.${s.id}.writes`, {
      title: `${s.name}: writes of a page in ten years, as it is saved every ${c.saveEvery} counts`,
      caption: 'memory wears out?',
      steps: [step],
      limit: atMost(c.endurance, '1', 'what a page bears', { from: 'source', key: 'flash-writes' }),
      tightShare: HALF,
      source: ['flash-writes'],
      remedy:
        step.result.value > HALF * c.endurance
          ? {
              text: 'Save it less often, or spread it over more pages.',
              label: `Save every ${formatQuantity(every, '1')}`,
              edit: putSense(s, { count: { ...c, saveEvery: every } }, `saved every ${every} counts`),
            }
          : null,
    }),
  ];
}
const HALF = 0.5;

/** What a power cut loses at most, against the budget. */
function lostFindings(s: Sense, c: SenseCount): Finding[] {
  if (c.worth === null || c.budget === null || !same(c.unit, c.budgetUnit)) return [];
  const step = derive('what a power cut loses, at most', 'L', '100 * (k - 1) * q / B', '%', [
    chosen('k', 'counts between two writes', c.saveEvery, '1', 'set in Sense', [1, 1e9]),
    chosen('q', `what one is worth, ${c.unit}`, c.worth, '1', 'set in Sense'),
    chosen('B', `its budget, ${c.budgetUnit}`, c.budget, '1', 'set in Sense'),
  ]);
  const whole = derive('counts until care is due', 'n', 'B / q', '1', [
    chosen('B', `its budget, ${c.budgetUnit}`, c.budget, '1', 'set in Sense'),
    chosen('q', `what one is worth, ${c.unit}`, c.worth, '1', 'set in Sense'),
  ]);
  return [
    judged('sense', `count.${s.id}.lost`, {
      title: `${s.name}: what each power cut loses of its budget, at most`,
      caption: 'lost at a cut',
      steps: [step],
      limit: atMost(100 * LOST_SHARE, '%', 'a hundredth of it', { from: 'source', key: 'flash-writes' }),
      tightShare: 'met',
      source: ['flash-writes'],
      verdict: step.result.value > 100 * LOST_SHARE ? 'tight' : 'settled',
      remedy:
        step.result.value > 100 * LOST_SHARE
          ? { text: 'Save it more often, or at once when the supply falls, from what a capacitor holds.' }
          : null,
    }),
    judged('sense', `count.${s.id}.budget`, {
      title: `${s.name}: counts until its care is due`,
      caption: 'care is due',
      steps: [whole],
      limit: atLeast(1, '1', 'one count', { from: 'computed', what: 'less than one count is no budget' }),
      tightShare: 'met',
      source: ['flash-writes'],
    }),
  ];
}
