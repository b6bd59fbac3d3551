import { far } from '../../../engines/apart';
import { atLeast, chosen, computed, derive, finding, judged, type Finding } from '../../../ground/finding';
import type { Job } from '../../../ground/job';
import { apartOn, neededFor, standsOf, USUAL_ALTITUDE, type ApartPair, type BoardApart } from './apart-of';
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
      ...(on.pairs[0] ? [...pairFindings(job, id, b.name, on.pairs)] : []),
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

/** The pair with the least reserve over the surface and through the air, of each kind of insulation. */
function pairFindings(job: Job, id: (what: string) => string, name: string, pairs: readonly ApartPair[]): Finding[] {
  return [true, false].flatMap((reinforced): Finding[] => {
    const [pair] = pairs.filter((p) => p.reinforced === reinforced);
    if (!pair) return [];
    const kind = reinforced ? 'reinforced' : 'basic';
    const what = `${pair.one.name} and ${pair.other.name}`;
    return (['surface', 'air'] as const).map((by) => {
      const need = by === 'surface' ? pair.needs.creepage : pair.needs.clearance;
      const { metres, legs } = pair[by];
      const over = metres === Infinity;
      const step = derive(
        by === 'surface' ? 'shortest way over the surface' : 'shortest way through the air',
        'd',
        'd_s',
        'm',
        [
          computed(
            'd_s',
            over ? 'longer than it was followed' : `in ${Math.max(1, legs.length)} legs over bare board`,
            over ? 3 * need : metres,
            'm',
            'the plan of the board',
          ),
        ],
      );
      const near = (over ? 3 * need : metres) < need;
      return judged('guard', id(`${kind}.${by}`), {
        title: `${name}: ${what}, ${kind} insulation ${by === 'surface' ? 'over the surface' : 'through the air'}`,
        caption: by === 'surface' ? 'creepage' : 'clearance',
        steps: [step],
        limit: atLeast(need, 'm', `${kind}, ${job.region.mainsVolts} V`, { from: 'source', key: 'iec-60664' }),
        tightShare: 0.1,
        source: ['iec-60664', 'floating-copper'],
        remedy: near
          ? {
              text:
                by === 'surface'
                  ? 'Take the copper away between them, saw a slot of at least the width of a groove, or move a part: ' +
                    'what cures it is offered beside the plan.'
                  : 'Move the parts: no slot lengthens the way through the air.',
            }
          : null,
      });
    });
  });
}

/** Parts with pins on both sides: what their own insulation keeps apart. */
function partsApart(job: Job, b: Job['guard']['boards'][number], id: (what: string) => string): Finding[] {
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
function pinsNear(b: Job['guard']['boards'][number], of: string, id: (what: string) => string): Finding[] {
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
