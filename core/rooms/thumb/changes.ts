import { present } from '../../ground/lists';
import { byHarm, flips, type Finding, type Flip, type Verdict } from '../../ground/finding';
import { applyEdit, type JobEdit } from '../../ground/job';
import { partsOf, takenPart } from '../../engines/parts';
import { evaluateWay, lineOf, partTaken, type WayContext, type WayResult } from '../../build/ways';

/** One thing that would make a way better, and what it would come to then. */
export interface Change {
  readonly say: string;
  /** Null for something that only the bench can tell. */
  readonly edit: JobEdit | null;
  readonly after: Verdict;
  /** Findings of the gravest sort that are left then. */
  readonly left: number;
}

/** What would have to change for a way to pass. */
export interface Changes {
  /** What keeps it from passing now. */
  readonly against: readonly Finding[];
  /** Changes that help by themselves, best first. */
  readonly single: readonly Change[];
  /** For each margin that fails: how far one of its numbers would have to move. */
  readonly flips: readonly { readonly finding: Finding; readonly flip: Flip }[];
}

const worstCount = (r: WayResult): number => r.findings.filter((f) => f.verdict === r.verdict).length;

/**
 * What would have to change for a way to pass: other parts, the remedies of its findings, readings that are still
 * missing; each tried out.
 */
export function changesFor(c: WayContext, now: WayResult): Changes {
  const against = now.findings.filter((f) => f.verdict !== 'settled');
  if (now.verdict === 'settled') return { against, single: [], flips: [] };
  const judge = (context: WayContext): { after: Verdict; left: number } => {
    const r = evaluateWay(now.way, context);
    return { after: r.verdict, left: r.verdict === 'settled' ? 0 : worstCount(r) };
  };
  const tried: Change[] = [];
  const seen = new Set<string>();
  const offer = (say: string, edit: JobEdit): void => {
    const key = JSON.stringify(edit);
    const after = applyEdit(c.job, edit, c.job.touchedAt);
    if (!seen.has(key) && after.ok) {
      const press = present(after.job.presses.find((p) => p.id === c.press.id));
      tried.push({ say, edit, ...judge({ ...c, job: after.job, press }) });
    }
    seen.add(key);
  };
  for (const f of against) if (f.remedy?.edit) offer(f.remedy.label ?? f.remedy.text, f.remedy.edit);
  for (const kind of now.kinds) {
    for (const part of partsOf(c.job, kind)) {
      if (part.id === takenPart(c.job, kind).id) continue;
      offer(`Take ${part.name}`, partTaken(c, kind, part.id, `part: ${part.name}`));
    }
  }
  const isolated = { ...c.fact, isolation: 'isolated' as const };
  const known = { ...c.fact, kind: c.fact.leading };
  const suppose = (say: string, fact: typeof c.fact): void =>
    void tried.push({ say, edit: null, ...judge({ ...c, fact, line: lineOf(fact, c.control) }) });
  if (c.fact.isolation === 'low-voltage') suppose('Have its insulation tested with 500 V, by whoever may', isolated);
  if (c.fact.isolation === 'unknown') suppose('Read in Probe that it is isolated from mains', isolated);
  const open = c.fact.kind === null && c.fact.tied.length === 0;
  if (open) suppose('Take the readings in Probe until its kind is certain', known);
  if (c.fact.isolation === 'unknown' && open)
    suppose('Take the readings in Probe: its kind, and isolation from mains', { ...known, isolation: 'isolated' });
  const left = worstCount(now);
  const single = tried
    .filter((t) => byHarm({ verdict: t.after }, now) > 0 || (t.after === now.verdict && t.left < left))
    .sort((a, b) => -byHarm({ verdict: a.after }, { verdict: b.after }) || a.left - b.left);
  const failing = against.filter((f) => f.limit && f.verdict === now.verdict);
  return {
    against,
    single,
    flips: failing.flatMap((finding) =>
      flips(finding)
        .slice(0, 2)
        .map((flip) => ({ finding, flip })),
    ),
  };
}
