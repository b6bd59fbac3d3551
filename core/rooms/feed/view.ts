import { itemAt, realAt } from '../../ground/lists';
import { CONTROLLER, type Job } from '../../ground/job';
import { throughTransistor } from '../../build/lines';
import { gravest, type Finding, type Verdict } from '../../ground/finding';
import { bearsAmps, nearestGauge, USUAL_LEAD } from '../../engines/electrics';
import { formatQuantity } from '../../ground/quantity';
import { CELLS, nominalVolts, sourceVolts, type SupplyNode } from '../../engines/supply';
import { sayWhen, type SupplyRun, type Worst } from './supply-run';

/** A part of the tree or a load as it is drawn. */
export interface FeedRow {
  readonly id: string;
  readonly kind: SupplyNode['kind'] | 'load';
  readonly name: string;
  /** What it is, in a few words: `12 V, 5 A`, `3 m of 0.75 mm²`. */
  readonly what: string;
  /** Id of what it hangs on; empty for a source, and for what hangs on nothing. */
  readonly from: string;
  /** Through it at the worst instant, and of what lasts, A. */
  readonly peakAmps: number;
  readonly lastingAmps: number;
  /** Least and most volts behind it, or at the load; NaN where nothing feeds it. */
  readonly leastVolts: number;
  readonly mostVolts: number;
  /** When the least is met, in words. */
  readonly when: string;
  readonly verdict: Verdict;
}

/** Findings that speak of one part of the tree or of one load. */
export const findingsOf = (findings: readonly Finding[], id: string): readonly Finding[] =>
  findings.filter((f) => f.about?.nodes?.includes(id));

function whatOf(job: Job, n: SupplyNode): string {
  if (n.kind === 'source') {
    const volts = sourceVolts(job, n.item);
    if (n.item.kind === 'cells') {
      const cells = `${n.item.series}${n.item.parallel > 1 ? ` × ${n.item.parallel}` : ''}`;
      return `${cells} ${CELLS[n.item.chemistry].words.split(' cell')[0]}`;
    }
    const amps = n.item.amps === null ? '' : `, ${formatQuantity(n.item.amps, 'A')}`;
    return volts === null ? 'not said yet' : `${formatQuantity(volts, 'V')}${amps}`;
  }
  switch (n.kind) {
    case 'fuse':
      return n.item.amps === null ? 'not said yet' : `${formatQuantity(n.item.amps, 'A')}, slow`;
    case 'lead':
      return n.item.metres === null || n.item.squareMetres === null
        ? 'length and gauge not said'
        : `${formatQuantity(n.item.metres, 'm')} of ${formatQuantity(n.item.squareMetres, 'm²')}`;
    case 'capacitor':
      return n.item.farads === null ? 'not said yet' : formatQuantity(n.item.farads, 'F');
    default:
      return `to ${formatQuantity(n.item.volts, 'V')}`;
  }
}

/** Every part and every load as it is drawn, parts before what hangs on them. */
export function feedRows(job: Job, r: SupplyRun, findings: readonly Finding[]): FeedRow[] {
  const verdict = (id: string): Verdict =>
    gravest(
      findingsOf(findings, id)
        .filter((f) => !f.sums)
        .map((f) => f.verdict),
    );
  // A sign on a pin of its own is fed by the controller, whatever feeds that.
  const onPin = new Set(job.signs.filter((s) => !throughTransistor(s)).map((s) => s.id));
  const say = (s: number): string => formatQuantity(s, 's');
  const parts = r.tree.nodes.map((n, i): FeedRow => ({
    id: n.id,
    kind: n.kind,
    name: n.name,
    what: whatOf(job, n),
    from: n.parent < 0 ? '' : itemAt(r.tree.nodes, n.parent).id,
    peakAmps: r.peak[i]?.value ?? 0,
    lastingAmps: r.lasting[i]?.value ?? 0,
    leastVolts: r.least[i]?.value ?? NaN,
    mostVolts: r.most[i] ?? NaN,
    when: r.least[i] ? sayWhen(r, r.least[i], say) : '',
    verdict: verdict(n.id),
  }));
  const loads = r.loads.map((l): FeedRow => {
    const fed = l.place >= 0 && itemAt(r.tree.nodes, l.place).source >= 0;
    return {
      id: l.id,
      kind: 'load',
      name: l.id === CONTROLLER ? 'controller' : l.name,
      what:
        l.volts && !Number.isNaN(l.volts.low)
          ? `${formatQuantity(l.volts.low, 'V')} to ${formatQuantity(l.volts.high, 'V')}`
          : '',
      from: l.place < 0 ? '' : itemAt(r.tree.nodes, l.place).id,
      peakAmps: l.startAmps || 0,
      lastingAmps: l.runAmps || 0,
      leastVolts: fed ? itemAt(r.least, l.place).value : NaN,
      mostVolts: fed ? realAt(r.most, l.place) : NaN,
      when: fed ? sayWhen(r, itemAt(r.least, l.place), say) : '',
      verdict: verdict(onPin.has(l.id) ? CONTROLLER : l.id),
    };
  });
  return [...parts, ...loads];
}

