import { itemAt, lastItem, present, realAt } from '../../ground/lists';
import {
  atMost,
  chosen,
  computed,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Input,
  type Remedy,
  type Step,
} from '../../ground/finding';
import {
  bearsAmps,
  CONNECTOR,
  FUSE_BLOWS,
  fuseFor,
  fuseHoldsSeconds,
  leadFor,
  ohmsOfSource,
  USUAL_LEAD,
} from '../../engines/electrics';
import type { FeedLink, FeedSource, Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { isConverter, type SupplyNode } from '../../engines/supply';
import { currentSteps } from './explain';
import type { SupplyRun } from './supply-run';

type Link = Extract<SupplyNode, { item: FeedLink }>;

/** A fuse is used to this share (`fuse-share`). */
export const FUSE_SHARE = 0.8;
/** Part of the volts that a lead may drop where a new one is proposed. */
const DROP_SHARE = 0.03;

/** The thinnest lead behind a part, up to the next fuse or converter. */
export function thinnest(r: SupplyRun, place: number): Extract<SupplyNode, { kind: 'lead' }> | undefined {
  const found: Extract<SupplyNode, { kind: 'lead' }>[] = [];
  const region = [place];
  for (let i = 0; i < region.length; i++)
    for (const [child, n] of r.tree.nodes.entries())
      if (n.parent === region[i] && n.kind !== 'fuse' && !isConverter(n)) {
        if (n.kind === 'lead') found.push(n);
        region.push(child);
      }
  const size = (n: (typeof found)[number]): number => n.item.squareMetres ?? USUAL_LEAD.squareMetres;
  return found.sort((a, b) => size(a) - size(b))[0];
}

/** What a lead bears for long, as an input. */
export const bears = (l: FeedLink): Input =>
  l.squareMetres === null
    ? {
        symbol: 'I_z',
        name: 'what a usual thin lead bears',
        value: bearsAmps(USUAL_LEAD.squareMetres),
        unit: 'A',
        origin: { from: 'default', what: 'a usual lead; nobody said which', path: 'feed.links' },
      }
    : constant(
        'I_z',
        `what ${formatQuantity(l.squareMetres, 'm²')} bears for long`,
        bearsAmps(l.squareMetres),
        'A',
        'conductor-amps',
      );

/** A fuse that the source before it cannot blow: a short burns on behind it. Cells give what they have. */
function neverBlows(r: SupplyRun, n: Link, rated: number, rating: Input): Finding[] {
  const source = r.tree.nodes[n.source];
  if (source?.kind !== 'source' || source.item.amps === null || source.item.kind === 'cells') return [];
  const blows = derive('current that is certain to blow it', 'I_blow', 'k * I_n', 'A', [
    constant('k', 'times its rating, within two minutes', FUSE_BLOWS, '1', 'iec-60127'),
    rating,
  ]);
  if (source.item.amps >= FUSE_BLOWS * rated) return [];
  const given = derive('most that the supply gives', 'I_sc', 'I_s', 'A', [
    chosen('I_s', source.name, source.item.amps, 'A', 'set in Feed', [0.01, 1000]),
  ]);
  return [
    judged('feed', `fuse-blows@${n.id}`, {
      title: `The ${n.name} never blows: the ${source.name} cannot give what it takes`,
      caption: 'fuse never blows',
      steps: [given],
      limit: derivedLimit('at least', [blows], 'what is certain to blow it'),
      verdict: 'tight',
      remedy: {
        text: 'Its own limit is what protects here: leave the fuse out, or take a smaller one where what lasts allows it.',
      },
    }),
  ];
}

/** Starts that are longer and higher than a time-lag fuse bears. */
function startBlows(r: SupplyRun, place: number, n: Link, rated: number): Finding[] {
  const starts = r.courses.flatMap((c, course) =>
    c.instants.flatMap((x, instant) => {
      const amps = realAt(r.calm({ value: 0, course, instant }).amps, place);
      const held = fuseHoldsSeconds(amps / rated);
      return x.seconds > held ? [{ amps, held, seconds: x.seconds, course: c.name }] : [];
    }),
  );
  const worst = starts.sort((a, b) => b.amps - a.amps)[0];
  if (!worst) return [];
  const lasts = derive('how long the start lasts', 't', 't_s', 's', [
    computed(
      't_s',
      `${formatQuantity(worst.amps, 'A')} in ${worst.course}`,
      worst.seconds,
      's',
      'the tree at that instant',
    ),
  ]);
  const times = worst.amps / rated;
  const holds = derive(
    `what a time-lag fuse holds at ${formatQuantity(times, '1')} times its rating, at least`,
    't_h',
    't_f',
    's',
    [
      computed(
        't_f',
        'between the points of its sheet',
        worst.held,
        's',
        'IEC 60127-2, sheet 3, on straight lines in logarithms',
      ),
    ],
  );
  return [
    judged('feed', `fuse-start@${n.id}`, {
      title: `A start through the ${n.name} against the time that it holds`,
      caption: 'start blows fuse',
      steps: [lasts],
      limit: derivedLimit('at most', [holds], 'what it holds at least'),
      source: ['iec-60127'],
      remedy: { text: 'Take the next larger fuse that the lead behind it still allows, or let less start at once.' },
    }),
  ];
}

/** A fuse against what lasts through it, and against the thinnest lead behind it. */
export function judgeFuse(r: SupplyRun, place: number, n: Link): Finding[] {
  const w = itemAt(r.lasting, place);
  const steps = currentSteps(r, place, w, 'lasting');
  if (n.item.amps === null)
    return [
      finding('feed', `fuse@${n.id}`, {
        verdict: 'unknown',
        title: `The rating of the ${n.name} is not said`,
        caption: 'fuse rating?',
        remedy: fuseRemedy(n, lastItem(steps).result.value, thinnest(r, place)?.item),
      }),
    ];
  const rating = chosen('I_n', `rating of the ${n.name}`, n.item.amps, 'A', 'set in Feed', [0.05, 32]);
  const holds = derive('what it carries for long', 'I_long', 'k * I_n', 'A', [
    constant('k', 'share used', FUSE_SHARE, '1', 'fuse-share'),
    rating,
  ]);
  const lead = thinnest(r, place);
  return [
    judged('feed', `fuse@${n.id}`, {
      title: `What lasts through the ${n.name}`,
      caption: 'fuse holds?',
      steps,
      limit: derivedLimit('at most', [holds], 'four fifths of its rating'),
      tightShare: 'met',
      source: ['iec-60127'],
      remedy:
        lastItem(steps).result.value > holds.result.value
          ? fuseRemedy(n, lastItem(steps).result.value, lead?.item)
          : null,
    }),
    ...neverBlows(r, n, n.item.amps, rating),
    ...startBlows(r, place, n, n.item.amps),
    ...(lead
      ? [
          judged('feed', `fuse-lead@${n.id}`, {
            title: `The ${n.name} against the thinnest lead behind it`,
            caption: 'fuse above lead?',
            steps: [derive('rating of the fuse', 'I_f', 'I_n', 'A', [rating])],
            limit: derivedLimit(
              'at most',
              [derive('what the lead bears', 'I_l', 'I_z', 'A', [bears(lead.item)])],
              `what the ${lead.name} bears`,
            ),
            tightShare: 'met',
            remedy:
              n.item.amps > bearsAmps(lead.item.squareMetres ?? USUAL_LEAD.squareMetres)
                ? (fuseRemedy(n, lastItem(steps).result.value, lead.item) ?? {
                    text: `Take a thicker ${lead.name}: a fuse above what its lead bears protects nothing.`,
                  })
                : null,
          }),
        ]
      : []),
  ];
}

/** The least fuse that holds what lasts, where the lead behind it bears that. */
function fuseRemedy(n: Link, lasting: number, lead: FeedLink | undefined): Remedy | null {
  const amps = fuseFor(lasting, FUSE_SHARE);
  const most = lead ? bearsAmps(lead.squareMetres ?? USUAL_LEAD.squareMetres) : Infinity;
  if (amps === null || amps > most) return null;
  return {
    text: `A slow fuse of ${formatQuantity(amps, 'A')} holds what lasts.`,
    label: `Take ${formatQuantity(amps, 'A')}, slow`,
    edit: {
      do: 'put',
      list: 'feed.links',
      item: { ...n.item, amps },
      say: `${n.name}: ${formatQuantity(amps, 'A')}, slow`,
    },
  };
}

/** A lead and its contacts against what lasts through them. */
export function judgeLead(job: Job, r: SupplyRun, place: number, n: Link): Finding[] {
  const w = itemAt(r.lasting, place);
  const steps = currentSteps(r, place, w, 'lasting');
  const amps = lastItem(steps).result.value;
  const most = bearsAmps(n.item.squareMetres ?? USUAL_LEAD.squareMetres);
  const volts = n.parent < 0 ? NaN : realAt(r.most, n.parent);
  const size = leadFor(
    amps,
    itemAt(r.peak, place).value,
    n.item.metres ?? 1,
    DROP_SHARE * volts,
    n.item.strand,
    job.region.mainsVolts < 200,
  );
  const out = [
    judged('feed', `lead@${n.id}`, {
      title: `What lasts through the ${n.name}`,
      caption: 'lead bears it?',
      steps,
      limit: derivedLimit(
        'at most',
        [derive('what the lead bears', 'I_l', 'I_z', 'A', [bears(n.item)])],
        'what it bears for long',
      ),
      tightShare: 'met',
      remedy:
        amps > most && size
          ? {
              text: `Take ${formatQuantity(size, 'm²')}: it bears this and drops no more than 3 %.`,
              label: `Take ${formatQuantity(size, 'm²')}`,
              edit: {
                do: 'put',
                list: 'feed.links',
                item: { ...n.item, squareMetres: size },
                say: `${n.name}: ${formatQuantity(size, 'm²')}`,
              },
            }
          : null,
    }),
  ];
  if (n.item.connector !== 'none')
    out.push(
      judged('feed', `connector@${n.id}`, {
        title: `What lasts through the contacts of the ${n.name}`,
        caption: 'connector',
        steps,
        limit: atMost(CONNECTOR[n.item.connector].amps, 'A', 'what such contacts bear', {
          from: 'source',
          key: 'connectors',
        }),
        tightShare: 'met',
        remedy: { text: 'Screw terminals or solder bear more.' },
      }),
    );
  return out;
}

/** What a source gives into a short right behind it. @param volts of fresh cells, V. */
export function intoShort(job: Job, s: FeedSource, volts: number): Step {
  const cells = s.kind === 'cells';
  return cells
    ? derive('current into a short', 'I_sc', 'V_s / (R_s + R_l)', 'A', [
        computed('V_s', 'full cells', volts, 'V', 'the cells, fresh'),
        {
          symbol: 'R_s',
          name: 'resistance of the cells',
          value: ohmsOfSource(job, s).ohms,
          unit: 'Ω',
          origin: { from: 'source', key: 'cells' },
        },
        computed('R_l', 'the lead', 0, 'Ω', 'a short right behind the cells'),
      ])
    : derive('most that the supply gives', 'I_sc', 'I_s', 'A', [
        chosen('I_s', s.name, present(s.amps), 'A', 'set in Feed', [0.01, 1000]),
      ]);
}
