import { far } from '../../../engines/apart';
import { atLeast, chosen, derive, finding, judged, type Finding, type Input } from '../../../ground/finding';
import type { BoardLayout, Job } from '../../../ground/job';
import { apartOn, FOLLOWED, neededFor, standsOf, USUAL_ALTITUDE, type ApartPair, type BoardApart } from './apart-of';
import { pinsOn } from './surface';

/** What Guard judges of each board that was planned: what is wrong with it, how far its nets are apart, and what its parts keep apart. */
export function boardApartFindings(job: Job): Finding[] {
  return job.guard.boards.flatMap((b): Finding[] => {
    const id = (what: string): string => `apart.${b.id}.${what}`;
    const stands = standsOf(job);
    const on = apartOn(b, stands);
    if (on.ended) return [ended(id('ended'), b.name)];
    if (on.wrong.length > 0)
      return on.wrong.map((w, i) =>
        finding('guard', id(`wrong.${i + 1}`), {
          verdict: 'stop',
          title: `${b.name}: ${w.what}`,
          caption: w.of === 'hole' ? 'shared hole' : w.of === 'slot' ? 'slot through copper' : 'layout wrong',
          source: ['iec-60664'],
          remedy: { text: w.todo },
        }),
      );
    const hasMains = b.nets.some((n) => n.side === 'mains');
    return [
      ...sideless(id('sides'), b.name, on),
      ...(hasMains ? guessed(job, id('place')) : []),
      ...unlaid(b, on, id('bare')),
      ...pairFindings(job, b, on.pairs),
      ...edgeFinding(job, b, on, id('edge')),
      ...partsApart(job, b, id),
    ];
  });
}

const ended = (id: string, name: string): Finding =>
  finding('guard', id, {
    verdict: 'unknown',
    title: `${name}: over 600 V to earth, or over 9,000 m, the tables of this tool end`,
    caption: 'tables end',
    source: ['iec-60664'],
    remedy: { text: 'Leave this to somebody who is licensed for it.' },
  });

const sideless = (id: string, name: string, { sideless: nets }: BoardApart): Finding[] =>
  nets.length === 0
    ? []
    : [
        finding('guard', id, {
          verdict: 'unknown',
          title: `${name}: on which side ${nets.join(', ')} ${nets.length === 1 ? 'is' : 'are'} was not said`,
          caption: 'which side?',
          source: ['iec-60664'],
          remedy: { text: 'Say of each net whether it is at mains or can be touched.' },
        }),
      ];

/** What was taken for the worse, or for the usual, since nobody said. */
function guessed({ guard }: Job, id: string): Finding[] {
  const { category, altitude } = guard.apart;
  const lacks = [
    ...(category === 'unknown' ? ['the overvoltage category (taken for III)'] : []),
    ...(altitude === null ? [`how high over the sea it stands (taken for up to ${USUAL_ALTITUDE} m)`] : []),
  ];
  if (lacks.length === 0) return [];
  return [
    finding('guard', id, {
      verdict: altitude === null ? 'unknown' : 'tight',
      title: `Not said: ${lacks.join(', and ')}`,
      caption: 'place not said',
      source: ['iec-60664'],
      remedy: { text: 'Say it under “apart”.' },
    }),
  ];
}

/** A length of a plan. What rests on a pitch and rings that nobody measured is a default, and tight at best. */
const fromPlan = (b: BoardLayout, symbol: string, name: string, metres: number): Input => ({
  symbol,
  name,
  value: metres,
  unit: 'm',
  origin: b.measured
    ? { from: 'computed', what: 'the plan of the board' }
    : { from: 'default', what: 'the plan, with pitch and rings that nobody measured', path: 'guard.boards' },
});

type By = 'surface' | 'air';

/** One pair of nets over the surface or through the air, with its arithmetic. @param b the board. @param mainsVolts of the region. */
export function pairFinding(b: BoardLayout, pair: ApartPair, by: By, mainsVolts: number): Finding {
  const kind = pair.reinforced ? 'reinforced' : 'basic';
  const need = neededBy(pair, by);
  const metres = metresBy(pair, by);
  const where = by === 'surface' ? 'over the surface' : 'through the air';
  const legs = Math.max(1, pair[by].legs.length);
  const step = derive(`shortest way ${where}`, 'd', 'd_s', 'm', [
    fromPlan(
      b,
      'd_s',
      pair[by].metres === Infinity
        ? 'longer than it was followed'
        : `in ${legs} ${legs === 1 ? 'leg' : 'legs'} over bare board`,
      metres,
    ),
  ]);
  return judged('guard', `apart.${b.id}.${kind}.${by}`, {
    title: `${b.name}: ${pair.one.name} and ${pair.other.name}, ${kind} insulation ${where}`,
    caption: by === 'surface' ? 'creepage' : 'clearance',
    steps: [step],
    limit: atLeast(need, 'm', `${kind}, ${mainsVolts} V`, { from: 'source', key: 'iec-60664' }),
    tightShare: 0.1,
    source: ['iec-60664', 'floating-copper', ...(b.measured ? [] : (['perforated-board'] as const))],
    remedy:
      metres >= need
        ? b.measured
          ? null
          : { text: 'Measure pitch and rings on the board itself, and say so.' }
        : {
            text:
              by === 'surface'
                ? 'Take the copper away between them, saw a slot of at least the width of a groove, or move a part; what was ' +
                  'tried and cures it stands beside the plan, if anything does.'
                : 'Move the parts, or take away what copper lies between them: no slot lengthens the way through the air.',
          },
  });
}