/** One step of a curve over a course. */
export interface CurvePoint {
  readonly at: number;
  readonly seconds: number;
  readonly amps: number;
  readonly volts: number;
}

/** Current out of a source and volts at the controller (or behind the source), instant by instant. */
export function curveOf(r: SupplyRun, course: number, source: number): CurvePoint[] {
  const controller = r.loads.find((l) => l.id === CONTROLLER)?.place ?? -1;
  const place = controller >= 0 && itemAt(r.tree.nodes, controller).source === source ? controller : source;
  return (r.courses[course]?.instants ?? []).map((x, instant) => {
    const s = r.at({ value: 0, course, instant });
    return { at: x.at, seconds: x.seconds, amps: s.amps[source] ?? 0, volts: s.volts[place] ?? NaN };
  });
}

/** A lead as it is cut and laid. */
export interface CutRow {
  readonly id: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly metres: number | null;
  readonly squareMetres: number | null;
  readonly gauge: number | null;
  readonly connector: string;
  readonly lastingAmps: number;
  readonly bearsAmps: number;
  readonly dropVolts: number;
}

/** Every lead of the tree with its size, what it carries and what it drops; two conductors each. */
export function cutList(r: SupplyRun): CutRow[] {
  return r.tree.nodes.flatMap((n, i): CutRow[] => {
    if (n.kind !== 'lead') return [];
    const w: Worst = itemAt(r.least, i);
    const s = r.tree.nodes[n.parent] && !Number.isNaN(w.value) ? r.at(w) : null;
    const to = [
      ...r.tree.nodes.filter((x) => x.parent === i).map((x) => x.name),
      ...r.loads.filter((l) => l.place === i).map((l) => l.name),
    ];
    return [
      {
        id: n.id,
        name: n.name,
        from: r.tree.nodes[n.parent]?.name ?? '',
        to: to.length > 3 ? `${to.slice(0, 2).join(', ')} and ${to.length - 2} more` : to.join(', '),
        metres: n.item.metres,
        squareMetres: n.item.squareMetres,
        gauge: n.item.squareMetres === null ? null : nearestGauge(n.item.squareMetres),
        connector: n.item.connector,
        lastingAmps: itemAt(r.lasting, i).value,
        bearsAmps: bearsAmps(n.item.squareMetres ?? USUAL_LEAD.squareMetres),
        dropVolts: s ? realAt(s.volts, n.parent) - realAt(s.volts, i) : 0,
      },
    ];
  });
}

/** What a load or a branch may hang on: parts of the tree but itself and what hangs on it, each with its nominal voltage. */
export function hangChoices(job: Job, r: SupplyRun, of: string): { id: string; words: string }[] {
  const own = r.tree.at.get(of);
  const under = (i: number): boolean => {
    for (let at = i; at >= 0; at = itemAt(r.tree.nodes, at).parent) if (at === own) return true;
    return false;
  };
  return r.tree.nodes.flatMap((n, i) => {
    if (n.kind === 'capacitor' || (own !== undefined && under(i))) return [];
    const volts = nominalVolts(job, r.tree, i);
    return [{ id: n.id, words: volts === null ? n.name : `${n.name}, ${formatQuantity(volts, 'V')}` }];
  });
}

/** A number, or null where there is none: a report holds nothing else. */
const orNull = (x: number): number | null => (Number.isFinite(x) ? x : null);

/** The tree as `gt feed` tells it. */
export const feedReport = (job: Job, r: SupplyRun, findings: readonly Finding[]): unknown => ({
  nodes: feedRows(job, r, findings).map((row) => ({
    ...row,
    peakAmps: orNull(row.peakAmps),
    lastingAmps: orNull(row.lastingAmps),
    leastVolts: orNull(row.leastVolts),
    mostVolts: orNull(row.mostVolts),
  })),
  courses: r.courses.map((c) => ({ name: c.name, instants: c.instants.length })),
  worst: r.tree.nodes.flatMap((n, i) =>
    n.kind === 'source' && r.peak[i]
      ? [{ source: n.name, amps: orNull(r.peak[i].value), when: sayWhen(r, r.peak[i], (s) => formatQuantity(s, 's')) }]
      : [],
  ),
  cuts: cutList(r).map((c) => ({
    ...c,
    lastingAmps: orNull(c.lastingAmps),
    bearsAmps: orNull(c.bearsAmps),
    dropVolts: orNull(c.dropVolts),
  })),
  findings,
});