const neededBy = ({ needs }: ApartPair, by: By): number => (by === 'surface' ? needs.creepage : needs.clearance);
/** A way that was not followed to its end is told as long as it was followed at least. */
const metresBy = (pair: ApartPair, by: By): number =>
  pair[by].metres === Infinity ? FOLLOWED * neededBy(pair, by) : pair[by].metres;

/** Of each kind of insulation the pair with the least reserve over the surface, and that through the air. */
const pairFindings = (job: Job, b: BoardLayout, pairs: readonly ApartPair[]): Finding[] =>
  [true, false].flatMap((reinforced) =>
    (['surface', 'air'] as const).flatMap((by): Finding[] => {
      const reserve = (p: ApartPair): number => metresBy(p, by) / neededBy(p, by);
      const own = pairs.filter((p) => p.reinforced === reinforced);
      const [first] = own;
      if (!first) return [];
      const worst = own.reduce((x, y) => (reserve(y) < reserve(x) ? y : x), first);
      return [pairFinding(b, worst, by, job.region.mainsVolts)];
    }),
  );

/** A net that lies on no copper keeps apart from nothing; a board without any is not planned yet. */
function unlaid(b: BoardLayout, { bare }: BoardApart, id: string): Finding[] {
  if (b.nets.length > 0 && bare.length === 0) return [];
  return [
    finding('guard', id, {
      verdict: 'unknown',
      title:
        b.nets.length === 0
          ? `${b.name} has no nets yet: nothing on it was held apart`
          : `${b.name}: on no pin and no track, and held apart from nothing: ${bare.join(', ')}`,
      caption: 'board not planned',
      source: ['iec-60664'],
      remedy: { text: 'Put each net on the pins that it goes to.' },
    }),
  ];
}

/** What lies at the edge nobody drew: a rail, a screw, a metal box. */
function edgeFinding(job: Job, b: BoardLayout, { edge }: BoardApart, id: string): Finding[] {
  const needs = neededFor(standsOf(job), true);
  if (!needs || edge === Infinity) return [];
  return [
    judged('guard', id, {
      title: `${b.name}: copper at mains from the edge, where a screw, a rail or a metal box may be`,
      caption: 'board edge',
      steps: [derive('from its edge', 'd', 'd_e', 'm', [fromPlan(b, 'd_e', 'nearest copper at mains', edge)])],
      limit: atLeast(needs.creepage, 'm', 'reinforced', { from: 'source', key: 'iec-60664' }),
      tightShare: 0.1,
      source: ['iec-60664', 'board-edge'],
      // What is there nobody said: it may be plastic.
      ...(edge < needs.creepage ? { verdict: 'tight' as const } : {}),
      remedy: edge < needs.creepage ? { text: 'Keep metal from this edge, or the copper.' } : null,
    }),
  ];
}

/** Parts with pins on both sides: what their own insulation keeps apart. */
function partsApart(job: Job, b: BoardLayout, id: (what: string) => string): Finding[] {
  const needs = neededFor(standsOf(job), true);
  if (!needs) return [];
  const side = new Map(b.nets.map((n) => [n.id, n.side]));
  return b.parts.flatMap((part): Finding[] => {
    const sides = new Set(part.pins.map((p) => side.get(p.net)));
    if (!sides.has('mains') || !sides.has('touchable')) return [];
    if (part.apart === null)
      return [
        finding('guard', id(`part.${part.id}`), {
          verdict: 'unknown',
          title: `${b.name}: what the insulation of ${part.name} itself keeps apart was not read; it stands on both sides`,
          caption: 'part insulates?',
          source: ['iec-60664'],
          remedy: { text: 'Look in its sheet for creepage, clearance and “reinforced” between coil and contacts.' },
        }),
      ];
    return [
      judged('guard', id(`part.${part.id}`), {
        title: `${b.name}: ${part.name} itself keeps both sides apart`,
        caption: 'part insulates',
        steps: [
          derive('over the part', 'd', 'd_p', 'm', [
            chosen('d_p', 'from its sheet', part.apart, 'm', 'said under “apart”', [1e-4, 0.1]),
          ]),
        ],
        limit: atLeast(needs.creepage, 'm', 'reinforced', { from: 'source', key: 'iec-60664' }),
        tightShare: 'met',
        source: ['iec-60664'],
      }),
      ...pinsNear(b, part.id, id),
    ];
  });
}

/** A part whose own pins of both sides stand nearer than it says that it keeps apart contradicts itself. */
function pinsNear(b: BoardLayout, of: string, id: (what: string) => string): Finding[] {
  const side = new Map(b.nets.map((n) => [n.id, n.side]));
  const pins = pinsOn(b).filter((p) => p.part.id === of);
  const says = pins[0]?.part.apart ?? 0;
  const gaps = pins.flatMap((p) =>
    pins.flatMap((q) =>
      side.get(p.net) === 'mains' && side.get(q.net) === 'touchable'
        ? [b.pitch * far({ x: p.column, y: p.row }, { x: q.column, y: q.row }) - b.pad]
        : [],
    ),
  );
  const least = Math.min(...gaps);
  return least >= says
    ? []
    : [
        finding('guard', id(`part.${of}.pins`), {
          verdict: 'tight',
          title: 'Its pins stand nearer than what it is said to keep apart: the board between them decides',
          caption: 'pins nearer',
          source: ['iec-60664'],
          remedy: { text: 'A slot between its pins, and no copper there, keep what the part keeps.' },
        }),
      ];
}
